package tekmerion.server.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.concurrent.TimeUnit;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SheetsTest {
  /** Nothing of a text is lost, and no text keeps the server busy: the limit is for a hang. */
  @ParameterizedTest
  @ValueSource(strings = {"w", "\uFB01", "\uFB03", "ffi", "\u6E2F", "\uD83D\uDEE0", "e\u0301"})
  @Timeout(value = 20, unit = TimeUnit.SECONDS, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
  void aWordOfAPageIsPrintedWhole(String piece) throws IOException {
    String word = piece.repeat(4000 / piece.length());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (PDDocument document = new PDDocument()) {
      try (Sheets sheets = new Sheets(document, PDRectangle.A4)) {
        sheets.text("before " + word + " after", 10, false, Color.BLACK, 0);
      }
      document.save(out);
    }

    String printed;
    try (PDDocument document = Loader.loadPDF(out.toByteArray())) {
      printed = new PDFTextStripper().getText(document);
    }
    assertThat(printed.strip()).startsWith("before").endsWith("after");
    long letters = printed.codePoints().filter(c -> !Character.isWhitespace(c)).count();
    assertThat(letters)
        .isGreaterThanOrEqualTo("beforeafter".length() + word.codePointCount(0, word.length()));
  }
}

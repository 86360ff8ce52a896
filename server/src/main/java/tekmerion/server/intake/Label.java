package tekmerion.server.intake;

import static tekmerion.words.Words.say;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.text.Normalizer;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;

/** The label that goes on the machine: 62 by 29 mm, with the job's code as a QR symbol. */
final class Label {
  private static final float MM = 72f / 25.4f;
  private static final float WIDTH = 62 * MM;
  private static final float HEIGHT = 29 * MM;
  private static final float MARGIN = 2 * MM;
  private static final float QR = HEIGHT - 2 * MARGIN;
  private static final float LEFT = MARGIN + QR + 2 * MM;

  private Label() {}

  /**
   * @param code what the symbol holds
   * @param number printed large
   * @param lines below it, each cut where the label ends
   */
  static byte[] pdf(String code, String number, String... lines) {
    try (PDDocument document = new PDDocument()) {
      document.getDocumentInformation().setTitle(say("intake.label-of", "number", number));
      PDPage page = new PDPage(new PDRectangle(WIDTH, HEIGHT));
      document.addPage(page);
      try (PDPageContentStream pen = new PDPageContentStream(document, page)) {
        drawCode(pen, code);
        PDFont plain = new PDType1Font(FontName.HELVETICA);
        write(pen, new PDType1Font(FontName.HELVETICA_BOLD), 15, HEIGHT - MARGIN - 13, number);
        float y = HEIGHT - MARGIN - 28;
        for (String line : lines) {
          write(pen, plain, 8.5f, y, line);
          y -= 11;
        }
      }
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      document.save(out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e); // only memory is written to
    }
  }

  private static void write(PDPageContentStream pen, PDFont font, float size, float y, String text)
      throws IOException {
    String fits = printable(font, text);
    while (!fits.isEmpty() && font.getStringWidth(fits) / 1000 * size > WIDTH - MARGIN - LEFT) {
      fits = fits.substring(0, fits.length() - 1);
    }
    pen.beginText();
    pen.setFont(font, size);
    pen.newLineAtOffset(LEFT, y);
    pen.showText(fits);
    pen.endText();
  }

  /** A letter that the font lacks loses its accent; what has none becomes a question mark. */
  private static String printable(PDFont font, String text) {
    StringBuilder printable = new StringBuilder();
    text.codePoints()
        .forEach(
            c -> {
              String letter = Character.toString(c);
              String bare = Normalizer.normalize(letter, Normalizer.Form.NFD).substring(0, 1);
              printable.append(has(font, letter) ? letter : has(font, bare) ? bare : "?");
            });
    return printable.toString();
  }

  private static boolean has(PDFont font, String letter) {
    try {
      font.encode(letter);
      return true;
    } catch (IOException | IllegalArgumentException e) {
      return false; // PDFBox says so by throwing
    }
  }

  /** As squares, not as a picture: sharp on any printer. */
  private static void drawCode(PDPageContentStream pen, String code) throws IOException {
    BitMatrix modules = modules(code);
    float module = QR / modules.getWidth();
    for (int y = 0; y < modules.getHeight(); y++) {
      for (int x = 0; x < modules.getWidth(); x++) {
        if (modules.get(x, y)) {
          pen.addRect(MARGIN + x * module, MARGIN + QR - (y + 1) * module, module, module);
        }
      }
    }
    pen.fill();
  }

  private static BitMatrix modules(String code) {
    try {
      return new QRCodeWriter()
          .encode(
              code,
              BarcodeFormat.QR_CODE,
              0,
              0,
              Map.of(
                  EncodeHintType.ERROR_CORRECTION,
                  ErrorCorrectionLevel.M,
                  EncodeHintType.MARGIN,
                  2));
    } catch (WriterException e) {
      throw new IllegalStateException("the code does not fit a symbol: " + code, e);
    }
  }
}

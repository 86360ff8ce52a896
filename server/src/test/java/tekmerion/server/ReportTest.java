package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** The owner's report, on screen and on paper. */
@ExtendWith(RunningServer.class)
class ReportTest {
  private static String text(PDDocument pdf, int page) throws IOException {
    PDFTextStripper stripper = new PDFTextStripper();
    stripper.setStartPage(page);
    stripper.setEndPage(page);
    return stripper.getText(pdf).replaceAll("\\s+", " ");
  }

  @Test
  void saysOnOnePageWhatTheScreenSays(RunningServer.Shop shop) throws IOException {
    ShopClient ines = shop.signedIn();
    JsonNode report = ines.get("/api/jobs/J-2296/report").body();

    assertThat(report.at("/title").stringValue()).isEqualTo("What became of your Norrvik mini");
    assertThat(report.at("/sections/0/lines/0").stringValue())
        .isEqualTo("“The archive drive opens only now and then, workshop drawings are on it”");
    try (PDDocument pdf =
        Loader.loadPDF(ines.download("/api/jobs/J-2296/report.pdf?annex=false").orElseThrow())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(1);
      assertThat(pdf.getPage(0).getMediaBox().getHeight()).isBetween(841f, 842f); // 297 mm
      String page = text(pdf, 1);
      report
          .at("/sections")
          .forEach(
              section ->
                  section
                      .get("lines")
                      .forEach(line -> assertThat(page).contains(line.stringValue())));
      report
          .at("/advice")
          .forEach(advice -> assertThat(page).contains(advice.get("title").stringValue()));
      assertThat(page).contains("Haas, luthier").contains("Page 1 of 1 J-2296");
    }
  }

  /** Also on paper: letters that English has not are in the font that goes with it. */
  @Test
  void speaksTheOwnersLanguage(RunningServer.Shop shop) throws IOException {
    ShopClient ines = shop.signedIn();
    JsonNode english = ines.get("/api/jobs/J-2293/report").body();
    assertThat(english.get("language").stringValue()).isEqualTo("EN");
    String owner = "/api/customers/%d/language".formatted(english.get("ownerId").longValue());

    assertThat(ines.put(owner, Map.of("language", "NB")).status()).isEqualTo(204);

    JsonNode report = ines.get("/api/jobs/J-2293/report").body();
    assertThat(report.get("title").stringValue()).startsWith("Hva som skjedde med");
    assertThat(report.at("/sections").findValuesAsString("heading"))
        .contains("Det vi fant", "Dataene dine", "Hva du kan vente deg");
    try (PDDocument pdf =
        Loader.loadPDF(ines.download("/api/jobs/J-2293/report.pdf?annex=false").orElseThrow())) {
      assertThat(text(pdf, 1)).contains("Våre råd").contains("Side 1 av 1");
    }
    assertThat(ines.put(owner, Map.of("language", "EN")).status()).isEqualTo(204);
    assertThat(ines.put("/api/customers/0/language", Map.of("language", "EN")).status())
        .isEqualTo(404);
  }

  @Test
  void hasItsEvidenceBehindItAndFitsLetterToo(RunningServer.Shop shop) throws IOException {
    try (PDDocument pdf =
        Loader.loadPDF(
            shop.signedIn("joao")
                .download("/api/jobs/J-2294/report.pdf?paper=LETTER")
                .orElseThrow())) {
      assertThat(pdf.getNumberOfPages()).isGreaterThanOrEqualTo(2);
      assertThat(pdf.getPage(0).getMediaBox().getHeight()).isEqualTo(792); // 11 inches
      assertThat(text(pdf, 2)).contains("The evidence behind it").contains("Tests");
    }
    assertThat(shop.signedIn().get("/api/jobs/J-1/report").status()).isEqualTo(404);
  }
}

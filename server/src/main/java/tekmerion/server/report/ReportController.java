package tekmerion.server.report;

import java.util.Locale;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The owner's report, on screen and on paper. */
@RestController
@RequestMapping("/api/jobs/{number}")
class ReportController {
  private final Reports reports;

  ReportController(Reports reports) {
    this.reports = reports;
  }

  /**
   * @param language of the owner, as a language tag; English where there is no file of it
   */
  @GetMapping("/report")
  ReportView report(
      @PathVariable String number, @RequestParam(defaultValue = "en-GB") String language) {
    return reports.of(number, Locale.forLanguageTag(language));
  }

  /**
   * @param annex whether the evidence follows on pages of its own
   */
  @GetMapping(path = "/report.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> pdf(
      @PathVariable String number,
      @RequestParam(defaultValue = "en-GB") String language,
      @RequestParam(defaultValue = "A4") Paper paper,
      @RequestParam(defaultValue = "true") boolean annex) {
    byte[] pdf = ReportPdf.of(reports.of(number, Locale.forLanguageTag(language)), paper, annex);
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + number + ".pdf\"")
        .body(pdf);
  }
}

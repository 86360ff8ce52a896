package tekmerion.server.report;

import static tekmerion.words.Words.say;

import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.estimate.EstimateView;
import tekmerion.server.estimate.Estimates;
import tekmerion.server.problem.Refusal;

/** The owner's report, on screen and on paper, and the estimate on paper. */
@RestController
@RequestMapping("/api/jobs/{number}")
class ReportController {
  private final Reports reports;
  private final Estimates estimates;

  ReportController(Reports reports, Estimates estimates) {
    this.reports = reports;
    this.estimates = estimates;
  }

  /** In the owner's language. */
  @GetMapping("/report")
  ReportView report(@PathVariable String number) {
    return reports.of(number);
  }

  /**
   * @param annex whether the evidence follows on pages of its own
   */
  @GetMapping(path = "/report.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> pdf(
      @PathVariable String number,
      @RequestParam(defaultValue = "A4") Paper paper,
      @RequestParam(defaultValue = "true") boolean annex) {
    byte[] pdf = ReportPdf.of(reports.of(number), paper, annex);
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + number + ".pdf\"")
        .body(pdf);
  }

  @GetMapping(path = "/estimates/{id}/estimate.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> estimate(
      @PathVariable String number,
      @PathVariable long id,
      @RequestParam(defaultValue = "A4") Paper paper) {
    EstimateView told =
        estimates.of(number).stream()
            .filter(estimate -> estimate.id() == id)
            .findFirst()
            .orElseThrow(() -> Refusal.notFound(say("report.there-is-no-such-estimate-in")));
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + number + "-estimate.pdf\"")
        .body(EstimatePdf.of(told, reports.head(number), reports.words(number), paper));
  }
}

package tekmerion.server.report;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import tekmerion.words.Language;

/**
 * A report.
 *
 * @param shop name of the shop; empty if it has none
 * @param owner name of the customer
 * @param language that it is written in: the owner's
 * @param words fixed words of the page in the owner's language
 * @param plots at most two
 */
@Schema(name = "ReportView")
record ReportView(
    String number,
    String shop,
    String owner,
    long ownerId,
    Language language,
    String machine,
    @Schema(nullable = true) String serial,
    String title,
    String job,
    String printed,
    List<ReportSection> sections,
    List<ReportPlot> plots,
    List<ReportAdvice> advice,
    ReportWords words,
    Annex annex) {
  record ReportSection(String heading, List<String> lines) {}

  record ReportAdvice(String title, String text) {}

  record ReportWords(
      String shop,
      String advice,
      String annex,
      String annexLead,
      String runs,
      String readings,
      String steps,
      String none,
      String page) {}

  /**
   * @param unit of the values
   * @param from what the left end is
   * @param to what the right end is
   * @param points from left to right; x from 0 to 1
   */
  record ReportPlot(
      String title, String unit, String from, String to, double most, List<ReportPoint> points) {}

  record ReportPoint(double x, double y) {}

  /** Everything that it rests on, oldest first. */
  record Annex(List<AnnexRun> runs, List<AnnexReading> readings, List<AnnexStep> steps) {}

  record AnnexRun(UUID id, String name, String part, Instant at, String outcome, String detail) {}

  record AnnexReading(UUID id, String part, Instant at) {}

  record AnnexStep(String title, String words, String by, Instant at) {}
}

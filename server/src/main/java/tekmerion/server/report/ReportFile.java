package tekmerion.server.report;

import org.springframework.stereotype.Service;

/** A job's report as a file, for whoever sends it along. */
@Service
public class ReportFile {
  private final Reports reports;

  ReportFile(Reports reports) {
    this.reports = reports;
  }

  /** A4, with its evidence. */
  public byte[] pdf(String number) {
    return ReportPdf.of(reports.of(number), Paper.A4, true);
  }
}

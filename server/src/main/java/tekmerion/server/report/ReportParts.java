package tekmerion.server.report;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.core.drive.DriveVisit;
import tekmerion.core.drive.DriveWords;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.server.evidence.Readings;
import tekmerion.server.evidence.Visit;
import tekmerion.server.evidence.Visits;
import tekmerion.server.job.Job;
import tekmerion.server.report.ReportView.AnnexReading;

/** What the owner's report tells of the machine's parts: those of then, not those of today. */
@Service
class ReportParts {
  private final Readings readings;
  private final Visits visits;
  private final JdbcClient jdbc;

  ReportParts(Readings readings, Visits visits, JdbcClient jdbc) {
    this.readings = readings;
    this.visits = visits;
    this.jdbc = jdbc;
  }

  /** Parts that came into a place of the machine while the job went on, where another one was. */
  List<String> replaced(Job job) {
    return jdbc.sql(
            "SELECT n.slot, p.model FROM part_place n JOIN part p ON p.id = n.part_id"
                + " WHERE n.machine_id = ? AND n.since > ? AND EXISTS (SELECT 1 FROM part_place o"
                + " WHERE o.machine_id = n.machine_id AND o.part_key = n.part_key"
                + " AND o.part_id <> n.part_id AND o.until IS NOT NULL AND o.until >= ?)"
                + " ORDER BY n.since")
        .params(
            job.machine().id(), Timestamp.from(job.takenInAt()), Timestamp.from(job.takenInAt()))
        .query((rs, n) -> "%s: %s.".formatted(DriveWords.place(rs.getString(1)), rs.getString(2)))
        .list();
  }

  /** Of the drive that was there then: it may be replaced by now. */
  List<DriveVisit> visits(Job job, Optional<CauseShare> cause, Instant then) {
    return cause
        .flatMap(
            c ->
                jdbc.sql(
                        "SELECT part_id FROM part_place WHERE machine_id = ? AND part_key = ?"
                            + " AND since <= ? ORDER BY since DESC LIMIT 1")
                    .params(job.machine().id(), c.part(), Timestamp.from(then))
                    .query(Long.class)
                    .optional())
        .map(part -> visits.of(part).stream().map(Visit::said).toList())
        .orElse(List.of());
  }

  /** Oldest first. */
  List<AnnexReading> readings(Job job) {
    return readings.findByJobIdOrderByReceivedAtDesc(job.id()).stream()
        .map(r -> new AnnexReading(r.getId(), r.partKey(), r.takenAt()))
        .sorted(Comparator.comparing(AnnexReading::at))
        .toList();
  }
}

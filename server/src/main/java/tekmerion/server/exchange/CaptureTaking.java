package tekmerion.server.exchange;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.CaptureFile;
import tekmerion.link.CaptureFile.CapturedReading;
import tekmerion.link.LinkEvent;
import tekmerion.server.account.Secrets;
import tekmerion.server.evidence.Readings;
import tekmerion.server.inbox.ReadingInbox;
import tekmerion.server.inbox.RunInbox;
import tekmerion.server.inbox.Simulated;
import tekmerion.server.job.Job;
import tekmerion.server.person.Person;

/** Takes captures into a job: what is known already, by its id, is left as it is. */
@Service
class CaptureTaking {
  /** Stands for nobody in particular; it can never connect. */
  private static final UUID BY_HAND = UUID.fromString("00000000-0000-4000-8000-000000000001");

  private final ReadingInbox readingInbox;
  private final RunInbox runInbox;
  private final Readings readings;
  private final Simulated simulated;
  private final JdbcClient jdbc;
  private final Clock clock;

  /**
   * What was taken in.
   *
   * @param known readings and runs that had been taken in before
   */
  record CaptureCounts(int readings, int runs, int known) {}

  CaptureTaking(
      ReadingInbox readingInbox,
      RunInbox runInbox,
      Readings readings,
      Simulated simulated,
      JdbcClient jdbc,
      Clock clock) {
    this.readingInbox = readingInbox;
    this.runInbox = runInbox;
    this.readings = readings;
    this.simulated = simulated;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * @throws tekmerion.link.LinkFormatException if something in it cannot be; nothing is kept then
   * @throws tekmerion.server.problem.Refusal 403 for a simulated machine in a shop that is real
   */
  @Transactional(propagation = Propagation.MANDATORY)
  CaptureCounts take(Job job, CaptureFile capture, Person by) {
    simulated.refuse(capture.machine());
    List<CapturedReading> unknown =
        capture.readings().stream().filter(r -> !readings.existsById(r.id())).toList();
    unknown.forEach(r -> take(job, r));
    List<LinkEvent.RunEnded> inOrder =
        capture.runs().stream()
            .sorted(
                Comparator.comparing(
                    LinkEvent.RunEnded::endedAt, Comparator.nullsFirst(Comparator.naturalOrder())))
            .toList();
    int runs = 0;
    for (LinkEvent.RunEnded run : inOrder) {
      runs += runInbox.captured(job, byHand(), run, by) ? 1 : 0;
    }
    int known = capture.readings().size() - unknown.size() + capture.runs().size() - runs;
    return new CaptureCounts(unknown.size(), runs, known);
  }

  @Transactional(propagation = Propagation.MANDATORY)
  void take(Job job, CapturedReading reading) {
    readingInbox.captured(
        job,
        byHand(),
        new LinkEvent.PartRead(
            UUID.randomUUID(),
            reading.id(),
            reading.partKey(),
            reading.takenAt(),
            reading.pages()));
  }

  private UUID byHand() {
    Timestamp now = Timestamp.from(clock.instant());
    jdbc.sql(
            "INSERT IGNORE INTO probe (id, bay_id, outbox_id, token_hash, probe_version,"
                + " machine_note, enrolled_at, revoked_at, online, received_through)"
                + " SELECT ?, MIN(id), ?, ?, '', '{}', ?, ?, FALSE, 0 FROM bay")
        .params(
            BY_HAND.toString(),
            UUID.randomUUID().toString(),
            Secrets.hash(UUID.randomUUID().toString()),
            now,
            now)
        .update();
    return BY_HAND;
  }
}

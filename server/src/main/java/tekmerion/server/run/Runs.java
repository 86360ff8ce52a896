package tekmerion.server.run;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.PartIdentity;
import tekmerion.link.CopyOrder;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.RunNames;
import tekmerion.link.RunResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tools.jackson.databind.json.JsonMapper;

/** Stored runs. */
@Service
public class Runs {
  private final JdbcClient jdbc;
  private final RunRows rows;
  private final JsonMapper json;
  private final Clock clock;

  Runs(JdbcClient jdbc, RunRows rows, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.rows = rows;
    this.json = json;
    this.clock = clock;
  }

  /**
   * @param partId null if nobody knows yet which drive it is
   */
  @Transactional
  public UUID ask(
      long jobId,
      Long partId,
      UUID probeId,
      String partKey,
      RunKind kind,
      boolean gentle,
      CopyOrder order,
      long askedBy) {
    UUID id = UUID.randomUUID();
    jdbc.sql(
            "INSERT INTO run (id, job_id, part_id, probe_id, part_key, kind, gentle, state,"
                + " copy_order, asked_by, asked_at) VALUES (?, ?, ?, ?, ?, ?, ?, 'RUNNING', ?, ?, ?)")
        .params(
            id.toString(),
            jobId,
            partId,
            probeId.toString(),
            partKey,
            kind.name(),
            gentle,
            order == null ? null : json.writeValueAsString(order),
            askedBy,
            Timestamp.from(clock.instant()))
        .update();
    return id;
  }

  /**
   * Keeps a run that nobody here asked for: it was made without the shop, and came as a file. It is
   * evidence, and binds nobody. Its end is kept in the same transaction.
   *
   * @param partId null if nobody knows which part it is
   */
  @Transactional
  public void brought(
      long jobId, Long partId, UUID probeId, LinkEvent.RunEnded event, Instant at, long by) {
    jdbc.sql(
            "INSERT INTO run (id, job_id, part_id, probe_id, part_key, kind, gentle, state,"
                + " asked_by, asked_at, from_elsewhere) VALUES (?, ?, ?, ?, ?, ?, FALSE, 'ENDED', ?, ?, TRUE)")
        .params(
            event.requestId().toString(),
            jobId,
            partId,
            probeId.toString(),
            event.partKey(),
            event.run().name(),
            by,
            Timestamp.from(at))
        .update();
  }

  /** Keeps which drive a run is for; it was asked for in the same transaction. */
  @Transactional
  public void isFor(UUID run, PartIdentity drive) {
    jdbc.sql("UPDATE run SET named_drive = ? WHERE id = ?")
        .params(json.writeValueAsString(DriveSeen.of(drive)), run.toString())
        .update();
  }

  /** Runs of a job that write or erase, and are not ended. */
  @Transactional(readOnly = true)
  public List<Run> writing(long jobId) {
    return jdbc
        .sql(RunRows.SELECT + "WHERE d.job_id = ? AND d.state <> 'ENDED'")
        .param(jobId)
        .query(rows::of)
        .list()
        .stream()
        .filter(run -> run.kind().needsRelease())
        .toList();
  }

  @Transactional(readOnly = true)
  public Optional<Run> find(UUID id) {
    return jdbc.sql(RunRows.SELECT + "WHERE d.id = ?")
        .param(id.toString())
        .query(rows::of)
        .optional();
  }

  /** Newest first. */
  @Transactional(readOnly = true)
  public List<Run> ofPart(long partId) {
    return jdbc.sql(RunRows.SELECT + "WHERE d.part_id = ? ORDER BY d.asked_at DESC LIMIT 40")
        .param(partId)
        .query(rows::of)
        .list();
  }

  /** Newest first. */
  @Transactional(readOnly = true)
  public List<Run> ofJob(long jobId) {
    return jdbc.sql(RunRows.SELECT + "WHERE d.job_id = ? ORDER BY d.asked_at DESC LIMIT 40")
        .param(jobId)
        .query(rows::of)
        .list();
  }

  /** What it is, and of which drive: "Surface scan of HELM-1000S OS7K-44019-B". */
  @Transactional(readOnly = true)
  public String name(Run run) {
    String name = RunNames.name(run.kind());
    // A machine has one board, and runs on one battery.
    return run.kind().isOfDrive() ? say("run.of", "name", name, "drive", drive(run)) : name;
  }

  /** The drive of a run by its model and serial; by its place until it told them. */
  @Transactional(readOnly = true)
  public String drive(Run run) {
    return run.partId() == null
        ? run.partKey()
        : jdbc.sql("SELECT model, serial FROM part WHERE id = ?")
            .param(run.partId())
            .query(
                (rs, n) ->
                    Stream.of(rs.getString(1), rs.getString(2))
                        .filter(t -> t != null && !t.isBlank())
                        .collect(Collectors.joining(" ")))
            .optional()
            .filter(words -> !words.isEmpty())
            .orElse(run.partKey());
  }

  /** Of this part in any job, and of the drive in this place of this job; newest first. */
  @Transactional(readOnly = true)
  public List<Run> ofDrive(long partId, long jobId, String partKey) {
    return jdbc.sql(
            RunRows.SELECT
                + "WHERE d.part_id = ? OR (d.part_id IS NULL AND d.job_id = ? AND d.part_key = ?)"
                + " ORDER BY d.asked_at DESC LIMIT 40")
        .params(partId, jobId, partKey)
        .query(rows::of)
        .list();
  }

  /** Of a sort of run, in this job, newest first. */
  @Transactional(readOnly = true)
  public List<Run> ofJob(long jobId, Set<RunKind> kinds) {
    return ofJob(jobId).stream().filter(run -> kinds.contains(run.kind())).toList();
  }

  /** What a probe is to be told when it comes back: whatever was said while it was away. */
  @Transactional(readOnly = true)
  public List<ToProbe> openOf(UUID probeId) {
    return jdbc
        .sql(RunRows.SELECT + "WHERE d.probe_id = ? AND d.state <> 'ENDED' ORDER BY d.asked_at")
        .param(probeId.toString())
        .query(rows::of)
        .list()
        .stream()
        .map(Runs::wanted)
        .toList();
  }

  private static ToProbe wanted(Run run) {
    return switch (run.state()) {
      case PAUSED -> stop(run, true);
      case ENDING -> stop(run, false);
      default -> start(run);
    };
  }

  public static ToProbe stop(Run run, boolean pause) {
    return new ToProbe.StopRun(run.id(), run.partKey(), run.kind(), pause);
  }

  public static ToProbe start(Run run) {
    return new ToProbe.StartRun(
        run.id(), run.partKey(), run.kind(), run.gentle(), run.dataStatus(), run.order());
  }

  /** Runs that go on now, of all jobs in the shop; one statement. */
  @Transactional(readOnly = true)
  public List<Run> running() {
    return jdbc.sql(RunRows.SELECT_PLAIN + "WHERE d.state IN ('RUNNING', 'ENDING')")
        .query(rows::of)
        .list();
  }

  /** Ends what a probe that is gone for good will never end; what was found until then is kept. */
  @Transactional
  public void giveUp(UUID probeId) {
    Timestamp now = Timestamp.from(clock.instant());
    jdbc.sql(
            "INSERT INTO run_result (run_id, started_at, ended_at, received_at, ended, why, result)"
                + " SELECT id, asked_at, ?, ?, 'COULD_NOT_RUN', 'the probe was revoked', result"
                + " FROM run WHERE probe_id = ? AND state <> 'ENDED'")
        .params(now, now, probeId.toString())
        .update();
    jdbc.sql(
            "UPDATE run SET state = 'ENDED', result = NULL WHERE probe_id = ?"
                + " AND state <> 'ENDED'")
        .param(probeId.toString())
        .update();
  }

  @Transactional(readOnly = true)
  public Optional<String> jobOf(UUID runId) {
    return jdbc.sql("SELECT j.number FROM run d JOIN job j ON j.id = d.job_id WHERE d.id = ?")
        .param(runId.toString())
        .query(String.class)
        .optional();
  }

  @Transactional
  public void is(UUID runId, Run.State state) {
    jdbc.sql("UPDATE run SET state = ?, waits = NULL WHERE id = ? AND state <> 'ENDED'")
        .params(state.name(), runId.toString())
        .update();
  }

  /**
   * Of another probe's run, or of one that is ended, nothing is taken. Whether it is paused is the
   * server's to say, not the probe's.
   */
  @Transactional
  public void told(UUID probeId, ToServer.RunProgress p) {
    jdbc.sql(
            "UPDATE run SET share = ?, seconds_left = ?, spread_s = ?, at_byte = ?,"
                + " result = ?, told_at = ?, waits = NULL WHERE id = ? AND probe_id = ? AND state <> 'ENDED'")
        .params(
            p.share(),
            p.secondsLeft(),
            p.secondsSpread(),
            p.atByte(),
            text(p.result()),
            Timestamp.from(clock.instant()),
            p.requestId().toString(),
            probeId.toString())
        .update();
  }

  /**
   * Keeps what a run waits for.
   *
   * @return whether that is new
   */
  @Transactional
  public boolean waits(UUID runId, String why) {
    return jdbc.sql(
                "UPDATE run SET waits = ? WHERE id = ? AND state = 'RUNNING'"
                    + " AND (waits IS NULL OR waits <> ?)")
            .params(why, runId.toString(), why)
            .update()
        > 0;
  }

  /** Runs that go on, and whose probe has not been on the link since then. */
  @Transactional(readOnly = true)
  public List<UUID> withoutProbeSince(Instant then) {
    return jdbc.sql(
            "SELECT d.id FROM run d JOIN probe p ON p.id = d.probe_id WHERE d.state ="
                + " 'RUNNING' AND d.waits IS NULL AND NOT p.online AND p.last_seen_at < ?")
        .param(Timestamp.from(then))
        .query((rs, n) -> UUID.fromString(rs.getString(1)))
        .list();
  }

  /**
   * @param startedAt as it is kept: a probe's clock may be wrong
   * @param endedAt likewise
   */
  @Transactional
  public void ended(LinkEvent.RunEnded event, Instant startedAt, Instant endedAt) {
    jdbc.sql(
            "INSERT INTO run_result (run_id, started_at, ended_at, received_at, ended, why, result,"
                + " drive_model, drive_serial, drive_bytes) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            event.requestId().toString(),
            Timestamp.from(startedAt),
            Timestamp.from(endedAt),
            Timestamp.from(clock.instant()),
            event.end().name(),
            event.why() == null ? "" : event.why(),
            text(event.result()),
            event.drive() == null ? null : event.drive().model(),
            event.drive() == null ? null : event.drive().serial(),
            event.drive() == null ? null : event.drive().sizeBytes())
        .update();
    // The profile is in the result now: kept once.
    jdbc.sql("UPDATE run SET state = 'ENDED', result = NULL WHERE id = ?")
        .param(event.requestId().toString())
        .update();
  }

  /** As its interface, so that the text says which kind it is. */
  private String text(RunResult of) {
    return of == null ? null : json.writerFor(RunResult.class).writeValueAsString(of);
  }
}

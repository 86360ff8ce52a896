package tekmerion.server.run;

import java.sql.ResultSet;
import java.sql.SQLException;
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
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.PartIdentity;
import tekmerion.link.CopyOrder;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkEvent;
import tekmerion.link.PartFinding;
import tekmerion.link.RunKind;
import tekmerion.link.SurfaceNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tools.jackson.databind.json.JsonMapper;

/** Stored runs. */
@Service
public class Runs {
  private static final String SELECT =
      "SELECT d.*, r.started_at, r.ended_at, r.received_at, r.ended, r.why, r.self_test,"
          + " r.drive_model, r.drive_serial, r.drive_bytes,"
          + " COALESCE(r.surface, d.surface) AS found,"
          + " COALESCE(r.finding, d.finding) AS part_found, j.stance"
          + " FROM drive_run d JOIN job j ON j.id = d.job_id LEFT JOIN run_result r ON r.run_id = d.id ";

  /** The same without the profiles, which the floor does not draw. */
  private static final String SELECT_PLAIN =
      "SELECT d.*, NULL AS started_at, NULL AS ended_at, NULL AS received_at, NULL AS ended,"
          + " NULL AS why, NULL AS drive_model, NULL AS drive_serial, NULL AS drive_bytes,"
          + " NULL AS self_test, NULL AS found, NULL AS part_found, j.stance"
          + " FROM drive_run d JOIN job j ON j.id = d.job_id ";

  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  Runs(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
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
      String driveKey,
      RunKind kind,
      boolean gentle,
      CopyOrder order,
      long askedBy) {
    UUID id = UUID.randomUUID();
    jdbc.sql(
            "INSERT INTO drive_run (id, job_id, part_id, probe_id, drive_key, kind, gentle, state,"
                + " copy_order, asked_by, asked_at) VALUES (?, ?, ?, ?, ?, ?, ?, 'RUNNING', ?, ?, ?)")
        .params(
            id.toString(),
            jobId,
            partId,
            probeId.toString(),
            driveKey,
            kind.name(),
            gentle,
            order == null ? null : json.writeValueAsString(order),
            askedBy,
            Timestamp.from(clock.instant()))
        .update();
    return id;
  }

  /** Keeps which drive a run is for; it was asked for in the same transaction. */
  @Transactional
  public void isFor(UUID run, PartIdentity drive) {
    jdbc.sql("UPDATE drive_run SET named_drive = ? WHERE id = ?")
        .params(json.writeValueAsString(DriveSeen.of(drive)), run.toString())
        .update();
  }

  /** Runs of a job that write or erase, and are not ended. */
  @Transactional(readOnly = true)
  public List<DriveRun> writing(long jobId) {
    return jdbc
        .sql(SELECT + "WHERE d.job_id = ? AND d.state <> 'ENDED'")
        .param(jobId)
        .query(this::run)
        .list()
        .stream()
        .filter(run -> run.kind().needsRelease())
        .toList();
  }

  @Transactional(readOnly = true)
  public Optional<DriveRun> find(UUID id) {
    return jdbc.sql(SELECT + "WHERE d.id = ?").param(id.toString()).query(this::run).optional();
  }

  /** Newest first. */
  @Transactional(readOnly = true)
  public List<DriveRun> ofPart(long partId) {
    return jdbc.sql(SELECT + "WHERE d.part_id = ? ORDER BY d.asked_at DESC LIMIT 40")
        .param(partId)
        .query(this::run)
        .list();
  }

  /** Newest first. */
  @Transactional(readOnly = true)
  public List<DriveRun> ofJob(long jobId) {
    return jdbc.sql(SELECT + "WHERE d.job_id = ? ORDER BY d.asked_at DESC LIMIT 40")
        .param(jobId)
        .query(this::run)
        .list();
  }

  /** What was found out about the data on a drive in this job, newest first. */
  @Transactional(readOnly = true)
  public List<DriveRun> ofData(long jobId) {
    return jdbc.sql(
            SELECT
                + "WHERE d.job_id = ? AND d.kind IN ('SURVEY', 'RESCUE_IN_USE', 'RESCUE_WHOLE',"
                + " 'VERIFY_IMAGE', 'FILE_COPY', 'ERASE', 'ERASE_COPY', 'MEND', 'TAKE_BACK',"
                + " 'CARVE') ORDER BY d.asked_at DESC")
        .param(jobId)
        .query(this::run)
        .list();
  }

  /** Surveys of a drive, and what was written to it here, in whatever job. */
  @Transactional(readOnly = true)
  public List<DriveRun> onDrive(PartIdentity drive) {
    return jdbc.sql(
            SELECT
                + "WHERE d.kind IN ('SURVEY', 'ERASE', 'MEND', 'TAKE_BACK') AND NOT d.from_elsewhere"
                + " AND ((r.drive_serial = ? AND r.drive_model = ? AND r.drive_bytes = ?)"
                + " OR (r.run_id IS NULL AND d.named_drive = ?)) ORDER BY d.asked_at DESC")
        .params(
            drive.serial(),
            drive.model(),
            drive.sizeBytes(),
            json.writeValueAsString(DriveSeen.of(drive)))
        .query(this::run)
        .list();
  }

  /** What a probe made copies of in jobs that go on: runs that ended and found something. */
  @Transactional(readOnly = true)
  public List<DriveRun> copiesOf(UUID probeId) {
    return jdbc.sql(
            SELECT
                + "WHERE d.probe_id = ? AND d.kind IN ('RESCUE_IN_USE', 'RESCUE_WHOLE', 'FILE_COPY',"
                + " 'CARVE') AND NOT d.from_elsewhere AND r.finding IS NOT NULL AND j.ended_at IS"
                + " NULL")
        .param(probeId.toString())
        .query(this::run)
        .list();
  }

  /** Keeps whether the copy that a run made is where it was made. */
  @Transactional
  public void copyIs(UUID runId, boolean there) {
    jdbc.sql(
            there
                ? "UPDATE drive_run SET copy_found_at = ? WHERE id = ?"
                : "UPDATE drive_run SET copy_missing_at = ?, copy_found_at = NULL WHERE id = ?")
        .params(Timestamp.from(clock.instant()), runId.toString())
        .update();
  }

  /** What it is, and of which drive: "Surface pass of HELM-1000S OS7K-44019-B". */
  @Transactional(readOnly = true)
  public String name(DriveRun run) {
    if (!run.kind().isOfDrive()) {
      return RunWords.name(run.kind()); // a machine has one board, and runs on one battery
    }
    String drive =
        run.partId() == null
            ? run.driveKey()
            : jdbc.sql("SELECT model, serial FROM part WHERE id = ?")
                .param(run.partId())
                .query(
                    (rs, n) ->
                        Stream.of(rs.getString(1), rs.getString(2))
                            .filter(t -> t != null && !t.isBlank())
                            .collect(Collectors.joining(" ")))
                .optional()
                .filter(words -> !words.isEmpty())
                .orElse(run.driveKey());
    return "%s of %s".formatted(RunWords.name(run.kind()), drive);
  }

  /** A copy that is there still; its job is ended. */
  public record LeftCopy(long jobId, String driveKey) {}

  /**
   * Copies of jobs that ended before this, which nobody has erased since; longest ended first.
   *
   * @param most how many at most
   */
  @Transactional(readOnly = true)
  public List<LeftCopy> copiesOfJobsEndedBefore(Instant then, int most) {
    return jdbc.sql(
            "SELECT d.job_id, d.drive_key FROM drive_run d JOIN job j ON j.id = d.job_id"
                + " JOIN run_result r ON r.run_id = d.id WHERE d.kind IN ('RESCUE_IN_USE',"
                + " 'RESCUE_WHOLE', 'FILE_COPY', 'CARVE') AND NOT d.from_elsewhere AND j.ended_at <= ? AND r.finding IS NOT"
                + " NULL AND NOT EXISTS (SELECT 1 FROM drive_run e JOIN run_result x ON x.run_id ="
                + " e.id WHERE e.kind = 'ERASE_COPY' AND e.job_id = d.job_id AND e.drive_key ="
                + " d.drive_key AND e.asked_at > d.asked_at AND x.ended = 'COMPLETE' AND x.finding"
                + " IS NOT NULL) GROUP BY d.job_id, d.drive_key, j.ended_at ORDER BY j.ended_at"
                + " LIMIT ?")
        .params(Timestamp.from(then), most)
        .query((rs, n) -> new LeftCopy(rs.getLong(1), rs.getString(2)))
        .list();
  }

  /** Of this part in any job, and of the drive in this place of this job; newest first. */
  @Transactional(readOnly = true)
  public List<DriveRun> ofDrive(long partId, long jobId, String driveKey) {
    return jdbc.sql(
            SELECT
                + "WHERE d.part_id = ? OR (d.part_id IS NULL AND d.job_id = ? AND d.drive_key = ?)"
                + " ORDER BY d.asked_at DESC LIMIT 40")
        .params(partId, jobId, driveKey)
        .query(this::run)
        .list();
  }

  /** Of a sort of run, in this job, newest first. */
  @Transactional(readOnly = true)
  public List<DriveRun> ofJob(long jobId, Set<RunKind> kinds) {
    return ofJob(jobId).stream().filter(run -> kinds.contains(run.kind())).toList();
  }

  /** What a probe is to be told when it comes back: whatever was said while it was away. */
  @Transactional(readOnly = true)
  public List<ToProbe> openOf(UUID probeId) {
    return jdbc
        .sql(SELECT + "WHERE d.probe_id = ? AND d.state <> 'ENDED' ORDER BY d.asked_at")
        .param(probeId.toString())
        .query(this::run)
        .list()
        .stream()
        .map(Runs::wanted)
        .toList();
  }

  private static ToProbe wanted(DriveRun run) {
    return switch (run.state()) {
      case PAUSED -> stop(run, true);
      case ENDING -> stop(run, false);
      default -> start(run);
    };
  }

  static ToProbe stop(DriveRun run, boolean pause) {
    return new ToProbe.StopRun(run.id(), run.driveKey(), run.kind(), pause);
  }

  static ToProbe start(DriveRun run) {
    return new ToProbe.StartRun(
        run.id(), run.driveKey(), run.kind(), run.gentle(), run.stance(), run.order());
  }

  /** Runs that go on now, of all jobs in the shop; one statement. */
  @Transactional(readOnly = true)
  public List<DriveRun> running() {
    return jdbc.sql(SELECT_PLAIN + "WHERE d.state IN ('RUNNING', 'ENDING')")
        .query(this::run)
        .list();
  }

  /** Ends what a probe that is gone for good will never end; what was found until then is kept. */
  @Transactional
  public void giveUp(UUID probeId) {
    Timestamp now = Timestamp.from(clock.instant());
    jdbc.sql(
            "INSERT INTO run_result (run_id, started_at, ended_at, received_at, ended, why, surface,"
                + " self_test, finding) SELECT id, asked_at, ?, ?, 'COULD_NOT_RUN',"
                + " 'the probe was revoked', surface, NULL, finding FROM drive_run WHERE probe_id = ? AND state <> 'ENDED'")
        .params(now, now, probeId.toString())
        .update();
    jdbc.sql(
            "UPDATE drive_run SET state = 'ENDED', surface = NULL, finding = NULL WHERE probe_id = ?"
                + " AND state <> 'ENDED'")
        .param(probeId.toString())
        .update();
  }

  @Transactional(readOnly = true)
  public Optional<String> jobOf(UUID runId) {
    return jdbc.sql("SELECT j.number FROM drive_run d JOIN job j ON j.id = d.job_id WHERE d.id = ?")
        .param(runId.toString())
        .query(String.class)
        .optional();
  }

  @Transactional
  public void is(UUID runId, DriveRun.State state) {
    jdbc.sql("UPDATE drive_run SET state = ?, waits = NULL WHERE id = ? AND state <> 'ENDED'")
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
            "UPDATE drive_run SET share = ?, seconds_left = ?, spread_s = ?, at_byte = ?,"
                + " surface = ?, finding = ?, told_at = ?, waits = NULL WHERE id = ? AND probe_id = ? AND state <> 'ENDED'")
        .params(
            p.share(),
            p.secondsLeft(),
            p.secondsSpread(),
            p.atByte(),
            p.surface() == null ? null : json.writeValueAsString(p.surface()),
            p.found() == null ? null : finding(p.found()),
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
                "UPDATE drive_run SET waits = ? WHERE id = ? AND state = 'RUNNING'"
                    + " AND (waits IS NULL OR waits <> ?)")
            .params(why, runId.toString(), why)
            .update()
        > 0;
  }

  /** Runs that go on, and whose probe has not been on the link since then. */
  @Transactional(readOnly = true)
  public List<UUID> withoutProbeSince(Instant then) {
    return jdbc.sql(
            "SELECT d.id FROM drive_run d JOIN probe p ON p.id = d.probe_id WHERE d.state ="
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
            "INSERT INTO run_result (run_id, started_at, ended_at, received_at, ended, why, surface,"
                + " self_test, finding, drive_model, drive_serial, drive_bytes)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            event.requestId().toString(),
            Timestamp.from(startedAt),
            Timestamp.from(endedAt),
            Timestamp.from(clock.instant()),
            event.end().name(),
            event.why() == null ? "" : event.why(),
            event.surface() == null ? null : json.writeValueAsString(event.surface()),
            event.selfTest() == null ? null : json.writeValueAsString(event.selfTest()),
            event.found() == null ? null : finding(event.found()),
            event.drive() == null ? null : event.drive().model(),
            event.drive() == null ? null : event.drive().serial(),
            event.drive() == null ? null : event.drive().sizeBytes())
        .update();
    // The profile is in the result now: kept once.
    jdbc.sql("UPDATE drive_run SET state = 'ENDED', surface = NULL, finding = NULL WHERE id = ?")
        .param(event.requestId().toString())
        .update();
  }

  private DriveRun run(ResultSet rs, int n) throws SQLException {
    String ended = rs.getString("ended");
    String order = rs.getString("copy_order");
    String named = rs.getString("named_drive");
    String selfTest = rs.getString("self_test");
    String surface = rs.getString("found");
    String finding = rs.getString("part_found");
    return new DriveRun(
        UUID.fromString(rs.getString("id")),
        rs.getLong("job_id"),
        rs.getObject("part_id", Long.class),
        UUID.fromString(rs.getString("probe_id")),
        rs.getString("drive_key"),
        RunKind.valueOf(rs.getString("kind")),
        rs.getBoolean("gentle"),
        order == null ? null : json.readValue(order, CopyOrder.class),
        Optional.ofNullable(named).map(text -> json.readValue(text, DriveSeen.class).identity()),
        rs.getLong("asked_by"),
        DataStatus.valueOf(rs.getString("stance")),
        DriveRun.State.valueOf(rs.getString("state")),
        rs.getTimestamp("asked_at").toInstant(),
        instant(rs.getTimestamp("told_at")),
        rs.getObject("share", Double.class),
        rs.getObject("seconds_left", Double.class),
        rs.getObject("spread_s", Double.class),
        rs.getObject("at_byte", Long.class),
        surface == null ? null : json.readValue(surface, SurfaceNote.class),
        finding == null ? null : json.readValue(finding, PartFinding.class),
        rs.getString("waits"),
        ended == null
            ? null
            : new DriveRun.Result(
                rs.getTimestamp("started_at").toInstant(),
                rs.getTimestamp("ended_at").toInstant(),
                LinkEvent.End.valueOf(ended),
                rs.getString("why"),
                rs.getTimestamp("received_at").toInstant(),
                selfTest == null ? null : json.readValue(selfTest, LinkEvent.SelfTestNote.class),
                PartIdentity.of(
                    rs.getString("drive_model"),
                    rs.getString("drive_serial"),
                    rs.getLong("drive_bytes"))),
        instant(rs.getTimestamp("copy_missing_at")),
        instant(rs.getTimestamp("copy_found_at")),
        rs.getBoolean("from_elsewhere"));
  }

  /** As its interface, so that the text says which kind it is. */
  private String finding(PartFinding of) {
    return json.writerFor(PartFinding.class).writeValueAsString(of);
  }

  private static Instant instant(Timestamp timestamp) {
    return timestamp == null ? null : timestamp.toInstant();
  }
}

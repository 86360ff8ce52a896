package tekmerion.server.part;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveWords;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.identity.Serial;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tekmerion.words.Words;

/** Lives of parts: where they were, what they said there, and which records are one part. */
@Service
public class PartHistory {
  private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy");
  private final Parts parts;
  private final JdbcClient jdbc;
  private final LiveEvents live;
  private final Clock clock;
  private final ZoneId zone;

  /**
   * @param until null while it sits there
   */
  @Schema(name = "PartStay")
  public record Stay(
      String machine, String slot, Instant since, @Schema(nullable = true) Instant until) {}

  @Schema(name = "PartReading")
  public record ReadingNote(UUID id, Instant takenAt, String job, String machine) {}

  /** Another record that may be the same part. */
  @Schema(name = "NearPart")
  public record Near(
      long id, @Schema(nullable = true) String model, String serial, String how, String lastSeen) {}

  /**
   * @param sameAs parts that were found to be this one, and can be taken apart again
   * @param near parts that may be this one
   */
  @Schema(name = "PartView")
  public record View(
      long id,
      String kind,
      @Schema(nullable = true) String model,
      @Schema(nullable = true) String serial,
      Instant firstMet,
      List<Stay> stays,
      List<ReadingNote> readings,
      List<Near> sameAs,
      List<Near> near) {}

  PartHistory(Parts parts, JdbcClient jdbc, LiveEvents live, Clock clock, OpenHours hours) {
    this.parts = parts;
    this.jdbc = jdbc;
    this.live = live;
    this.clock = clock;
    this.zone = hours.zone();
  }

  private String month(Instant at) {
    return MONTH.withLocale(Words.speaking().language().locale()).format(at.atZone(zone));
  }

  /** "in J-2033, Ostrel 17 laptop, May 2026": its last reading in another machine. */
  @Transactional(readOnly = true)
  public Optional<String> lastSeenElsewhere(long partId, long jobId) {
    return jdbc.sql(
            "SELECT j.number, CONCAT(m.maker, ' ', m.model), r.taken_at FROM reading r"
                + " JOIN job j ON j.id = r.job_id JOIN machine m ON m.id = r.machine_id"
                + " WHERE r.part_id = ? AND r.job_id <> ? ORDER BY r.taken_at DESC LIMIT 1")
        .params(partId, jobId)
        .query(
            (rs, n) ->
                say(
                    "part.in-job",
                    "job",
                    rs.getString(1),
                    "machine",
                    rs.getString(2),
                    "month",
                    month(rs.getTimestamp(3).toInstant())))
        .optional();
  }

  /** For each of some parts where it was met in other jobs; one statement for all. */
  @Transactional(readOnly = true)
  public Map<Long, String> metBefore(List<Long> partIds, long jobId) {
    if (partIds.isEmpty()) {
      return Map.of();
    }
    record Before(long part, String words) {}
    return jdbc
        .sql(
            "SELECT p.id, j.number, CONCAT(m.maker, ' ', m.model), MAX(r.taken_at) FROM part p"
                + " JOIN part q ON q.id = p.id OR q.same_as = p.id OR q.id = p.same_as"
                + " JOIN reading r ON r.part_id = q.id JOIN job j ON j.id = r.job_id"
                + " JOIN machine m ON m.id = r.machine_id"
                + " WHERE p.id IN (:parts) AND r.job_id <> :job"
                + " GROUP BY p.id, j.number, m.maker, m.model ORDER BY MAX(r.taken_at)")
        .param("parts", partIds)
        .param("job", jobId)
        .query(
            (rs, n) ->
                new Before(
                    rs.getLong(1),
                    say(
                        "part.met-before",
                        "job",
                        rs.getString(2),
                        "machine",
                        rs.getString(3),
                        "month",
                        month(rs.getTimestamp(4).toInstant()))))
        .list()
        .stream()
        .collect(Collectors.toMap(Before::part, Before::words, (earlier, later) -> later));
  }

  @Transactional(readOnly = true)
  public View of(long id) {
    Part part =
        parts
            .findById(id)
            .orElseThrow(() -> Refusal.notFound(say("part.there-is-no-part", "id", id)));
    List<Long> same =
        jdbc.sql("SELECT id FROM part WHERE id = ? OR same_as = ?")
            .params(id, id)
            .query(Long.class)
            .list();
    return new View(
        part.id(),
        part.kind(),
        part.model(),
        part.serial(),
        part.firstMet(),
        stays(same),
        readings(same),
        alike(
            "SELECT p.* FROM part p WHERE p.same_as = :id", Map.of("id", id), part.serial(), false),
        near(part));
  }

  private List<Stay> stays(List<Long> same) {
    return jdbc.sql(
            "SELECT CONCAT(m.maker, ' ', m.model), p.slot, p.since, p.until FROM part_place p"
                + " JOIN machine m ON m.id = p.machine_id WHERE p.part_id IN (:same)"
                + " ORDER BY p.since DESC")
        .param("same", same)
        .query(
            (rs, n) ->
                new Stay(
                    rs.getString(1),
                    DriveWords.place(rs.getString(2)),
                    rs.getTimestamp(3).toInstant(),
                    rs.getTimestamp(4) == null ? null : rs.getTimestamp(4).toInstant()))
        .list();
  }

  private List<ReadingNote> readings(List<Long> same) {
    return jdbc.sql(
            "SELECT r.id, r.taken_at, j.number, CONCAT(m.maker, ' ', m.model) FROM reading r"
                + " JOIN job j ON j.id = r.job_id JOIN machine m ON m.id = r.machine_id"
                + " WHERE r.part_id IN (:same) ORDER BY r.taken_at DESC LIMIT 200")
        .param("same", same)
        .query(
            (rs, n) ->
                new ReadingNote(
                    UUID.fromString(rs.getString(1)),
                    rs.getTimestamp(2).toInstant(),
                    rs.getString(3),
                    rs.getString(4)))
        .list();
  }

  private List<Near> near(Part part) {
    if (part.serial() == null) {
      return List.of();
    }
    NearSerials near = NearSerials.of(Serial.of(part.serial()));
    return alike(
        "SELECT p.* FROM part p WHERE p.id <> :id AND p.kind = :kind AND p.same_as IS NULL"
            + " AND NOT EXISTS (SELECT 1 FROM part me WHERE me.id = :id AND me.same_as = p.id)"
            + " AND (p.serial_folded IN (:beginnings) OR p.serial_folded LIKE :longer) LIMIT 10",
        Map.of(
            "id", part.id(),
            "kind", part.kind(),
            "beginnings", near.beginnings(),
            "longer", near.longer()),
        part.serial(),
        true);
  }

  private List<Near> alike(
      String sql, Map<String, Object> params, String serial, boolean differentOnly) {
    Serial mine = serial == null ? Serial.of("") : Serial.of(serial);
    record Row(long id, String model, String serial, String place) {}
    return jdbc
        .sql(
            "SELECT x.id, x.model, x.serial, (SELECT CONCAT(m.maker, ' ', m.model) FROM part_place pl"
                + " JOIN machine m ON m.id = pl.machine_id WHERE pl.part_id = x.id"
                + " ORDER BY pl.since DESC LIMIT 1) FROM ("
                + sql
                + ") x")
        .params(params)
        .query((rs, n) -> new Row(rs.getLong(1), rs.getString(2), rs.getString(3), rs.getString(4)))
        .list()
        .stream()
        .filter(row -> row.serial() != null)
        .filter(
            row -> !differentOnly || mine.match(Serial.of(row.serial())) != Serial.Match.DIFFERENT)
        .map(
            row ->
                new Near(
                    row.id(),
                    row.model(),
                    row.serial(),
                    mine.match(Serial.of(row.serial())).words(),
                    row.place() == null
                        ? say("part.never-placed")
                        : say("part.last-in", "place", row.place())))
        .toList();
  }

  /** Two records are the same part, says a person. Undone with {@link #apart}. */
  @Transactional
  public void same(long id, long other, Person by) {
    Part into = part(id);
    Part from = part(other);
    if (id == other || into.sameAs() != null || from.sameAs() != null) {
      throw Refusal.notPossibleNow(
          say("part.one-of-the-two-already-stands"), say("part.take-those-apart-first"));
    }
    from.sameAs(into.id());
    jdbc.sql("INSERT INTO part_same (from_id, into_id, by_id, at) VALUES (?, ?, ?, ?)")
        .params(other, id, by.id(), Timestamp.from(clock.instant()))
        .update();
    live.changed("part:" + id);
  }

  @Transactional
  public void apart(long id, long other, Person by) {
    Part from = part(other);
    if (!Long.valueOf(id).equals(from.sameAs())) {
      throw Refusal.notPossibleNow(
          say("part.the-two-are-not-joined"), say("part.load-the-page-again"));
    }
    from.sameAs(null);
    jdbc.sql(
            "UPDATE part_same SET undone_by = ?, undone_at = ? WHERE from_id = ? AND undone_at IS NULL")
        .params(by.id(), Timestamp.from(clock.instant()), other)
        .update();
    live.changed("part:" + id);
  }

  private Part part(long id) {
    return parts
        .findById(id)
        .orElseThrow(() -> Refusal.notFound(say("part.there-is-no-part", "id", id)));
  }
}

package tekmerion.server.supply;

import static tekmerion.words.Words.say;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.replace.Supply;
import tekmerion.core.replace.Supply.Happened;
import tekmerion.server.job.Job;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;

/** How the parts that steps need came to them: facts, never changed, only followed by others. */
@Service
public class PartSupplies {
  private final JdbcClient jdbc;
  private final Clock clock;

  /**
   * What happened last to the part of a step.
   *
   * @param need what was looked for
   * @param words what part it is
   * @param stock where it was taken from; empty if it was ordered
   * @param supplier empty if it was taken from stock
   * @param expectedOn empty if nobody knows, or it is here
   */
  public record Standing(
      Supply supply,
      String need,
      String words,
      Optional<Long> stock,
      Optional<String> supplier,
      Optional<LocalDate> expectedOn) {}

  /**
   * Something that happens.
   *
   * @param stock null if it is not from stock; likewise the supplier and the day
   */
  public record Now(
      Happened what,
      String need,
      String words,
      Long stock,
      String supplier,
      LocalDate expectedOn) {}

  PartSupplies(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  private record Row(String remedy, Now now) {}

  /** By remedy; one to which nothing happened is only needed. */
  @Transactional(readOnly = true)
  public Map<String, Standing> of(long jobId) {
    Map<String, Standing> standing = new HashMap<>();
    jdbc.sql(
            "SELECT remedy, happened, need, words, stock_id, supplier, expected_on FROM part_supply"
                + " WHERE job_id = ? ORDER BY id")
        .param(jobId)
        .query((rs, n) -> row(rs))
        .list()
        .forEach(
            row ->
                // One that cannot follow came with an archive: what was before holds.
                supply(standing, row.remedy())
                    .after(row.now().what())
                    .ifPresent(after -> standing.put(row.remedy(), standing(after, row.now()))));
    return standing;
  }

  private static Supply supply(Map<String, Standing> standing, String remedy) {
    return Optional.ofNullable(standing.get(remedy)).map(Standing::supply).orElse(Supply.NEEDED);
  }

  private static Row row(ResultSet rs) throws SQLException {
    return new Row(
        rs.getString(1),
        new Now(
            Happened.valueOf(rs.getString(2)),
            rs.getString(3),
            rs.getString(4),
            rs.getObject(5, Long.class),
            rs.getString(6),
            rs.getObject(7, LocalDate.class)));
  }

  private static Standing standing(Supply supply, Now now) {
    return new Standing(
        supply,
        now.need(),
        now.words(),
        Optional.ofNullable(now.stock()),
        Optional.ofNullable(now.supplier()),
        Optional.ofNullable(now.expectedOn()));
  }

  /**
   * @throws Refusal 409 if that cannot happen to it as it is
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void keep(Job job, String remedy, Now now, Person by) {
    Supply before = supply(of(job.id()), remedy);
    if (before.after(now.what()).isEmpty()) {
      throw Refusal.notPossibleNow(
          switch (before) {
            case NEEDED -> say("supply.no-part-was-ordered-or-taken");
            case ORDERED -> say("supply.a-part-is-ordered-for-this");
            case HERE -> say("supply.a-part-is-set-aside-for");
          },
          say("supply.load-the-job-again-and-look"));
    }
    jdbc.sql(
            "INSERT INTO part_supply (job_id, remedy, happened, need, words, stock_id, supplier,"
                + " expected_on, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            remedy,
            now.what().name(),
            now.need(),
            now.words(),
            now.stock(),
            now.supplier(),
            now.expectedOn(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }

  /** The last day on which something is expected that is ordered, by job. */
  @Transactional(readOnly = true)
  public Map<Long, LocalDate> expected() {
    Map<Long, LocalDate> days = new HashMap<>();
    jdbc.sql(
            "SELECT s.job_id, MAX(s.expected_on) FROM part_supply s JOIN job j ON j.id = s.job_id"
                + " WHERE j.ended_at IS NULL AND s.happened = 'ORDERED' AND s.expected_on IS NOT NULL"
                + " AND NOT EXISTS (SELECT 1 FROM part_supply l WHERE l.job_id = s.job_id AND"
                + " l.remedy = s.remedy AND l.id > s.id) GROUP BY s.job_id")
        .query(
            rs -> {
              days.put(rs.getLong(1), rs.getObject(2, LocalDate.class));
            });
    return days;
  }
}

package tekmerion.server.supply;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.replace.OldPartFate;
import tekmerion.server.job.Job;
import tekmerion.server.person.Person;

/** What became of parts that were taken out. */
@Service
public class OldParts {
  private final JdbcClient jdbc;
  private final Clock clock;

  /**
   * @param note the certificate, the name of who took it
   */
  public record Said(OldPartFate fate, String note) {}

  OldParts(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** What was said last, by remedy. */
  @Transactional(readOnly = true)
  public Map<String, Said> of(long jobId) {
    Map<String, Said> said = new HashMap<>();
    jdbc.sql("SELECT remedy, fate, note FROM old_part WHERE job_id = ? ORDER BY id")
        .param(jobId)
        .query(
            rs -> {
              said.put(
                  rs.getString(1), new Said(OldPartFate.valueOf(rs.getString(2)), rs.getString(3)));
            });
    return said;
  }

  /**
   * @param part null if no reading told which one it was
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void keep(Job job, String remedy, Long part, Said said, Person by) {
    jdbc.sql(
            "INSERT INTO old_part (job_id, remedy, part_id, fate, note, made_by, made_at)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            remedy,
            part,
            said.fate().name(),
            said.note(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }
}

package tekmerion.server.job;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.identity.Serial;

/** Which job a machine that tells its serial may belong to. */
@Service
public class OpenJobs {
  private final JdbcClient jdbc;

  /**
   * @param bay where its machine stands; null if in none
   */
  public record Found(String number, Integer bay) {}

  OpenJobs(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The one that is not ended and whose machine has this serial; empty if none has, or several. */
  @Transactional(readOnly = true)
  public Optional<Found> withSerial(String serial) {
    String plain = Serial.of(serial).plain();
    if (plain.isEmpty()) {
      return Optional.empty();
    }
    List<Found> found =
        jdbc.sql(
                "SELECT j.number, b.number AS bay FROM job j JOIN machine m ON m.id = j.machine_id"
                    + " LEFT JOIN bay b ON b.job_id = j.id"
                    + " WHERE m.serial_plain = ? AND m.kind = 'MACHINE' AND j.ended_at IS NULL")
            .param(plain)
            .query(Found.class)
            .list();
    return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
  }
}

package tekmerion.server.part;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.identity.Serial;

/** Knows a machine or a part again by a serial that somebody typed or scanned. */
@Service
public class Known {
  private final JdbcClient jdbc;

  /**
   * A machine that was here before, or one that may be it.
   *
   * @param certain whether the serial is the same, not only like it
   * @param how how the serials go together
   * @param lastJob null if it never had a job
   */
  public record KnownMachine(
      long id,
      String maker,
      String model,
      String serial,
      boolean certain,
      String how,
      @Schema(nullable = true) String lastJob,
      @Schema(nullable = true) Instant lastSeenAt,
      @Schema(nullable = true) Long customerId,
      @Schema(nullable = true) String customer,
      int visits) {}

  public record KnownPart(
      long id,
      String kind,
      @Schema(nullable = true) String model,
      String serial,
      boolean certain,
      String how,
      @Schema(nullable = true) String lastIn) {}

  /** What a serial brings back. */
  @Schema(name = "KnownThings")
  public record Things(List<KnownMachine> machines, List<KnownPart> parts) {}

  Known(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Transactional(readOnly = true)
  public Things bySerial(String text) {
    Serial serial = Serial.of(text);
    if (serial.plain().length() < 4) {
      return new Things(List.of(), List.of());
    }
    NearSerials near = NearSerials.of(serial);
    List<KnownMachine> machines =
        jdbc
            .sql(
                "SELECT m.id, m.maker, m.model, m.serial, j.number, j.taken_in_at, c.id, c.display_name,"
                    + " (SELECT COUNT(*) FROM job x WHERE x.machine_id = m.id) FROM machine m"
                    + " LEFT JOIN job j ON j.id ="
                    + " (SELECT MAX(y.id) FROM job y WHERE y.machine_id = m.id)"
                    + " LEFT JOIN customer c ON c.id = j.customer_id AND c.erased_at IS NULL"
                    + " WHERE m.serial_folded IN (:beginnings) OR m.serial_folded LIKE :longer"
                    + " LIMIT 10")
            .param("beginnings", near.beginnings())
            .param("longer", near.longer())
            .query(
                (rs, n) -> {
                  Serial.Match match = serial.match(Serial.of(rs.getString(4)));
                  long customer = rs.getLong(7);
                  return new KnownMachine(
                      rs.getLong(1),
                      rs.getString(2),
                      rs.getString(3),
                      rs.getString(4),
                      match == Serial.Match.SAME,
                      match.words(),
                      rs.getString(5),
                      rs.getTimestamp(6) == null ? null : rs.getTimestamp(6).toInstant(),
                      customer == 0 ? null : customer,
                      rs.getString(8),
                      rs.getInt(9));
                })
            .list()
            .stream()
            .filter(m -> serial.match(Serial.of(m.serial())) != Serial.Match.DIFFERENT)
            .toList();
    List<KnownPart> parts =
        jdbc
            .sql(
                "SELECT p.id, p.kind, p.model, p.serial, (SELECT CONCAT(m.maker, ' ', m.model)"
                    + " FROM part_place pl JOIN machine m ON m.id = pl.machine_id"
                    + " WHERE pl.part_id = p.id ORDER BY pl.since DESC LIMIT 1) FROM part p"
                    + " WHERE p.serial_folded IN (:beginnings) OR p.serial_folded LIKE :longer"
                    + " LIMIT 10")
            .param("beginnings", near.beginnings())
            .param("longer", near.longer())
            .query(
                (rs, n) -> {
                  Serial.Match match = serial.match(Serial.of(rs.getString(4)));
                  return new KnownPart(
                      rs.getLong(1),
                      rs.getString(2),
                      rs.getString(3),
                      rs.getString(4),
                      match == Serial.Match.SAME,
                      match.words(),
                      rs.getString(5));
                })
            .list()
            .stream()
            .filter(p -> serial.match(Serial.of(p.serial())) != Serial.Match.DIFFERENT)
            .toList();
    return new Things(machines, parts);
  }
}

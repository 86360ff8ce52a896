package tekmerion.server.price;

import static tekmerion.words.Words.say;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Currency;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.decision.Course;
import tekmerion.core.price.Tariff;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What the shop charges; until its lead has said so, nothing has a price. */
@Service
public class Tariffs {
  private static final TypeReference<Map<Course, BigDecimal>> RATES = new TypeReference<>() {};

  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  Tariffs(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** Empty if nobody has said what the shop charges. */
  @Transactional(readOnly = true)
  public Optional<Tariff> now() {
    return jdbc.sql(
            "SELECT currency, per_hour, per_hour_of, minimum, tax_percent, tax_shown FROM tariff"
                + " ORDER BY id DESC LIMIT 1")
        .query((rs, n) -> tariff(rs))
        .optional();
  }

  private Tariff tariff(ResultSet rs) throws SQLException {
    Map<Course, BigDecimal> rates = new EnumMap<>(Course.class);
    rates.putAll(json.readValue(rs.getString(3), RATES));
    return new Tariff(
        Currency.getInstance(rs.getString(1)),
        rs.getBigDecimal(2),
        rates,
        rs.getBigDecimal(4),
        rs.getBigDecimal(5),
        rs.getBoolean(6));
  }

  /** From now on; what was estimated before stays as it was told. */
  @Transactional
  public void set(Tariff tariff, Person by) {
    by.must(Role.LEAD);
    if (tariff.places() > 3) {
      throw Refusal.badRequest(
          say("price.has-more-than-three-decimals", "currency", tariff.currency()),
          say("price.take-another"));
    }
    jdbc.sql(
            "INSERT INTO tariff (currency, per_hour, per_hour_of, minimum, tax_percent, tax_shown,"
                + " set_by, set_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            tariff.currency().getCurrencyCode(),
            tariff.perHour(),
            json.writeValueAsString(tariff.perHourOf()),
            tariff.minimum(),
            tariff.taxPercent(),
            tariff.taxShown(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }
}

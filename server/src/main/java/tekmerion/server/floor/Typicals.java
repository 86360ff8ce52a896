package tekmerion.server.floor;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.core.forecast.Stage;
import tekmerion.core.forecast.Typical;

/** How long stages took lately in this shop; looked up anew every few minutes. */
@Component
class Typicals {
  private static final Duration FRESH = Duration.ofMinutes(5);
  private static final int LATEST = 300;
  private final JdbcClient jdbc;
  private final Clock clock;
  private volatile Known known;

  private record Known(Instant at, Typical typical) {}

  private record Took(Stage stage, double minutes) {}

  Typicals(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  Typical now() {
    Known present = known;
    Instant now = clock.instant();
    if (present == null || present.at().plus(FRESH).isBefore(now)) {
      present = new Known(now, read());
      known = present;
    }
    return present.typical();
  }

  private Typical read() {
    Map<Stage, List<Double>> minutes = new EnumMap<>(Stage.class);
    jdbc.sql("SELECT stage, minutes FROM stage_time ORDER BY ended_at DESC LIMIT ?")
        .param(LATEST * Stage.values().length)
        .query((rs, n) -> new Took(Stage.valueOf(rs.getString(1)), rs.getDouble(2)))
        .list()
        .forEach(
            took ->
                minutes.computeIfAbsent(took.stage(), s -> new ArrayList<>()).add(took.minutes()));
    Map<Stage, double[]> arrays = new EnumMap<>(Stage.class);
    minutes.forEach(
        (stage, list) ->
            arrays.put(stage, list.stream().mapToDouble(Double::doubleValue).toArray()));
    return new Typical(arrays);
  }
}

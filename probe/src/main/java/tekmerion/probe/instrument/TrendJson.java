package tekmerion.probe.instrument;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tekmerion.core.trend.ChangePoint;
import tekmerion.core.trend.Forecast;
import tekmerion.core.trend.Interval;
import tekmerion.core.trend.MannKendall;
import tekmerion.core.trend.Split;
import tekmerion.core.trend.Trend;
import tekmerion.core.trend.TrendReading;

/** A trend as {@code trend} prints it: docs/formats.md. What cannot be told is null, never 0. */
final class TrendJson {
  private TrendJson() {}

  static Map<String, Object> of(String attribute, List<TrendReading> readings, Trend trend) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("attribute", attribute);
    json.put("readings", trend.readings());
    json.put("used", trend.used().size());
    json.put("kind", trend.kind().name().toLowerCase(Locale.ROOT));
    json.put("axis", trend.axis().name().toLowerCase(Locale.ROOT));
    json.put("slope", trend.slope().map(s -> slope(s, trend)).orElse(null));
    json.put("slopePerDay", trend.slopePerDay().map(TrendJson::interval).orElse(null));
    json.put("growth", trend.growth().map(TrendJson::growth).orElse(null));
    json.put(
        "changePoints", trend.change().map(c -> List.of(change(c, readings))).orElse(List.of()));
    json.put("splits", trend.splits().stream().map(s -> split(s, readings)).toList());
    json.put("forecast", trend.forecast().map(TrendJson::forecast).orElse(null));
    json.put("why", trend.why().isEmpty() ? null : trend.why());
    return json;
  }

  private static Map<String, Object> slope(Interval slope, Trend trend) {
    Map<String, Object> json = new LinkedHashMap<>(interval(slope.times(1000)));
    json.put("per", "1000 h");
    json.put("confidence", 0.95);
    json.put(
        "method",
        trend.kind() == Trend.Kind.COUNTER
            ? "rate with HC3 interval"
            : "Theil-Sen with Sen's interval");
    return json;
  }

  private static Map<String, Object> interval(Interval interval) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("value", interval.value());
    json.put("low", interval.low());
    json.put("high", interval.high());
    return json;
  }

  private static Map<String, Object> growth(MannKendall test) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("test", "Mann-Kendall");
    json.put("s", test.s());
    json.put("z", test.z());
    json.put("p", test.p());
    json.put("growing", test.isGrowing());
    json.put("falling", test.isFalling());
    return json;
  }

  private static Map<String, Object> change(ChangePoint change, List<TrendReading> readings) {
    Map<String, Object> json = at(change.index(), readings);
    json.put("gain", change.gain());
    json.put("penalty", change.penalty());
    return json;
  }

  private static Map<String, Object> split(Split split, List<TrendReading> readings) {
    Map<String, Object> json = at(split.index(), readings);
    json.put("reason", split.reason().name().toLowerCase(Locale.ROOT));
    json.put("words", split.words());
    return json;
  }

  private static Map<String, Object> at(int index, List<TrendReading> readings) {
    TrendReading reading = readings.get(index);
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("index", index);
    json.put("takenAt", reading.takenAt().toString());
    json.put(
        "powerOnHours",
        reading.powerOnHours().isPresent() ? reading.powerOnHours().getAsDouble() : null);
    return json;
  }

  private static Map<String, Object> forecast(Forecast forecast) {
    Map<String, Object> json = new LinkedHashMap<>();
    List<Map<String, Object>> points = new ArrayList<>();
    for (Forecast.Point p : forecast.points()) {
      Map<String, Object> one = new LinkedHashMap<>();
      one.put("hours", p.time());
      one.put("value", p.value());
      one.put("low", p.low());
      one.put("high", p.high());
      points.add(one);
    }
    json.put("points", points);
    json.put("limit", forecast.limit().map(TrendJson::limit).orElse(null));
    return json;
  }

  private static Map<String, Object> limit(Forecast.Limit limit) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("limit", limit.limit());
    json.put("inHours", finite(limit.inHours()));
    json.put("earliestHours", finite(limit.earliestHours()));
    json.put("latestHours", finite(limit.latestHours()));
    return json;
  }

  private static Double finite(double hours) {
    return Double.isFinite(hours) ? hours : null;
  }
}

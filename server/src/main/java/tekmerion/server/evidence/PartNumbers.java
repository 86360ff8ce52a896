package tekmerion.server.evidence;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.DriveNumbers;
import tekmerion.core.drive.DriveNumbers.Number;
import tekmerion.core.drive.PartReading;
import tekmerion.core.trend.Cohort;
import tekmerion.core.trend.KaplanMeier;

/** The newest numbers of every drive, so that one can be set against others like it. */
@Service
public class PartNumbers {
  /** Only like with like: half to double the hours. */
  private static final double HOURS_EITHER_WAY = 2;

  private static final int MAX_OTHERS = 2_000;
  private static final int MAX_LIVES = 20_000;
  private final JdbcClient jdbc;

  PartNumbers(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** To be called when a drive was read; a later reading replaces an earlier one. */
  @Transactional
  public void note(long partId, PartReading reading, Instant takenAt) {
    Optional<DriveIdentity> identity = DriveIdentity.of(reading);
    Map<String, Number> numbers = DriveNumbers.of(reading);
    OptionalDouble hours = DriveNumbers.hours(numbers);
    if (identity.isEmpty() || numbers.isEmpty() || hours.isEmpty()) {
      return;
    }
    List<Object> values = new ArrayList<>();
    for (Number number : numbers.values()) {
      values.addAll(
          List.of(
              partId,
              number.key(),
              model(identity.get()),
              sort(identity.get()),
              hours.getAsDouble(),
              number.value(),
              Timestamp.from(takenAt)));
    }
    String rows =
        numbers.values().stream()
            .map(n -> "(?, ?, ?, ?, ?, ?, ?)")
            .collect(Collectors.joining(", "));
    jdbc.sql(
            "INSERT INTO part_number (part_id, attribute, model, sort, hours, value, taken_at) VALUES "
                + rows
                + " ON DUPLICATE KEY UPDATE"
                + " model = IF(VALUES(taken_at) >= taken_at, VALUES(model), model),"
                + " hours = IF(VALUES(taken_at) >= taken_at, VALUES(hours), hours),"
                + " value = IF(VALUES(taken_at) >= taken_at, VALUES(value), value),"
                + " taken_at = GREATEST(taken_at, VALUES(taken_at))")
        .params(values)
        .update();
  }

  /**
   * Where a drive stands in each of its numbers.
   *
   * @param among "model" or "sort": the model's own others if they are enough, else the sort's
   */
  public record Standing(String among, Cohort cohort) {}

  @Transactional(readOnly = true)
  public Map<String, Standing> standings(
      long partId, DriveIdentity identity, Map<String, Number> numbers, double hours) {
    Map<String, Standing> standings = new LinkedHashMap<>();
    add(standings, "model", model(identity), partId, numbers, hours);
    if (standings.isEmpty()) {
      add(standings, "sort", sort(identity), partId, numbers, hours);
    }
    return standings;
  }

  private void add(
      Map<String, Standing> standings,
      String column,
      String value,
      long partId,
      Map<String, Number> numbers,
      double hours) {
    record Other(String attribute, double value) {}
    Map<String, List<Double>> others =
        jdbc
            .sql(
                "SELECT attribute, value FROM part_number WHERE "
                    + (column.equals("model") ? "model" : "sort")
                    + " = ? AND attribute IN (%s) AND hours BETWEEN ? AND ? AND part_id <> ? LIMIT %d"
                        .formatted(
                            numbers.keySet().stream()
                                .map(k -> "?")
                                .collect(Collectors.joining(", ")),
                            MAX_OTHERS * numbers.size()))
            .params(params(value, numbers, hours, partId))
            .query((rs, n) -> new Other(rs.getString(1), rs.getDouble(2)))
            .list()
            .stream()
            .collect(
                Collectors.groupingBy(
                    Other::attribute, Collectors.mapping(Other::value, Collectors.toList())));
    for (Number number : numbers.values()) {
      double[] theirs =
          others.getOrDefault(number.key(), List.of()).stream()
              .mapToDouble(Double::doubleValue)
              .toArray();
      Cohort.of(number.value(), theirs)
          .ifPresent(cohort -> standings.put(number.key(), new Standing(column, cohort)));
    }
  }

  private static List<Object> params(
      String value, Map<String, Number> numbers, double hours, long partId) {
    List<Object> params = new ArrayList<>();
    params.add(value);
    params.addAll(numbers.keySet());
    params.add(hours / HOURS_EITHER_WAY);
    params.add(Math.max(1, hours) * HOURS_EITHER_WAY);
    params.add(partId);
    return params;
  }

  /** A drive failed if it was decided to be replaced; the others were last seen working. */
  @Transactional(readOnly = true)
  public List<KaplanMeier.Life> lives(DriveIdentity identity) {
    return lives(model(identity));
  }

  /** The same by the model's name. */
  @Transactional(readOnly = true)
  public List<KaplanMeier.Life> lives(String model) {
    return jdbc.sql(
            "SELECT n.hours, EXISTS (SELECT 1 FROM reading r JOIN decision u ON u.job_id = r.job_id"
                + " WHERE r.part_id = n.part_id AND u.courses LIKE '%REPLACE_PART%') AS failed"
                + " FROM part_number n WHERE n.model = ? AND n.attribute IN ('9', 'powerOnHours')"
                + " LIMIT "
                + MAX_LIVES)
        .param(model)
        .query((rs, n) -> new KaplanMeier.Life(rs.getDouble(1), rs.getBoolean(2)))
        .list();
  }

  private static String model(DriveIdentity identity) {
    String model = identity.model();
    return model.length() <= 80 ? model : model.substring(0, 80);
  }

  static String sort(DriveIdentity identity) {
    return identity.solidState().orElse(false) ? "FLASH" : "DISK";
  }
}

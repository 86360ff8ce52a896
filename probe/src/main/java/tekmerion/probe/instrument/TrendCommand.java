package tekmerion.probe.instrument;

import java.nio.file.Path;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import org.apache.commons.csv.CSVRecord;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tekmerion.core.drive.DriveNumbers;
import tekmerion.core.drive.ata.AttributeBook;
import tekmerion.core.trend.Trend;
import tekmerion.core.trend.TrendReading;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What a series of readings in a file does over time. The formats are in docs/formats.md. */
@Command(
    name = "trend",
    description = {
      "Trend of readings in a CSV file with the columns taken_at (ISO-8601), power_on_hours,"
          + " attribute, raw; optional serial, firmware. Prints one JSON object.",
      "Exit 0; 2 with an error object on standard error if the file cannot be read so."
    },
    mixinStandardHelpOptions = true)
public final class TrendCommand implements Callable<Integer> {
  private static final List<String> WANTED =
      List.of("taken_at", "power_on_hours", "attribute", "raw");
  private static final JsonMapper JSON = JsonMapper.builder().build();

  @Parameters(paramLabel = "FILE.csv")
  private Path file;

  @Option(names = "--limit", description = "Forecast when this value is reached.")
  private Double limit;

  @Option(
      names = "--kind",
      description =
          "counter or level; without it: by the attribute, else by whether it ever falls.")
  private String kind;

  private final List<Map<String, Object>> left = new ArrayList<>();

  @Override
  public Integer call() {
    if (kind != null && !List.of("counter", "level").contains(kind)) {
      throw BadInputException.of("--kind is neither", "counter or level", kind, null);
    }
    if (limit != null) {
      Input.within("--limit", limit, -Double.MAX_VALUE, Double.MAX_VALUE);
    }
    List<Map<String, Object>> all = new ArrayList<>();
    read().forEach((attribute, readings) -> all.add(json(attribute, readings)));
    Map<String, Object> object = new LinkedHashMap<>();
    if (all.size() == 1) {
      object.putAll(all.get(0));
    } else {
      object.put("series", all);
    }
    object.put("rowsLeftOut", left);
    System.out.println(
        JSON.writer().with(SerializationFeature.INDENT_OUTPUT).writeValueAsString(object));
    return 0;
  }

  private Map<String, Object> json(String attribute, List<TrendReading> readings) {
    Trend.Kind k = known(attribute).orElseGet(() -> Trend.Kind.guess(readings));
    if (kind != null) {
      k =
          switch (kind) {
            case "counter" -> Trend.Kind.COUNTER;
            case "level" -> Trend.Kind.LEVEL;
            default -> k;
          };
    }
    OptionalDouble to = limit == null ? OptionalDouble.empty() : OptionalDouble.of(limit);
    return TrendJson.of(attribute, readings, Trend.of(readings, k, to));
  }

  /** By the book of attributes; empty if only the course can tell. */
  private static Optional<Trend.Kind> known(String attribute) {
    return id(attribute).isEmpty()
        ? Optional.empty()
        : AttributeBook.shipped()
            .entry(id(attribute).getAsInt())
            .flatMap(e -> DriveNumbers.kind(e.course()));
  }

  private static OptionalInt id(String attribute) {
    return attribute.matches("\\d{1,3}")
        ? OptionalInt.of(Integer.parseInt(attribute))
        : OptionalInt.empty();
  }

  private Map<String, List<TrendReading>> read() {
    Map<String, List<TrendReading>> series = new LinkedHashMap<>();
    CsvFile.read(
        file,
        WANTED,
        (row, line) -> {
          if (row.get("raw").isEmpty()) {
            left.add(Map.of("line", line, "what", "no value: it was not reported"));
            return;
          }
          series
              .computeIfAbsent(row.get("attribute"), a -> new ArrayList<>())
              .add(reading(row, line));
        });
    if (series.isEmpty()) {
      throw BadInputException.atLine(
          "no row has a value",
          2,
          "a number in raw",
          "%d rows without".formatted(left.size()),
          file);
    }
    return series;
  }

  private TrendReading reading(CSVRecord row, long line) {
    String hours = row.get("power_on_hours");
    return new TrendReading(
        instant(row.get("taken_at"), line),
        hours.isEmpty()
            ? OptionalDouble.empty()
            : OptionalDouble.of(number(hours, "power_on_hours", line)),
        meaning(row.get("attribute"), number(row.get("raw"), "raw", line)),
        optional(row, "serial"),
        optional(row, "firmware"));
  }

  /** Makers pack several numbers into a raw value: what is followed is what it means. */
  private static double meaning(String attribute, double raw) {
    if (id(attribute).isEmpty() || raw != Math.rint(raw) || raw < 0 || raw >= 1L << 48) {
      return raw;
    }
    return AttributeBook.shipped()
        .meaningOf(id(attribute).getAsInt(), (long) raw)
        .map(m -> (double) m.value())
        .orElse(raw);
  }

  private static String optional(CSVRecord row, String column) {
    return row.isMapped(column) && row.isSet(column) ? row.get(column) : "";
  }

  private Instant instant(String text, long line) {
    try {
      return OffsetDateTime.parse(text).toInstant();
    } catch (DateTimeParseException e) {
      throw BadInputException.atLine(
          "taken_at is no time", line, "ISO-8601 with offset, as 2026-11-23T09:30:00Z", text, file);
    }
  }

  private double number(String text, String column, long line) {
    try {
      double number = Double.parseDouble(text);
      if (Double.isFinite(number)) {
        return number;
      }
    } catch (NumberFormatException e) {
      // Told below.
    }
    throw BadInputException.atLine(column + " is no number", line, "a finite number", text, file);
  }
}

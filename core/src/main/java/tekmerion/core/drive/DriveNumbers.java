package tekmerion.core.drive;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import tekmerion.core.drive.ata.AttributeBook;
import tekmerion.core.drive.ata.RawMeaning;
import tekmerion.core.drive.ata.SmartAttribute;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.drive.nvme.HealthField;
import tekmerion.core.drive.nvme.HealthLog;
import tekmerion.core.page.Decoding;
import tekmerion.core.port.PageKind;
import tekmerion.core.trend.Trend;

/** The numbers of one reading that can be followed over time, by a key that stays the same. */
public final class DriveNumbers {
  private DriveNumbers() {}

  /**
   * One number.
   *
   * @param key the attribute's ID, or the field's name
   * @param label what stands before the name on screen: the ID, or empty
   * @param kind how it goes over time; empty if only its course can tell
   * @param harm whether more of it is worse
   * @param rule by which the raw value was read; empty if it needed none
   * @param page wire name of the page it lies in
   * @param offset of its raw bytes in that page
   */
  public record Number(
      String key,
      String label,
      String name,
      double value,
      String unit,
      Optional<Trend.Kind> kind,
      boolean harm,
      String rule,
      String page,
      int offset,
      int length) {}

  /** In the order of the page; empty if there is no sound self-report. */
  public static Map<String, Number> of(PartReading reading) {
    Map<String, Number> numbers = new LinkedHashMap<>();
    for (Number number : list(reading)) {
      numbers.putIfAbsent(number.key(), number);
    }
    return Collections.unmodifiableMap(numbers);
  }

  /** Power-on hours; empty if not reported. */
  public static OptionalDouble hours(Map<String, Number> numbers) {
    Number hours = numbers.getOrDefault("9", numbers.get(HealthField.POWER_ON_HOURS.jsonName()));
    return hours == null ? OptionalDouble.empty() : OptionalDouble.of(hours.value());
  }

  private static List<Number> list(PartReading reading) {
    List<Number> numbers = new ArrayList<>();
    reading.smart().flatMap(Decoding::decoded).ifPresent(smart -> ata(smart, numbers));
    reading.sound(PageKind.NVME_SMART, HealthLog.class).ifPresent(log -> nvme(log, numbers));
    return numbers;
  }

  private static void ata(SmartData smart, List<Number> numbers) {
    AttributeBook book = AttributeBook.shipped();
    for (SmartAttribute a : smart.attributes()) {
      Optional<AttributeBook.Entry> known = book.entry(a.id());
      String name =
          known.map(AttributeBook.Entry::name).orElse(say("drive.attribute", "attribute", a.id()));
      book.meaningOf(a)
          .ifPresent(
              (RawMeaning m) ->
                  numbers.add(
                      new Number(
                          Integer.toString(a.id()),
                          Integer.toString(a.id()),
                          name,
                          m.value(),
                          m.unit().equals("count") ? "" : m.unit(),
                          known.flatMap(k -> kind(k.course())),
                          known.map(AttributeBook.Entry::harm).orElse(false),
                          m.rule().name(),
                          PageKind.ATA_SMART.wireName(),
                          a.offset() + 5,
                          6)));
    }
  }

  /** Empty: only its course can tell. */
  public static Optional<Trend.Kind> kind(AttributeBook.Course course) {
    return switch (course) {
      case COUNTER -> Optional.of(Trend.Kind.COUNTER);
      case LEVEL -> Optional.of(Trend.Kind.LEVEL);
      case EITHER -> Optional.empty();
    };
  }

  private record Followed(
      HealthField field, String name, String unit, Trend.Kind kind, boolean harm) {}

  private static Followed counter(HealthField field, String name, String unit, boolean harm) {
    return new Followed(field, name, unit, Trend.Kind.COUNTER, harm);
  }

  private static final List<Followed> NVME =
      List.of(
          counter(
              HealthField.MEDIA_AND_DATA_INTEGRITY_ERRORS,
              "drive.media-and-data-integrity-errors",
              "",
              true),
          new Followed(
              HealthField.AVAILABLE_SPARE, "drive.spare-left", "%", Trend.Kind.LEVEL, false),
          counter(HealthField.PERCENTAGE_USED, "drive.endurance-used", "%", false),
          counter(HealthField.UNSAFE_SHUTDOWNS, "drive.switched-off-without-notice", "", true),
          counter(HealthField.POWER_CYCLES, "drive.times-switched-on", "", false),
          counter(HealthField.POWER_ON_HOURS, "drive.power-on-time", "h", false),
          counter(HealthField.DATA_UNITS_WRITTEN, "drive.data-written", "× 512 kB", false));

  private static void nvme(HealthLog log, List<Number> numbers) {
    if (log.temperatureC().isPresent()) {
      numbers.add(
          number(
              HealthField.COMPOSITE_TEMPERATURE,
              "temperature",
              say("drive.temperature"),
              log.temperatureC().getAsInt(),
              "°C",
              Trend.Kind.LEVEL,
              false));
    }
    for (Followed f : NVME) {
      OptionalLong value = log.fields().number(f.field());
      if (value.isPresent()) {
        numbers.add(
            number(
                f.field(),
                f.field().jsonName(),
                say(f.name()),
                value.getAsLong(),
                f.unit(),
                f.kind(),
                f.harm()));
      }
    }
  }

  private static Number number(
      HealthField field,
      String key,
      String name,
      double value,
      String unit,
      Trend.Kind kind,
      boolean harm) {
    return new Number(
        key,
        "",
        name,
        value,
        unit,
        Optional.of(kind),
        harm,
        "",
        PageKind.NVME_SMART.wireName(),
        field.layout().offset(),
        field.layout().length());
  }
}

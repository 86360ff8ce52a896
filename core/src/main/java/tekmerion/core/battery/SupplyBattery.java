package tekmerion.core.battery;

import static tekmerion.words.Words.say;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.RawPage;

/** A battery as Linux tells of it: {@link SupplyText}. Charge-based or energy-based. */
public final class SupplyBattery {
  /** No portable machine has more; values beyond are mistakes of firmware. */
  private static final double MAX_AMOUNT = 1_000;

  /** Nor less, in Ah or Wh: a design capacity of 100 µAh is a unit that somebody mixed up. */
  private static final double MIN_CAPACITY = 0.05;

  private static final double MAX_VOLTS = 100;
  private static final double MAX_AMPERES = 100;
  private static final double TENTH = 0.1;

  private SupplyBattery() {}

  /** Never an exception for what the bytes are. */
  public static Decoding<BatteryReport> decode(RawPage raw) {
    return SupplyText.decode(raw, "a battery", List.of("Battery"), SupplyBattery::report);
  }

  private static BatteryReport report(SupplyText text) {
    if (text.text("SCOPE").filter("Device"::equals).isPresent()) {
      text.doubt(say("battery.of-a-device-beside-the-machine"));
    }
    if (text.text("PRESENT").filter("0"::equals).isPresent()) {
      text.doubt(say("battery.its-bay-is-empty"));
    }
    boolean energy = text.text("ENERGY_FULL").isPresent() || text.text("ENERGY_NOW").isPresent();
    String what = energy ? "ENERGY" : "CHARGE";
    Amount.Unit unit = energy ? Amount.Unit.WATT_HOURS : Amount.Unit.AMPERE_HOURS;
    Optional<Amount> design = amount(text, what + "_FULL_DESIGN", unit, true);
    Optional<Amount> full = amount(text, what + "_FULL", unit, true);
    OptionalDouble volts =
        text.number("VOLTAGE_NOW", SupplyText.MICRO, Double.MIN_VALUE, MAX_VOLTS);
    return new BatteryReport(
        text.text("MANUFACTURER"),
        text.text("MODEL_NAME"),
        text.text("SERIAL_NUMBER").filter(s -> !s.matches("0+")),
        text.text("TECHNOLOGY").filter(s -> !s.equals("Unknown")),
        made(text),
        design,
        full,
        amount(text, what + "_NOW", unit, false),
        cycles(text),
        volts,
        text.number("VOLTAGE_MIN_DESIGN", SupplyText.MICRO, Double.MIN_VALUE, MAX_VOLTS),
        amperes(text, volts),
        text.number("TEMP", TENTH, -40, 120),
        text.number("CAPACITY", 0.01, 0, 1),
        text.number("CAPACITY_ERROR_MARGIN", 0.01, 0, 1),
        minutes(text),
        text.number("CHARGE_CONTROL_END_THRESHOLD", 0.01, 0, 1),
        text.text("STATUS"),
        List.of(),
        text.text("HEALTH").filter(h -> !h.equals("Good") && !h.equals("Unknown")).stream()
            .toList(),
        text.doubts(),
        text.spans());
  }

  /** A capacity of nothing is a firmware that does not know it. */
  private static Optional<Amount> amount(
      SupplyText text, String name, Amount.Unit unit, boolean capacity) {
    OptionalDouble value =
        text.number(name, SupplyText.MICRO, capacity ? MIN_CAPACITY : 0, MAX_AMOUNT);
    return value.isPresent()
        ? Optional.of(new Amount(value.getAsDouble(), unit))
        : Optional.empty();
  }

  /** 0 is what drivers give when the pack does not count; -1 when they were not told. */
  private static OptionalLong cycles(SupplyText text) {
    OptionalLong cycles = text.whole("CYCLE_COUNT");
    return cycles.isPresent() && cycles.getAsLong() > 0 && cycles.getAsLong() < 0xFFFF
        ? cycles
        : OptionalLong.empty();
  }

  /** The kernel's finding is not uniform over drivers: the state says which way it flows. */
  private static OptionalDouble amperes(SupplyText text, OptionalDouble volts) {
    OptionalDouble current =
        text.number("CURRENT_NOW", SupplyText.MICRO, -MAX_AMPERES, MAX_AMPERES);
    if (current.isEmpty() && volts.isPresent()) {
      OptionalDouble watts =
          text.number(
              "POWER_NOW", SupplyText.MICRO, -MAX_AMPERES * MAX_VOLTS, MAX_AMPERES * MAX_VOLTS);
      current =
          watts.isPresent()
              ? OptionalDouble.of(watts.getAsDouble() / volts.getAsDouble())
              : OptionalDouble.empty();
    }
    if (current.isEmpty()) {
      return current;
    }
    double size = Math.abs(current.getAsDouble());
    return OptionalDouble.of(text.text("STATUS").orElse("").equals("Charging") ? -size : size);
  }

  /** As it goes now, else as it went on average; 0 is a driver that was not told. */
  private static OptionalLong minutes(SupplyText text) {
    for (String name : List.of("TIME_TO_EMPTY_NOW", "TIME_TO_EMPTY_AVG")) {
      OptionalLong seconds = text.whole(name);
      if (seconds.isPresent() && seconds.getAsLong() > 0) {
        return OptionalLong.of(seconds.getAsLong() / 60);
      }
    }
    return OptionalLong.empty();
  }

  private static Optional<LocalDate> made(SupplyText text) {
    OptionalLong year = text.whole("MANUFACTURE_YEAR");
    OptionalLong month = text.whole("MANUFACTURE_MONTH");
    OptionalLong day = text.whole("MANUFACTURE_DAY");
    if (year.isEmpty() || month.isEmpty() || day.isEmpty()) {
      return Optional.empty();
    }
    try {
      return Optional.of(
          LocalDate.of(
              Math.toIntExact(year.getAsLong()),
              Math.toIntExact(month.getAsLong()),
              Math.toIntExact(day.getAsLong())));
    } catch (DateTimeException | ArithmeticException e) {
      text.doubt(say("battery.made-on-no-date"));
      return Optional.empty();
    }
  }
}

package tekmerion.core.drive.ata;

import java.util.Map;
import java.util.Optional;

/**
 * Ways in which makers pack numbers into the 48 raw bits of an attribute. The standard leaves the
 * raw value to the vendor, so each rule is a convention with a plausibility check: a rule that
 * would give a value that cannot be true does not apply, and the next one is tried.
 */
public enum RawRule {
  /** All 48 bits are one count. */
  COUNT_48("count") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      return meaning(a.raw(), Map.of());
    }
  },
  /** The lower 32 bits are the count; what stands above them is kept as "upper". */
  COUNT_32("count") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      return meaning(a.rawBits(0, 32), upper(a.rawBits(32, 16)));
    }
  },
  /** The lower 16 bits are the count; the words above hold other counts of the same kind. */
  COUNT_16("count") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      return meaning(
          a.rawBits(0, 16), Map.of("word1", a.rawBits(16, 16), "word2", a.rawBits(32, 16)));
    }
  },
  /** All 48 bits are hours. */
  HOURS_48("h") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      return a.raw() <= MAX_HOURS ? meaning(a.raw(), Map.of()) : Optional.empty();
    }
  },
  /** Lower 32 bits hours; above them the minutes, seconds or milliseconds of the running hour. */
  HOURS_32_AND_PART("h") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      long hours = a.rawBits(0, 32);
      return hours <= MAX_HOURS ? meaning(hours, upper(a.rawBits(32, 16))) : Optional.empty();
    }
  },
  /** Lower 24 bits hours; above them the milliseconds of the running hour, up to 3,600,000. */
  HOURS_24_AND_MILLISECONDS("h") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      long hours = a.rawBits(0, 24);
      long milliseconds = a.rawBits(24, 24);
      return hours <= MAX_HOURS && milliseconds <= 3_600_000
          ? meaning(hours, Map.of("millisecondsOfHour", milliseconds))
          : Optional.empty();
    }
  },
  /** All 48 bits are minutes. */
  MINUTES_48("h") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      return a.raw() / 60 <= MAX_HOURS ? meaning(a.raw() / 60, Map.of()) : Optional.empty();
    }
  },
  /** Three words: temperature, lowest, highest, in this order or the last two swapped. */
  TEMPERATURE_MIN_MAX("°C") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      long now = (short) a.rawBits(0, 16);
      long one = (short) a.rawBits(16, 16);
      long other = (short) a.rawBits(32, 16);
      long lowest = Math.min(one, other);
      long highest = Math.max(one, other);
      boolean bothGiven = one != 0 || other != 0;
      return bothGiven && plausible(lowest) && plausible(highest) && lowest <= now && now <= highest
          ? meaning(now, Map.of("lowestC", lowest, "highestC", highest))
          : Optional.empty();
    }
  },
  /** The lowest byte is the temperature, signed; the rest is the maker's. */
  TEMPERATURE_LOW_BYTE("°C") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      long now = (byte) a.rawBits(0, 8);
      return plausible(now) ? meaning(now, Map.of()) : Optional.empty();
    }
  },
  /** Upper 16 bits errors, lower 32 bits operations, so that the whole is no error count at all. */
  ERRORS_OVER_OPERATIONS("errors") {
    @Override
    Optional<RawMeaning> read(SmartAttribute a) {
      return meaning(a.rawBits(32, 16), Map.of("operations", a.rawBits(0, 32)));
    }
  };

  /** 30 years: longer than any drive of these standards has existed. */
  private static final long MAX_HOURS = 30 * 8766;

  /** Storage limits of drives: non-operating from -40 °C; above 125 °C no electronics answer. */
  private static final long MIN_CELSIUS = -40;

  private static final long MAX_CELSIUS = 125;

  private final String unit;

  RawRule(String unit) {
    this.unit = unit;
  }

  /** What the raw value means by this rule; empty if that could not be true. */
  abstract Optional<RawMeaning> read(SmartAttribute attribute);

  Optional<RawMeaning> meaning(long value, Map<String, Long> also) {
    return Optional.of(new RawMeaning(value, unit, this, also));
  }

  private static Map<String, Long> upper(long value) {
    return value == 0 ? Map.of() : Map.of("upper", value);
  }

  private static boolean plausible(long celsius) {
    return celsius >= MIN_CELSIUS && celsius <= MAX_CELSIUS;
  }
}

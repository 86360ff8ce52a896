package tekmerion.core.battery;

import static tekmerion.words.Words.say;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a pack holds, in the unit in which it counts: never turned from one into the other, because
 * the voltage between them is not a constant.
 *
 * @param value finite, not negative
 */
public record Amount(double value, Unit unit) {
  /** A pack counts charge or energy. */
  public enum Unit {
    AMPERE_HOURS("Ah"),
    WATT_HOURS("Wh");

    private final String finding;

    Unit(String finding) {
      this.finding = finding;
    }

    public String finding() {
      return finding;
    }
  }

  /** A part of a whole, as a share; empty unless both are known, in one unit. */
  static OptionalDouble share(Optional<Amount> part, Optional<Amount> whole) {
    return part.isPresent()
            && whole.isPresent()
            && whole.get().value() > 0
            && whole.get().unit() == part.get().unit()
        ? OptionalDouble.of(part.get().value() / whole.get().value())
        : OptionalDouble.empty();
  }

  public Amount {
    if (!(value >= 0) || Double.isInfinite(value)) {
      throw new IllegalArgumentException("amount " + value);
    }
  }

  @Override
  public String toString() {
    return say("battery.amount", "n", value, "unit", unit.finding);
  }
}

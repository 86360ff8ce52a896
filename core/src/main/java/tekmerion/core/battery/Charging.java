package tekmerion.core.battery;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;
import tekmerion.core.port.BatterySample;

/**
 * What the charge side gives: the current into the pack at rest, and whether the pack has to help
 * when the machine works with the adapter in.
 *
 * @param intoAmperes median over the second half of the rest; empty without samples there
 * @param helpsAmperes out of the pack under load, negative while it is still charged; empty if that
 *     was not tried
 * @param verdict of the current at rest
 */
public record Charging(OptionalDouble intoAmperes, OptionalDouble helpsAmperes, Verdict verdict) {
  /**
   * Below this share of its design an hour a pack that is not near full charges slowly: judgement.
   */
  private static final double LOW_PER_HOUR = 0.15;

  /** Nothing but the noise of its sensor. */
  private static final double NONE_PER_HOUR = 0.02;

  /** From here on the current falls by itself: constant voltage. */
  private static final double NEAR_FULL = 0.85;

  /** Out of the pack under load, beyond the noise of its sensor. */
  private static final double HELPS = 0.1;

  /** How it charges. */
  public enum Verdict {
    NORMAL,
    LOW,
    NONE,
    /** It is too full, or its size is not known: a small current says nothing. */
    CANNOT_TELL
  }

  /**
   * @param rest with the adapter in, the machine idle
   * @param loaded with the adapter in, the machine at work; may be empty
   * @param designAh empty if not reported
   * @param level of its charge at the beginning, a share; empty if not reported
   */
  public static Charging of(
      List<BatterySample> rest,
      List<BatterySample> loaded,
      OptionalDouble designAh,
      OptionalDouble level) {
    OptionalDouble into = median(rest.subList(rest.size() / 2, rest.size()), -1);
    return new Charging(into, median(loaded, 1), verdict(into, designAh, level));
  }

  private static Verdict verdict(
      OptionalDouble into, OptionalDouble designAh, OptionalDouble level) {
    if (into.isEmpty()
        || designAh.isEmpty()
        || level.isEmpty()
        || level.getAsDouble() >= NEAR_FULL) {
      return Verdict.CANNOT_TELL;
    }
    double perHour = into.getAsDouble() / designAh.getAsDouble();
    return perHour <= NONE_PER_HOUR
        ? Verdict.NONE
        : perHour < LOW_PER_HOUR ? Verdict.LOW : Verdict.NORMAL;
  }

  private static OptionalDouble median(List<BatterySample> samples, int finding) {
    double[] sorted = samples.stream().mapToDouble(s -> finding * s.amperes()).sorted().toArray();
    return sorted.length == 0
        ? OptionalDouble.empty()
        : OptionalDouble.of(sorted[(sorted.length - 1) / 2]);
  }

  /** What it says of the causes that the know-how has; nothing where it cannot tell. */
  public List<Finding> findings() {
    List<Finding> findings = new ArrayList<>();
    if (verdict != Verdict.CANNOT_TELL) {
      findings.add(
          new Finding(
              "charge.current",
              Finding.MACHINE,
              switch (verdict) {
                case NORMAL -> "normal";
                case LOW -> "low";
                default -> "none";
              },
              say(
                  "battery.it-charges-with-a",
                  "intoAmperes",
                  Math.max(0, intoAmperes.orElseThrow())),
              Basis.run()));
    }
    helpsAmperes.ifPresent(
        helps ->
            findings.add(
                new Finding(
                    "adapter.voltage",
                    Finding.MACHINE,
                    helps > HELPS ? "sags" : "holds",
                    helps > HELPS
                        ? say("battery.under-load-the-battery-had-to", "helps", helps)
                        : say("battery.the-adapter-carries-the-load-alone"),
                    Basis.run())));
    return findings;
  }
}

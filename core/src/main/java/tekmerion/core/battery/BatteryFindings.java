package tekmerion.core.battery;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;
import tekmerion.core.page.FieldSpan;

/** What a pack's report, and a run on it, say about the causes that the know-how has. */
public final class BatteryFindings {
  /** End of life by convention at 80 % of design; the further step is the know-how's. */
  private static final double GOOD = 0.8;

  private static final double SPENT = 0.5;
  private static final long MANY_CYCLES = 500;

  /** By convention the resistance of a new pack doubles until its end. */
  private static final double DOUBLE = 2;

  /** How far a gauge may be off: the know-how's level. */
  private static final double GAUGE_OFF = 0.10;

  private BatteryFindings() {}

  /**
   * @param page wire name of the page that the report was decoded from
   * @param name of the pack at the beginning of a sentence: "The battery"
   */
  public static List<Finding> of(BatteryReport report, String page, String name) {
    List<Finding> findings = new ArrayList<>();
    report
        .health()
        .ifPresent(
            health ->
                findings.add(
                    new Finding(
                        "battery.health",
                        Finding.MACHINE,
                        level(health),
                        "%s holds %s of %s when full, %.0f %%"
                            .formatted(
                                name,
                                report.full().orElseThrow(),
                                report.design().orElseThrow(),
                                100 * health),
                        basis(report, page, "CHARGE_FULL", "ENERGY_FULL", "fullChargeCapacity"))));
    report
        .cycles()
        .ifPresent(
            cycles ->
                findings.add(
                    new Finding(
                        "battery.cycles",
                        Finding.MACHINE,
                        cycles >= MANY_CYCLES ? "many" : "few",
                        "%s counts %d cycles".formatted(name, cycles),
                        basis(report, page, "CYCLE_COUNT", "cycleCount"))));
    return findings;
  }

  private static Basis basis(BatteryReport report, String page, String... names) {
    for (String name : names) {
      Optional<FieldSpan> span = report.span(name);
      if (span.isPresent()) {
        return Basis.reading(page, span.get().offset(), span.get().length());
      }
    }
    return Basis.reading(page, 0, 0);
  }

  private static String level(double share) {
    return share >= GOOD ? "good" : share >= SPENT ? "worn" : "spent";
  }

  /**
   * Of a run. A range that lies across two levels tells the one that its value is in; the words
   * carry the range.
   *
   * @param health measured charge against design; empty if there is none to compare with
   * @param gaugeOff its own full charge against the measured one, as a share; empty if not known
   * @param resistanceTimes against a new pack; empty if not known
   * @param shutOff whether the machine went off under load above its cut-off
   */
  public static List<Finding> ofRun(
      Optional<Ranged> health,
      Optional<Double> gaugeOff,
      Optional<Ranged> resistanceTimes,
      boolean shutOff) {
    List<Finding> findings = new ArrayList<>();
    health.ifPresent(
        h ->
            findings.add(
                run(
                    "discharge.capacity",
                    level(h.value()),
                    "Measured: %.0f %% of its design (%.0f to %.0f)"
                        .formatted(100 * h.value(), 100 * h.low(), 100 * h.high()))));
    gaugeOff.ifPresent(
        off ->
            findings.add(
                run(
                    "discharge.gauge",
                    Math.abs(off) > GAUGE_OFF ? "off" : "agrees",
                    "Its gauge says %.0f %% %s than was measured"
                        .formatted(100 * Math.abs(off), off > 0 ? "more" : "less"))));
    if (shutOff) {
      findings.add(run("battery.resistance", "shut-off", "It shut off under load"));
    } else {
      resistanceTimes.ifPresent(
          r ->
              findings.add(
                  run(
                      "battery.resistance",
                      r.value() >= DOUBLE ? "high" : "normal",
                      "Its resistance is %.1f times that of a new one (%.1f to %.1f)"
                          .formatted(r.value(), r.low(), r.high()))));
    }
    return findings;
  }

  private static Finding run(String id, String level, String words) {
    return new Finding(id, Finding.MACHINE, level, words, Basis.run());
  }
}

package tekmerion.core.battery;

import static tekmerion.words.Words.say;

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
                        say(
                            "battery.holds-of-when-full",
                            "name",
                            name,
                            "full",
                            report.full().orElseThrow(),
                            "design",
                            report.design().orElseThrow(),
                            "health",
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
                        say("battery.counts-cycles", "name", name, "cycles", cycles),
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
                    say(
                        "battery.measured-of-its-design-to",
                        "h",
                        100 * h.value(),
                        "low",
                        100 * h.low(),
                        "high",
                        100 * h.high()))));
    gaugeOff.ifPresent(
        off ->
            findings.add(
                run(
                    "discharge.gauge",
                    Math.abs(off) > GAUGE_OFF ? "off" : "agrees",
                    say(
                        "battery.its-gauge-says-than-was-measured",
                        "off",
                        100 * Math.abs(off),
                        "off2",
                        off > 0 ? "more" : "less"))));
    if (shutOff) {
      findings.add(run("battery.resistance", "shut-off", say("battery.it-shut-off-under-load")));
    } else {
      resistanceTimes.ifPresent(
          r ->
              findings.add(
                  run(
                      "battery.resistance",
                      r.value() >= DOUBLE ? "high" : "normal",
                      say(
                          "battery.its-resistance-is-times-that-of",
                          "r",
                          r.value(),
                          "low",
                          r.low(),
                          "high",
                          r.high()))));
    }
    return findings;
  }

  private static Finding run(String id, String level, String words) {
    return new Finding(id, Finding.MACHINE, level, words, Basis.run());
  }
}

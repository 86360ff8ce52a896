package tekmerion.server.weighing;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import tekmerion.core.battery.BatteryFindings;
import tekmerion.core.battery.Charging;
import tekmerion.core.battery.Ranged;
import tekmerion.core.finding.Finding;
import tekmerion.core.load.LoadFindings;
import tekmerion.core.load.LoadInterval;
import tekmerion.core.memory.MemoryFindings;
import tekmerion.link.ChargeResult;
import tekmerion.link.DischargeResult;
import tekmerion.link.DischargeResult.MeasuredRange;
import tekmerion.link.LoadResult;
import tekmerion.link.MemoryTestResult;
import tekmerion.link.RunResult;
import tekmerion.words.Words;

/** Findings from a run on memory, battery or the machine at work. */
final class PartRunFindings {
  private PartRunFindings() {}

  /**
   * @param found null if the run found nothing out
   */
  static List<Finding> of(RunResult found) {
    if (found instanceof MemoryTestResult march) {
      return MemoryFindings.ofMarch(
              march.byBit(),
              march.stretches().size(),
              Words.read(march.where()),
              march.passes() > 0,
              march.coverage())
          .stream()
          .toList();
    }
    if (found instanceof DischargeResult discharge) {
      return of(discharge);
    }
    if (found instanceof ChargeResult charge) {
      return of(charge);
    }
    return found instanceof LoadResult load ? of(load) : List.of();
  }

  /** Only a run to the cut-off tells what is in it; its load steps tell anyhow. */
  private static List<Finding> of(DischargeResult of) {
    boolean whole = of.reachedCutOff() && of.chargeAh() != null;
    return BatteryFindings.ofRun(
        whole && of.designAh() != null
            ? Optional.of(ranged(of.chargeAh(), 1 / of.designAh()))
            : Optional.empty(),
        whole && of.gaugeFullAh() != null && of.gaugeLevel() != null
            ? Optional.of(of.gaugeFullAh() * of.gaugeLevel() / of.chargeAh().value() - 1)
            : Optional.empty(),
        of.resistanceOhm() != null && of.newOhm() != null
            ? Optional.of(ranged(of.resistanceOhm(), 1 / of.newOhm()))
            : Optional.empty(),
        false);
  }

  private static List<Finding> of(ChargeResult of) {
    return new Charging(
            optional(of.intoAmperes()),
            optional(of.helpsAmperes()),
            Charging.Verdict.valueOf(of.verdict().toUpperCase(Locale.ROOT).replace('-', '_')))
        .findings();
  }

  private static Ranged ranged(MeasuredRange of, double factor) {
    return new Ranged(of.value() * factor, of.low() * factor, of.high() * factor);
  }

  private static List<Finding> of(LoadResult of) {
    return LoadFindings.of(
        of.drives().entrySet().stream()
            .map(e -> Map.entry(e.getKey(), e.getValue().busy()))
            .max(Map.Entry.comparingByValue()),
        optional(of.memoryLeft()),
        optional(of.swappedPerSecond()),
        of.programs().stream()
            .findFirst()
            .map(p -> new LoadInterval.Program(p.name(), p.cpu(), optional(p.bytesPerSecond()))),
        Optional.ofNullable(of.latenessMicros()).map(l -> l.get(2)));
  }

  private static OptionalDouble optional(Double of) {
    return of == null ? OptionalDouble.empty() : OptionalDouble.of(of);
  }
}

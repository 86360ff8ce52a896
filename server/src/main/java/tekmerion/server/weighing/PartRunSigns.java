package tekmerion.server.weighing;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import tekmerion.core.battery.BatterySigns;
import tekmerion.core.battery.Charging;
import tekmerion.core.battery.Ranged;
import tekmerion.core.load.LoadInterval;
import tekmerion.core.load.LoadSigns;
import tekmerion.core.memory.MemorySigns;
import tekmerion.core.sign.Sign;
import tekmerion.link.PartFinding;
import tekmerion.link.PartFinding.ChargeFinding;
import tekmerion.link.PartFinding.DischargeFinding;
import tekmerion.link.PartFinding.DischargeFinding.MeasuredRange;
import tekmerion.link.PartFinding.LoadFinding;
import tekmerion.link.PartFinding.MarchFinding;

/** Signs from a run on memory, battery or the machine at work. */
final class PartRunSigns {
  private PartRunSigns() {}

  /**
   * @param found null if the run found nothing out
   */
  static List<Sign> of(PartFinding found) {
    if (found instanceof MarchFinding march) {
      return MemorySigns.ofMarch(
              march.byBit(),
              march.stretches().size(),
              march.where(),
              march.passes() > 0,
              march.coverage())
          .stream()
          .toList();
    }
    if (found instanceof DischargeFinding discharge) {
      return of(discharge);
    }
    if (found instanceof ChargeFinding charge) {
      return of(charge);
    }
    return found instanceof LoadFinding load ? of(load) : List.of();
  }

  /** Only a run to the cut-off tells what is in it; its load steps tell anyhow. */
  private static List<Sign> of(DischargeFinding of) {
    boolean whole = of.reachedCutOff() && of.chargeAh() != null;
    return BatterySigns.ofRun(
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

  private static List<Sign> of(ChargeFinding of) {
    return new Charging(
            optional(of.intoAmperes()),
            optional(of.helpsAmperes()),
            Charging.Verdict.valueOf(of.verdict().toUpperCase(Locale.ROOT).replace('-', '_')))
        .signs();
  }

  private static Ranged ranged(MeasuredRange of, double factor) {
    return new Ranged(of.value() * factor, of.low() * factor, of.high() * factor);
  }

  private static List<Sign> of(LoadFinding of) {
    return LoadSigns.of(
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

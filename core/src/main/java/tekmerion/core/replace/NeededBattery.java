package tekmerion.core.replace;

import java.util.Locale;
import java.util.Optional;
import tekmerion.core.battery.BatteryReport;

/**
 * The battery that takes an old one's place: of the same model. Packs of one voltage and capacity
 * have other shapes, plugs and gauges.
 */
public record NeededBattery(Optional<String> model, String oldWords) implements NeededPart {
  public static NeededBattery of(BatteryReport old) {
    return new NeededBattery(old.model(), old.words());
  }

  @Override
  public String words() {
    return "A battery, " + oldWords;
  }

  @Override
  public Optional<String> misfit(InStock part) {
    if (!part.kind().equals("battery")) {
      return Optional.of("it is no battery");
    }
    if (model.isEmpty()) {
      return Optional.of("the old one does not report its model: look at its label");
    }
    return part.model().toLowerCase(Locale.ROOT).contains(model.get().toLowerCase(Locale.ROOT))
        ? Optional.empty()
        : Optional.of("it is for another model, %s is needed".formatted(model.get()));
  }
}

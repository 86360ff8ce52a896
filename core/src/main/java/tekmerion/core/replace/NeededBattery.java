package tekmerion.core.replace;

import static tekmerion.words.Words.say;

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
    return say("replace.a-battery", "oldWords", oldWords);
  }

  @Override
  public Optional<String> misfit(InStock part) {
    if (!part.kind().equals("battery")) {
      return Optional.of(say("replace.it-is-no-battery"));
    }
    if (model.isEmpty()) {
      return Optional.of(say("replace.the-old-one-does-not-report"));
    }
    return part.model().toLowerCase(Locale.ROOT).contains(model.get().toLowerCase(Locale.ROOT))
        ? Optional.empty()
        : Optional.of(say("replace.it-is-for-another-model-is", "model", model.get()));
  }
}

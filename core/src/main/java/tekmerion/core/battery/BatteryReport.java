package tekmerion.core.battery;

import static tekmerion.core.page.OrNull.orNull;
import static tekmerion.words.Words.say;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.FieldSpan;

/**
 * What a pack reports about itself, however it was asked. What it does not report is empty, never
 * zero; what it reports but cannot be is empty too and stands among the doubts.
 *
 * @param design what it held when it was new
 * @param full what it holds by its own gauge when full
 * @param left what is in it now
 * @param volts at its terminals
 * @param amperes out of it: positive while it discharges
 * @param gauge its own level, as a share
 * @param gaugeError its own guess at how far the level is off, as a share
 * @param minutesLeft by its own reckoning
 * @param chargeLimit where the machine stops charging it, as a share; empty if it tells none
 * @param state as the interface words it
 * @param flags what else its status says, as the specification names it
 * @param alarms that are raised
 * @param doubts what was reported and cannot be, a sentence each
 */
public record BatteryReport(
    Optional<String> maker,
    Optional<String> model,
    Optional<String> serial,
    Optional<String> chemistry,
    Optional<LocalDate> made,
    Optional<Amount> design,
    Optional<Amount> full,
    Optional<Amount> left,
    OptionalLong cycles,
    OptionalDouble volts,
    OptionalDouble designVolts,
    OptionalDouble amperes,
    OptionalDouble celsius,
    OptionalDouble gauge,
    OptionalDouble gaugeError,
    OptionalLong minutesLeft,
    OptionalDouble chargeLimit,
    Optional<String> state,
    List<String> flags,
    List<String> alarms,
    List<String> doubts,
    List<FieldSpan> spans)
    implements DecodedPage {
  public BatteryReport {
    flags = List.copyOf(flags);
    alarms = List.copyOf(alarms);
    doubts = List.copyOf(doubts);
    spans = List.copyOf(spans);
  }

  /** Full against design, as a share; empty unless both are reported in one unit. */
  public OptionalDouble health() {
    return Amount.share(full, design);
  }

  /** Bytes that a field came from. */
  public Optional<FieldSpan> span(String name) {
    return spans.stream().filter(s -> s.name().equals(name)).findFirst();
  }

  /** What to buy in its place: "57.0 Wh, 11.4 V, model PM-3". */
  public String words() {
    return "%s, %s, %s"
        .formatted(
            design.map(Amount::toString).orElse(say("battery.capacity-not-reported")),
            designVolts.isPresent()
                ? String.format(Locale.ROOT, "%.1f V", designVolts.getAsDouble())
                : say("battery.voltage-not-reported"),
            model
                .map(m -> say("battery.model", "model", m))
                .orElse(say("battery.model-not-reported")));
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("maker", maker.orElse(null));
    json.put("model", model.orElse(null));
    json.put("serial", serial.orElse(null));
    json.put("chemistry", chemistry.orElse(null));
    json.put("made", made.map(LocalDate::toString).orElse(null));
    json.put(
        "unit", design.or(() -> full).or(() -> left).map(a -> a.unit().finding()).orElse(null));
    json.put("design", design.map(Amount::value).orElse(null));
    json.put("full", full.map(Amount::value).orElse(null));
    json.put("left", left.map(Amount::value).orElse(null));
    json.put("health", orNull(health()));
    json.put("cycles", cycles.isPresent() ? cycles.getAsLong() : null);
    json.put("volts", orNull(volts));
    json.put("designVolts", orNull(designVolts));
    json.put("amperesOut", orNull(amperes));
    json.put("celsius", orNull(celsius));
    json.put("gauge", orNull(gauge));
    json.put("gaugeError", orNull(gaugeError));
    json.put("minutesLeft", minutesLeft.isPresent() ? minutesLeft.getAsLong() : null);
    json.put("chargeLimit", orNull(chargeLimit));
    json.put("state", state.orElse(null));
    json.put("flags", flags);
    json.put("alarms", alarms);
    json.put("doubts", doubts);
    return json;
  }
}

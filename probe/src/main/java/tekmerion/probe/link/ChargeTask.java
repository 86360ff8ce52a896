package tekmerion.probe.link;

import static tekmerion.core.page.OrNull.orNull;
import static tekmerion.words.Words.say;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tekmerion.core.battery.Charging;
import tekmerion.core.port.BatterySample;
import tekmerion.core.port.ChargeSource;
import tekmerion.core.port.DischargeSource.Before;
import tekmerion.core.port.DischargeSource.Look;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.ChargeResult;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.RunResult;

/** Watches a battery charge: a quarter of an hour at rest, then three minutes under load. */
final class ChargeTask extends PartTask {
  private static final int REST_LOOKS = 180;
  private static final int LOADED_LOOKS = 36;
  private static final int TELL_EVERY = 6;

  private final MachineUnderTest.ChargeOpener opener;
  private final List<BatterySample> rest = new ArrayList<>();
  private final List<BatterySample> loaded = new ArrayList<>();

  ChargeTask(Job job, MachineUnderTest.ChargeOpener opener) {
    super(job);
    this.opener = opener;
  }

  @Override
  Outcome carryOut() throws InterruptedException {
    try (ChargeSource source = opener.open()) {
      Before before = source.before();
      if (before.unsafe().isPresent()) {
        return new Outcome(End.STOPPED_BY_RULE, before.unsafe().get(), null);
      }
      if (!before.plugged()) {
        return new Outcome(End.COULD_NOT_RUN, say("probe.the-adapter-is-not-in"), null);
      }
      for (int i = 0; i < REST_LOOKS + LOADED_LOOKS && !isStopped(); i++) {
        if (i == REST_LOOKS) {
          source.load(true);
        }
        Look look = source.next();
        if (look instanceof Look.Over over) {
          return new Outcome(End.COULD_NOT_RUN, over.why(), found(before).orElse(null));
        }
        if (look instanceof Look.Sample heard) {
          (i < REST_LOOKS ? rest : loaded).add(heard.sample());
        }
        if (i % TELL_EVERY == 0) {
          tell((double) i / (REST_LOOKS + LOADED_LOOKS), found(before).orElse(null));
        }
      }
      return isStopped()
          ? new Outcome(
              End.CANCELLED, say("probe.ended-by-a-technician"), found(before).orElse(null))
          : found(before)
              .map(note -> new Outcome(End.COMPLETE, "", note))
              .orElse(new Outcome(End.COULD_NOT_RUN, say("probe.the-battery-was-not-heard"), null));
    } catch (IOException e) {
      return new Outcome(End.COULD_NOT_RUN, e.getMessage(), null);
    }
  }

  /** Empty until something was heard. */
  private Optional<RunResult> found(Before before) {
    if (rest.isEmpty()) {
      return Optional.empty();
    }
    Charging charging = Charging.of(rest, loaded, before.designAh(), before.gaugeLevel());
    List<List<Double>> points = new ArrayList<>();
    rest.forEach(s -> points.add(point(s)));
    loaded.forEach(s -> points.add(point(s)));
    return Optional.of(
        new ChargeResult(
            points,
            rest.size(),
            orNull(charging.intoAmperes()),
            orNull(charging.helpsAmperes()),
            charging.verdict().name().toLowerCase(Locale.ROOT).replace('_', '-'),
            orNull(before.designAh()),
            orNull(before.gaugeLevel())));
  }

  private static List<Double> point(BatterySample s) {
    return Arrays.asList(s.seconds(), s.volts(), s.amperes(), orNull(s.celsius()));
  }
}

package tekmerion.probe.link;

import static tekmerion.core.page.OrNull.orNull;
import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.UUID;
import tekmerion.core.battery.Discharge;
import tekmerion.core.battery.Ranged;
import tekmerion.core.battery.Sensor;
import tekmerion.core.port.BatterySample;
import tekmerion.core.port.DischargeSource;
import tekmerion.core.port.DischargeSource.Before;
import tekmerion.core.port.DischargeSource.Look;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.DischargeResult;
import tekmerion.link.LinkEvent.End;

/**
 * Runs a battery down. A real machine goes off at the end of it, and the probe with it: every look
 * is kept in a file at once, so that the run is told whole when the machine is on again.
 */
final class DischargeTask extends PartTask {
  private static final long TELL_NANOS = 1_000_000_000L;
  private static final int MAX_POINTS = 600;

  /** So long without a word the pack is not heard any more. */
  private static final int MAX_MISSED = 60;

  /** A whole pack warmer than this is not loaded any longer: judgement, makers say 60 °C. */
  private static final double TOO_WARM = 60;

  private final MachineUnderTest.DischargeOpener opener;
  private final Path file;
  private final List<BatterySample> samples = new ArrayList<>();
  private long toldAt;

  DischargeTask(Job job, MachineUnderTest.DischargeOpener opener, Path folder) {
    super(job);
    this.opener = opener;
    this.file = file(folder, job.command().requestId());
  }

  private static Path file(Path folder, UUID requestId) {
    return folder.resolve(requestId + ".samples");
  }

  @Override
  Outcome carryOut() throws InterruptedException {
    try {
      if (Files.exists(file)) {
        return afterwards();
      }
      try (DischargeSource source = opener.open()) {
        return discharge(source);
      }
    } catch (IOException e) {
      return new Outcome(End.COULD_NOT_RUN, e.getMessage(), null);
    }
  }

  /** The machine went off while it ran, and is on again. */
  private Outcome afterwards() throws IOException {
    Before before;
    try (DischargeSource source = opener.open()) {
      before = source.before();
    }
    for (String line : Files.readAllLines(file)) {
      String[] parts = line.split(",", -1);
      if (parts.length == 4) { // the last line may be cut off
        samples.add(
            new BatterySample(
                Double.parseDouble(parts[0]),
                Double.parseDouble(parts[1]),
                Double.parseDouble(parts[2]),
                parts[3].isEmpty()
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(Double.parseDouble(parts[3]))));
      }
    }
    if (samples.size() < 2) {
      return new Outcome(End.COULD_NOT_RUN, say("probe.the-machine-went-off-too-soon"), null);
    }
    return new Outcome(
        End.COMPLETE, say("probe.the-machine-went-off-at-the-end"), note(before, true));
  }

  private Outcome discharge(DischargeSource source) throws InterruptedException, IOException {
    Before before = source.before();
    if (before.unsafe().isPresent()) {
      return new Outcome(End.STOPPED_BY_RULE, before.unsafe().get(), null);
    }
    if (before.plugged()) {
      return new Outcome(End.COULD_NOT_RUN, say("probe.the-adapter-is-in"), null);
    }
    int missed = 0;
    while (!isStopped()) {
      Look look = source.next();
      if (look instanceof Look.Over over) {
        return samples.size() < 2
            ? new Outcome(End.COULD_NOT_RUN, over.why(), null)
            : new Outcome(
                over.atCutOff() ? End.COMPLETE : End.COULD_NOT_RUN,
                over.atCutOff() ? "" : over.why(),
                note(before, over.atCutOff()));
      }
      if (look instanceof Look.Sample heard) {
        missed = 0;
        keep(heard.sample());
        if (heard.sample().celsius().orElse(0) > TOO_WARM) {
          return new Outcome(
              End.STOPPED_BY_RULE,
              say("probe.the-pack-is-warm", "celsius", heard.sample().celsius().getAsDouble()),
              note(before, false));
        }
        told(before);
      } else if (++missed > MAX_MISSED) {
        return new Outcome(
            End.COULD_NOT_RUN,
            say("probe.the-battery-is-not-heard-any-more"),
            samples.size() < 2 ? null : note(before, false));
      }
    }
    return new Outcome(
        End.CANCELLED,
        say("probe.ended-by-a-technician"),
        samples.size() < 2 ? null : note(before, false));
  }

  private void keep(BatterySample sample) {
    samples.add(sample);
    String celsius =
        sample.celsius().isPresent() ? String.valueOf(sample.celsius().getAsDouble()) : "";
    String line =
        "%s,%s,%s,%s\n".formatted(sample.seconds(), sample.volts(), sample.amperes(), celsius);
    try {
      Files.writeString(
          file,
          line,
          StandardOpenOption.CREATE,
          StandardOpenOption.APPEND,
          StandardOpenOption.DSYNC);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** How far: by the charge that was drawn, of what its own gauge says was in it. */
  private void told(Before before) {
    long now = System.nanoTime();
    if (now - toldAt < TELL_NANOS || samples.size() < 2) {
      return;
    }
    toldAt = now;
    DischargeResult note = note(before, false);
    double full = before.gaugeFullAh().orElse(before.designAh().orElse(Double.NaN));
    double inIt = full * before.gaugeLevel().orElse(1);
    tell(inIt > 0 ? Math.min(0.99, note.chargeAh().value() / inIt) : 0, note);
  }

  private DischargeResult note(Before before, boolean atCutOff) {
    double last = samples.get(samples.size() - 1).volts();
    Discharge.Result result =
        Discharge.of(samples, atCutOff ? last : Double.NEGATIVE_INFINITY, Sensor.USUAL);
    return new DischargeResult(
        points(),
        result.seconds(),
        range(result.chargeAh()),
        range(result.energyWh()),
        result.resistanceOhm().map(DischargeTask::range).orElse(null),
        result.steps(),
        result.gaps(),
        result.secondsInGaps(),
        atCutOff,
        orNull(before.designAh()),
        orNull(before.gaugeFullAh()),
        orNull(before.gaugeLevel()),
        orNull(before.newOhm()),
        orNull(result.warmedCelsius()));
  }

  private List<List<Double>> points() {
    int every = Math.max(1, (samples.size() + MAX_POINTS - 1) / MAX_POINTS);
    List<List<Double>> points = new ArrayList<>();
    for (int i = 0; i < samples.size(); i += every) {
      BatterySample s = samples.get(i);
      points.add(Arrays.asList(s.seconds(), s.volts(), s.amperes(), orNull(s.celsius())));
    }
    return points;
  }

  private static DischargeResult.MeasuredRange range(Ranged of) {
    return new DischargeResult.MeasuredRange(of.value(), of.low(), of.high());
  }

  /** What was kept is in the outbox now. */
  static void forget(Path folder, UUID requestId) throws IOException {
    Files.deleteIfExists(file(folder, requestId));
  }
}

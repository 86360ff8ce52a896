package tekmerion.sim;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Supplier;
import tekmerion.core.port.SelfTests;
import tekmerion.sim.AtaLogPages.Test;

/**
 * The tests that a drive does by itself, and its memory of them. A test reads on until it meets a
 * sector that cannot be read; an extended one reads everything, a short one a little everywhere.
 */
final class SimSelfTests implements SelfTests {
  private static final double EXTENDED_MINUTES = 156;
  private static final double SHORT_MINUTES = 2;
  private static final double CONVEYANCE_MINUTES = 5;
  private static final int PASSED = 0x00;
  private static final int ABORTED = 0x10;
  private static final int READ_FAILED = 0x70;
  private static final int RUNS = 0xF0;

  private final Clock clock;
  private final double speedUp;
  private final Supplier<OptionalLong> firstBad;
  private final long sectors;
  private final Supplier<Double> hours;
  private final List<Test> done = new ArrayList<>();
  private Kind running;
  private Instant began;

  SimSelfTests(
      Clock clock,
      double speedUp,
      long sectors,
      Supplier<OptionalLong> firstBad,
      Supplier<Double> hours) {
    this.clock = clock;
    this.speedUp = Math.max(1, speedUp);
    this.sectors = sectors;
    this.firstBad = firstBad;
    this.hours = hours;
  }

  /** What it remembers from before the simulation began. */
  void remember(int subcommand, int status, long atHours, long failingSector) {
    done.add(new Test(subcommand, status, atHours, failingSector));
  }

  @Override
  public synchronized Optional<String> start(Kind kind) {
    settle();
    if (running != null) {
      return Optional.of("a self-test is running already");
    }
    running = kind;
    began = clock.instant();
    return Optional.empty();
  }

  @Override
  public synchronized Optional<String> abort() {
    settle();
    if (running != null) {
      finish(ABORTED, -1);
    }
    return Optional.empty();
  }

  @Override
  public synchronized Optional<Integer> percentDone() {
    settle();
    return running == null ? Optional.empty() : Optional.of((int) (100 * Math.min(1, share())));
  }

  /** Byte 363 of SMART READ DATA. */
  synchronized int statusByte() {
    settle();
    if (running != null) {
      return RUNS | (int) Math.min(9, Math.ceil(10 * (1 - share())));
    }
    return done.isEmpty() ? PASSED : done.get(done.size() - 1).status();
  }

  synchronized List<Test> log() {
    settle();
    return List.copyOf(done);
  }

  private double share() {
    double minutes = Duration.between(began, clock.instant()).toMillis() / 60_000.0 * speedUp;
    return minutes / minutes(running);
  }

  private void settle() {
    if (running == null) {
      return;
    }
    OptionalLong bad = firstBad.get();
    double failsAt =
        bad.isEmpty() ? 2 : running == Kind.EXTENDED ? (double) bad.getAsLong() / sectors : 0.9;
    if (share() >= Math.min(1, failsAt)) {
      finish(failsAt <= 1 ? READ_FAILED : PASSED, failsAt <= 1 ? bad.getAsLong() : -1);
    }
  }

  private void finish(int status, long failingSector) {
    done.add(new Test(running.ordinal() + 1, status, hours.get().longValue(), failingSector));
    running = null;
  }

  private static double minutes(Kind kind) {
    return switch (kind) {
      case SHORT -> SHORT_MINUTES;
      case EXTENDED -> EXTENDED_MINUTES;
      case CONVEYANCE -> CONVEYANCE_MINUTES;
    };
  }
}

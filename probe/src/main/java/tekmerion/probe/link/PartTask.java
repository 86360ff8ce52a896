package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.logging.Level;
import java.util.logging.Logger;
import tekmerion.core.port.ReadEndedException;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.RunResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;

/** A run that is neither a surface scan nor a self-test. */
abstract class PartTask implements RunHost.Running, Runnable {
  private static final Logger LOG = Logger.getLogger(PartTask.class.getName());

  private final Job job;
  private final Instant since;
  private volatile boolean stopped;

  /**
   * What it was asked, and whom it tells.
   *
   * @param began when it was begun for the first time
   * @param ended told once, at the end
   * @param left told instead if it was paused
   * @param waits told instead if its drive is gone for now
   * @param which the drive that is there at a moment; empty if it does not tell, or is none
   */
  record Job(
      ToProbe.StartRun command,
      Clock clock,
      Instant began,
      Consumer<ToServer> tell,
      Consumer<LinkEvent> ended,
      Runnable left,
      Consumer<Outcome> waits,
      Supplier<Optional<DriveSeen>> which) {}

  /** What came of it; the note is null if nothing was found out. */
  record Outcome(End end, String why, RunResult note) {
    /** It waits, and goes on from here when it is asked for again. */
    static final Outcome PAUSED = new Outcome(null, "", null);

    /** It goes on from here when the same drive is back. */
    static Outcome gone(String why, RunResult note) {
      return new Outcome(null, why, note);
    }
  }

  PartTask(Job job) {
    this.job = job;
    this.since = job.clock().instant();
  }

  /** Until its end, or until {@link #isStopped}. */
  abstract Outcome carryOut() throws InterruptedException;

  final boolean isStopped() {
    return stopped;
  }

  final ToProbe.StartRun command() {
    return job.command();
  }

  /** What cannot be left and gone on with later is not paused, only ended. */
  @Override
  public void stop(boolean pause) {
    if (!pause) {
      stopped = true;
    }
  }

  /** Tells how far it is; the end is foretold from how long the share took until now. */
  final void tell(double share, RunResult note) {
    double spent = Duration.between(since, job.clock().instant()).toMillis() / 1000.0;
    boolean known = share > 0.02 && share <= 1;
    double left = known ? spent / share * (1 - share) : -1;
    tell(share, left, known ? 0.15 * left : 0, note);
  }

  /**
   * @param secondsLeft negative while the end is not known
   */
  final void tell(double share, double secondsLeft, double secondsSpread, RunResult note) {
    job.tell()
        .accept(
            ToServer.RunProgress.of(
                command().requestId(), share, secondsLeft, secondsSpread, -1, note));
  }

  @Override
  public void run() {
    Outcome outcome;
    Optional<DriveSeen> before = which();
    try {
      outcome = carryOut();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return;
    } catch (ReadEndedException e) {
      outcome =
          new Outcome(
              End.COULD_NOT_RUN, say("probe.it-could-not-be-read-on", "why", Why.of(e)), null);
    } catch (RuntimeException e) {
      LOG.log(Level.SEVERE, command().run() + " " + command().requestId(), e);
      outcome =
          new Outcome(End.COULD_NOT_RUN, say("probe.the-probe-failed", "why", Why.of(e)), null);
    }
    if (outcome == Outcome.PAUSED) {
      job.left().run();
      return;
    }
    if (outcome.end() == null) {
      job.waits().accept(outcome);
      return;
    }
    job.ended().accept(ended(outcome, before.equals(which()) ? before.orElse(null) : null));
  }

  /**
   * @param drive of which it found that; null if another one is there by now
   */
  final LinkEvent.RunEnded ended(Outcome outcome, DriveSeen drive) {
    return new LinkEvent.RunEnded(
        command().requestId(),
        command().partKey(),
        command().run(),
        job.began(),
        job.clock().instant(),
        outcome.end(),
        outcome.why(),
        outcome.note(),
        drive);
  }

  /** Empty also if it cannot be asked: what was found is then of no drive. */
  private Optional<DriveSeen> which() {
    try {
      return job.which().get();
    } catch (RuntimeException e) {
      LOG.log(Level.WARNING, "which drive it is, for " + command().requestId(), e);
      return Optional.empty();
    }
  }
}

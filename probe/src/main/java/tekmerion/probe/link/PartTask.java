package tekmerion.probe.link;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.function.Consumer;
import java.util.logging.Level;
import java.util.logging.Logger;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.PartFinding;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;

/** A run on what a machine has one of: its memory, its battery, itself at work. */
abstract class PartTask implements RunHost.Running, Runnable {
  private static final Logger LOG = Logger.getLogger(PartTask.class.getName());

  private final Job job;
  private final Instant began;
  private volatile boolean stopped;

  /**
   * What it was asked, and whom it tells.
   *
   * @param ended told once, at the end
   */
  record Job(
      ToProbe.StartRun command, Clock clock, Consumer<ToServer> tell, Consumer<LinkEvent> ended) {}

  /** What came of it; the note is null if nothing was found out. */
  record Outcome(End end, String why, PartFinding note) {}

  PartTask(Job job) {
    this.job = job;
    this.began = job.clock().instant();
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
  final void tell(double share, PartFinding note) {
    double spent = Duration.between(began, job.clock().instant()).toMillis() / 1000.0;
    boolean known = share > 0.02 && share <= 1;
    double left = known ? spent / share * (1 - share) : -1;
    job.tell()
        .accept(
            new ToServer.RunProgress(
                command().requestId(),
                Math.min(1, Math.max(0, share)),
                left,
                known ? 0.15 * left : 0,
                -1,
                null,
                note));
  }

  @Override
  public void run() {
    Outcome outcome;
    try {
      outcome = carryOut();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return;
    } catch (RuntimeException e) {
      LOG.log(Level.SEVERE, command().run() + " " + command().requestId(), e);
      outcome = new Outcome(End.COULD_NOT_RUN, "the probe failed: " + e.getMessage(), null);
    }
    job.ended()
        .accept(
            new LinkEvent.RunEnded(
                command().requestId(),
                command().driveKey(),
                command().run(),
                began,
                job.clock().instant(),
                outcome.end(),
                outcome.why(),
                null,
                null,
                outcome.note()));
  }
}

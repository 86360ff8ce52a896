package tekmerion.probe.link;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.logging.Level;
import java.util.logging.Logger;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.DriveSeen;

/** A run whose drive went away: looks every second whether the same one is back. */
final class AwaitedDrive implements RunHost.Running, Runnable {
  private static final Logger LOG = Logger.getLogger(AwaitedDrive.class.getName());
  private static final long LOOK_MS = 1_000;

  private final DriveSeen wanted;
  private final Supplier<Optional<MachineUnderTest.Drive>> there;
  private final Runnable whenOver;
  private final Consumer<MachineUnderTest.Drive> back;
  private final Runnable ended;
  private boolean over;

  /**
   * @param there the drive that is called so now; empty if none is
   * @param back told once, of the drive that was waited for
   * @param whenOver told in any case when it waits no more, before the others
   * @param ended told if somebody ends the run meanwhile
   */
  AwaitedDrive(
      DriveSeen wanted,
      Supplier<Optional<MachineUnderTest.Drive>> there,
      Runnable whenOver,
      Consumer<MachineUnderTest.Drive> back,
      Runnable ended) {
    this.wanted = wanted;
    this.there = there;
    this.whenOver = whenOver;
    this.back = back;
    this.ended = ended;
  }

  /** A paused one is asked for again when it is to go on: then it waits anew. */
  @Override
  public void stop(boolean pause) {
    if (isFirst()) {
      whenOver.run();
      if (!pause) {
        ended.run();
      }
    }
  }

  private synchronized boolean isFirst() {
    boolean first = !over;
    over = true;
    return first;
  }

  private synchronized boolean isOver() {
    return over;
  }

  @Override
  public void run() {
    try {
      while (!isOver()) {
        Optional<MachineUnderTest.Drive> drive = found();
        if (drive.isPresent() && isFirst()) {
          whenOver.run();
          back.accept(drive.get());
          return;
        }
        Thread.sleep(LOOK_MS);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private Optional<MachineUnderTest.Drive> found() {
    try {
      return there.get().filter(d -> WhoIsIt.seen(d).equals(Optional.of(wanted)));
    } catch (RuntimeException e) {
      LOG.log(Level.WARNING, "looking for " + wanted, e);
      return Optional.empty();
    }
  }
}

package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.UncheckedIOException;
import tekmerion.core.port.ReadEndedException;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.RunResult;
import tekmerion.probe.copy.CopyFolder;

/** A run that writes copies; it can be left and gone on with. */
abstract class CopyTask extends PartTask {
  private static final long TELL_NANOS = 1_000_000_000L;

  private final Where where;
  private volatile boolean paused;
  private long toldAt = System.nanoTime() - TELL_NANOS;

  /** Where copies of this drive go; opened when the run begins. */
  interface Where {
    CopyFolder open() throws IOException;
  }

  CopyTask(Job job, Where where) {
    super(job);
    this.where = where;
  }

  abstract Outcome copy(CopyFolder folder) throws IOException;

  @Override
  final Outcome carryOut() {
    try {
      Outcome outcome = copy(where.open());
      return paused && outcome.end() == End.CANCELLED ? Outcome.PAUSED : outcome;
    } catch (ReadEndedException e) {
      return ended(e, null);
    } catch (IOException e) {
      return new Outcome(End.COULD_NOT_RUN, e.getMessage(), null);
    } catch (UncheckedIOException e) {
      String why = "%s: %s".formatted(e.getMessage(), e.getCause().getMessage());
      return new Outcome(End.COULD_NOT_RUN, why, null);
    }
  }

  /** To be ended with what it found, unless it is only left. */
  final Outcome stopped(RunResult note) {
    return new Outcome(End.CANCELLED, say("probe.ended-by-a-technician"), note);
  }

  @Override
  public void stop(boolean pause) {
    paused = pause;
    super.stop(false);
  }

  /** The source gives nothing more for now: what was copied is kept, and it goes on from there. */
  final Outcome ended(ReadEndedException e, RunResult note) {
    return e.isGone()
        ? Outcome.gone(e.getMessage(), note)
        : new Outcome(
            End.COULD_NOT_RUN,
            say("probe.stopped-what-was-copied-is-kept", "why", Why.of(e)),
            note);
  }

  /** Once a second. */
  final boolean isTimeToTell() {
    long now = System.nanoTime();
    if (now - toldAt < TELL_NANOS) {
      return false;
    }
    toldAt = now;
    return true;
  }
}

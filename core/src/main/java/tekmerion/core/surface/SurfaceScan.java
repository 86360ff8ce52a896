package tekmerion.core.surface;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.Random;
import java.util.function.LongSupplier;
import tekmerion.core.port.BlockSource;
import tekmerion.core.port.ReadResult;
import tekmerion.core.port.ReadResult.Data;
import tekmerion.core.port.ReadResult.Gone;
import tekmerion.core.port.ReadResult.MediumError;
import tekmerion.core.port.ReadResult.TimedOut;
import tekmerion.core.surface.ScannedSurface.End;

/**
 * One surface scan: a stratified random sample first, then everything not yet read, in order. A
 * block that does not come is read in ever smaller pieces down to the logical sector; a sector
 * counts as unreadable when the medium does not give it alone, and again not. Any other failure
 * says nothing about the sectors. One thread runs it; others may look at {@link #result()} and
 * steer it with {@link #pause()} and {@link #cancel()} at any time.
 */
public final class SurfaceScan {
  private static final int PIECES = 8;

  private final BlockSource source;
  private final ScanState state;
  private final LongSupplier nanos;
  private final Listener listener;
  private volatile boolean pauseWanted;
  private volatile boolean cancelWanted;
  private End end = End.RUNNING;
  private String why = "";

  /** Is told from the thread of the pass. */
  public interface Listener {
    /** Some times a second at most. */
    void progress(Progress progress);

    /** Every few seconds and at the end: a good moment to keep the pass. */
    void checkpoint();
  }

  private SurfaceScan(BlockSource source, ScanState state, LongSupplier nanos, Listener listener) {
    this.source = source;
    this.state = state;
    this.nanos = nanos;
    this.listener = listener;
  }

  /**
   * @param nanos a clock that only runs forwards [ns]
   */
  public static SurfaceScan begin(
      BlockSource source, Plan plan, LongSupplier nanos, Listener listener) {
    return new SurfaceScan(source, new ScanState(source.identity(), plan), nanos, listener);
  }

  /**
   * Goes on where a kept pass stopped.
   *
   * @throws CheckpointException if what was kept is damaged, or of another drive or plan
   */
  public static SurfaceScan resume(
      BlockSource source, Plan plan, InputStream kept, LongSupplier nanos, Listener listener)
      throws IOException {
    ScanState state = Checkpoint.read(kept, source.identity(), plan);
    return new SurfaceScan(source, state, nanos, listener);
  }

  /**
   * What a kept pass had found, when nobody goes on with it.
   *
   * @throws CheckpointException if what was kept is damaged
   */
  public static ScannedSurface found(InputStream kept) throws IOException {
    return ScannedSurface.of(Checkpoint.read(kept), End.CANCELLED, "");
  }

  /** What is to be kept so that the pass can go on later. */
  public void keep(OutputStream to) throws IOException {
    synchronized (state) {
      Checkpoint.write(state, to);
    }
  }

  public ScannedSurface result() {
    synchronized (state) {
      return ScannedSurface.of(state, end, why);
    }
  }

  /** It stops after the read that runs now, and can go on later. */
  public void pause() {
    pauseWanted = true;
  }

  public void cancel() {
    cancelWanted = true;
  }

  /** Reads until all is read or something ends it. */
  public ScannedSurface run() {
    new Runner().run();
    return result();
  }

  /** The pass while it runs: what need not be kept. */
  private final class Runner {
    private static final long PROGRESS_NANOS = 250_000_000L;
    private static final long CHECKPOINT_NANOS = 3_000_000_000L;
    private static final long WINDOW_NANOS = 500_000_000L;
    private static final long MAX_AGAIN = 16;
    private static final int MAX_UNANSWERED = 3;

    private final long began = nanos.getAsLong();
    private final RateMeter rate = new RateMeter(WINDOW_NANOS, began);
    private long progressAt = began;
    private long checkpointAt = began;
    private long bytes;

    void run() {
      boolean all = sample() && (state.plan.sampledOnly() || fill()) && focus();
      synchronized (state) {
        if (all) {
          end = End.COMPLETE;
        }
      }
      listener.checkpoint();
      listener.progress(progress(state.fillFrom * state.plan.blockBytes()));
    }

    /** Zone by zone, so that heads move one way; the same places again when it goes on. */
    private boolean sample() {
      Random random = new Random(state.plan.seed());
      long step = 0;
      for (int round = 0; round < state.plan.sampleRounds(); round++) {
        for (int zone = 0; zone < state.plan.zones(); zone++) {
          double place = random.nextDouble();
          if (step++ < state.sampleSteps) {
            continue;
          }
          long block = unread(zone, place);
          if (block >= 0 && !one(block, true)) {
            return false;
          }
          synchronized (state) {
            state.sampleSteps++;
          }
        }
      }
      return true;
    }

    /**
     * The first unread block of a zone from a random place on, round its end; -1 if all are read.
     */
    private long unread(int zone, double place) {
      long from = state.firstBlock(zone);
      long blocks = state.firstBlock(zone + 1) - from;
      for (long i = 0; i < blocks; i++) {
        long block = from + ((long) (place * blocks) + i) % blocks;
        if (!state.done.get((int) block)) {
          return block;
        }
      }
      return -1;
    }

    private boolean fill() {
      for (long block = state.fillFrom; block < state.blocks; block++) {
        if (!state.done.get((int) block) && !one(block, false)) {
          return false;
        }
        synchronized (state) {
          state.fillFrom = block + 1;
        }
      }
      return true;
    }

    /** Zones that look slow are read again: what was slow once was somebody else's load. */
    private boolean focus() {
      for (int zone : state.slowZones()) {
        long from = state.firstBlock(zone);
        long to = Math.min(state.firstBlock(zone + 1), from + MAX_AGAIN);
        for (long block = from; block < to; block++) {
          if (cancelWanted || pauseWanted) {
            return ends(cancelWanted ? End.CANCELLED : End.PAUSED, "");
          }
          ReadResult answer = source.read(block * state.plan.blockBytes(), state.lengthOf(block));
          if (answer instanceof Data data) {
            synchronized (state) {
              state.again[zone].add(data.latencyNanos());
            }
          }
          tell(block * state.plan.blockBytes(), nanos.getAsLong());
        }
      }
      return true;
    }

    /** False if the pass is to end here. */
    private boolean one(long block, boolean sampling) {
      if (cancelWanted || pauseWanted) {
        return ends(cancelWanted ? End.CANCELLED : End.PAUSED, "");
      }
      long at = block * state.plan.blockBytes();
      int length = state.lengthOf(block);
      long before = nanos.getAsLong();
      ReadResult answer = source.read(at, length);
      int zone = state.zoneOf(block);
      boolean bad = false;
      if (answer instanceof MediumError) {
        synchronized (state) {
          state.errors[zone]++;
        }
        long count = state.badSectorCount();
        if (!narrow(at, length, zone)) {
          return false;
        }
        bad = state.badSectorCount() > count;
      } else if (!(answer instanceof Data) && !goesOn(answer, at, length)) {
        return false;
      }
      long now = nanos.getAsLong();
      synchronized (state) {
        if (answer instanceof Data data) {
          state.latencies[zone].add(data.latencyNanos());
        } else {
          state.errorNanos += now - before;
        }
        state.busyNanos += now - before;
        state.done.set((int) block);
        state.doneBlocks++;
        state.sampled += sampling ? 1 : 0;
        state.sampledBad += sampling && bad ? 1 : 0;
      }
      bytes += length;
      rate.add(length, now);
      tell(at, now);
      if (state.errorNanos > state.plan.mostErrorSeconds() * 1e9) {
        return ends(
            End.STOPPED_BY_RULE,
            say(
                "surface.failing-reads-took-more-than-s",
                "mostErrorSeconds",
                state.plan.mostErrorSeconds()));
      }
      throttle();
      return true;
    }

    /**
     * Of a failure that is not the medium's. A place without an answer is left out, not called bad;
     * after some of them the drive is let alone.
     */
    private boolean goesOn(ReadResult answer, long at, int length) {
      if (answer instanceof TimedOut) {
        synchronized (state) {
          state.unanswered++;
          state.unansweredBytes += length;
        }
        return state.unanswered < MAX_UNANSWERED
            || ends(
                End.STOPPED_BY_RULE,
                say("surface.it-gave-no-answer-in-time", "unanswered", state.unanswered));
      }
      String why = say("surface.at-byte", "at", at, "why", ((ReadResult.Failure) answer).why());
      return ends(answer instanceof Gone ? End.GONE : End.COULD_NOT_GO_ON, why);
    }

    private boolean ends(End how, String because) {
      synchronized (state) {
        end = how;
        why = because;
      }
      return false;
    }

    /** Ever smaller pieces of what did not come: to the physical sector, then to the logical. */
    private boolean narrow(long at, int length, int zone) {
      int sector = state.source.sectorBytes();
      if (length <= sector) {
        return alone(at, length, zone);
      }
      int unit = length > state.source.physicalBytes() ? state.source.physicalBytes() : sector;
      int piece = Math.max(unit, (length / PIECES + unit - 1) / unit * unit);
      for (int done = 0; done < length; done += piece) {
        int size = Math.min(piece, length - done);
        ReadResult answer = again(at + done, size, zone);
        boolean goesOn =
            answer instanceof Data
                || (answer instanceof MediumError
                    ? narrow(at + done, size, zone)
                    : goesOn(answer, at + done, size));
        if (!goesOn) {
          return false;
        }
        if (cancelWanted) {
          return ends(End.CANCELLED, "");
        }
      }
      return true;
    }

    /** A sector that failed alone is tried once more before it is called unreadable. */
    private boolean alone(long at, int length, int zone) {
      ReadResult answer = again(at, length, zone);
      if (answer instanceof Data) {
        return true;
      }
      if (!(answer instanceof MediumError)) {
        return goesOn(answer, at, length);
      }
      synchronized (state) {
        state.isBad(at / state.source.sectorBytes());
      }
      if (state.badSectorCount() > state.plan.mostBadSectors()) {
        return ends(
            End.STOPPED_BY_RULE,
            say(
                "surface.more-than-sectors-cannot-be-read",
                "mostBadSectors",
                state.plan.mostBadSectors()));
      }
      return true;
    }

    private ReadResult again(long at, int length, int zone) {
      synchronized (state) {
        state.retries[zone]++;
      }
      return source.read(at, length);
    }

    private void tell(long at, long now) {
      if (now - progressAt >= PROGRESS_NANOS) {
        progressAt = now;
        listener.progress(progress(at));
      }
      if (now - checkpointAt >= CHECKPOINT_NANOS) {
        checkpointAt = now;
        listener.checkpoint();
      }
    }

    private Progress progress(long at) {
      double share = state.shareDone();
      long left = share == 0 ? 0 : (long) (state.doneBlocks * (1 / share - 1));
      long leftBytes = left * state.plan.blockBytes();
      return new Progress(
          share,
          at,
          rate.rate(),
          rate.secondsFor(leftBytes),
          rate.spreadFor(leftBytes),
          state.badSectorCount());
    }

    private void throttle() {
      if (state.plan.bytesPerSecond() == 0) {
        return;
      }
      double due = (double) bytes / state.plan.bytesPerSecond();
      double spent = (nanos.getAsLong() - began) / 1e9;
      if (due > spent) {
        try {
          Thread.sleep((long) Math.min(1_000, (due - spent) * 1000));
        } catch (InterruptedException e) {
          Thread.currentThread().interrupt();
          cancel();
        }
      }
    }
  }
}

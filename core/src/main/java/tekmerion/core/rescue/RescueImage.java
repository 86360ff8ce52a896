package tekmerion.core.rescue;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadEndedException;
import tekmerion.core.port.ReadResult;
import tekmerion.core.rescue.RescueMap.Stretch;

/**
 * Images a source that errs. Forward with large blocks, and away from trouble with a stride that
 * grows; backward over what was left out; then the edges of what failed, sector by sector from both
 * sides; then what is between; then again, as often as asked. What is read is with its keeper
 * before the map says so: whoever is killed at any moment goes on from the map and reads a little
 * twice.
 *
 * <p>Only what the medium does not give is called bad. Where no answer comes in time it says so,
 * and a drive that is gone or answers nowhere ends the copy with what it has.
 */
public final class RescueImage {
  private static final int BLOCK = 1 << 20;

  /** The hole that one bad sector leaves at first. */
  private static final int SMALL_BLOCK = 32 << 10;

  private static final long FIRST_STRIDE = 1 << 20;
  private static final long MAX_STRIDE = 256L << 20;

  /** So many reads without an answer, and none with one between them: it hangs. */
  private static final int MAX_UNANSWERED = 3;

  private final ByteSource source;
  private final RescueMap map;
  private final Keeper keeper;
  private final BooleanSupplier stopped;
  private final int sector;
  private boolean anyFailed;
  private int unanswered;
  private volatile Sweep sweep = Sweep.FORWARD;

  /** What a copy does, in the order in which it does it. */
  public enum Sweep {
    FORWARD("rescue.forward-away-from-trouble"),
    BACKWARD("rescue.backward-over-what-was-left-out"),
    TRIM("rescue.edges-of-what-failed"),
    SCRAPE("rescue.sector-by-sector"),
    RETRY("rescue.once-more-what-failed-alone");

    private final String words;

    Sweep(String words) {
      this.words = words;
    }

    public String words() {
      return say(words);
    }
  }

  /** Where what was read goes. */
  public interface Keeper {
    /** Holds the bytes for good when it returns, or at the next {@link #keep} at the latest. */
    void write(long offset, byte[] bytes);

    /** Makes what was written, and then the map, hold. Called after every step. */
    void keep(RescueMap map);
  }

  /**
   * @param map of this source; what it calls read is not read again
   * @param stopped asked between reads
   */
  public RescueImage(ByteSource source, RescueMap map, Keeper keeper, BooleanSupplier stopped) {
    if (source.sizeBytes() != map.size()) {
      throw new IllegalArgumentException(
          "the map is of a source of %d bytes, this one has %d"
              .formatted(map.size(), source.sizeBytes()));
    }
    this.source = source;
    this.map = map;
    this.keeper = keeper;
    this.stopped = stopped;
    this.sector = source.sectorBytes();
    this.anyFailed =
        map.stretches().stream()
            .anyMatch(
                s ->
                    switch (s.state()) {
                      case FAILED, TRIMMED, BAD, UNANSWERED -> true;
                      case UNTRIED, LATER, READ -> false;
                    });
  }

  /**
   * @param retries how often sectors that failed alone are tried again
   * @return whether it came to its end; false if it was stopped
   * @throws ReadEndedException if the source gives nothing more for now; what was read is kept
   */
  public boolean run(int retries) {
    boolean through =
        begins(Sweep.FORWARD)
            && forward()
            && begins(Sweep.BACKWARD)
            && backward()
            && begins(Sweep.TRIM)
            && trim()
            && begins(Sweep.SCRAPE)
            && scrape();
    for (int i = 0; through && i < retries; i++) {
      through = begins(Sweep.RETRY) && retry(i % 2 == 1);
    }
    return through;
  }

  /** May be asked by another thread. */
  public Sweep sweep() {
    return sweep;
  }

  private boolean begins(Sweep next) {
    sweep = next;
    return true;
  }

  /** Strides grow while reads fail, and begin anew after one that did not. */
  private boolean forward() {
    long at = 0;
    long stride = FIRST_STRIDE;
    for (Optional<Stretch> next = map.next(State.UNTRIED, at);
        next.isPresent();
        next = map.next(State.UNTRIED, at)) {
      if (stopped.getAsBoolean()) {
        return false;
      }
      Stretch stretch = next.get();
      int length = (int) Math.min(anyFailed ? SMALL_BLOCK : BLOCK, stretch.bytes());
      if (read(stretch.from(), length)) {
        stride = FIRST_STRIDE;
        at = stretch.from() + length;
      } else {
        at = stretch.from() + length + stride;
        stride = Math.min(MAX_STRIDE, 2 * stride);
      }
    }
    return true;
  }

  /** What strides left out, from behind; at a failure the mebibyte before it waits. */
  private boolean backward() {
    long before = map.size();
    for (Optional<Stretch> last = map.previous(State.UNTRIED, before);
        last.isPresent();
        last = map.previous(State.UNTRIED, before)) {
      if (stopped.getAsBoolean()) {
        return false;
      }
      Stretch stretch = last.get();
      int length = (int) Math.min(SMALL_BLOCK, stretch.bytes());
      before = stretch.to() - length;
      if (!read(before, length)) {
        long waits = Math.max(stretch.from(), before - FIRST_STRIDE);
        map.set(waits, before, State.FAILED);
        keeper.keep(map);
        before = waits;
      }
    }
    return true;
  }

  /** From the left to the first sector that fails; then what is behind it, in one read. */
  private boolean trim() {
    long at = 0;
    for (Optional<Stretch> next = map.next(State.FAILED, at);
        next.isPresent();
        next = map.next(State.FAILED, at)) {
      Stretch failed = next.get();
      at = failed.from();
      long from = failed.from();
      Optional<State> trouble = Optional.empty();
      while (from < failed.to() && (trouble = readSector(from)).isEmpty()) {
        from = Math.min(failed.to(), from + sector);
        if (stopped.getAsBoolean()) {
          return false;
        }
      }
      long rest = Math.min(failed.to(), from + sector);
      if (trouble.isPresent()) {
        map.set(from, rest, trouble.get());
      }
      if (rest < failed.to()) {
        behind(rest, failed.to());
      }
      keeper.keep(map);
    }
    return true;
  }

  /** If it holds another bad sector, it is left to be tried sector by sector. */
  private void behind(long from, long to) {
    long end = Math.min(to, from + 2L * BLOCK);
    if (ask(from, (int) (end - from)).isPresent()) {
      map.set(from, end, State.TRIMMED);
    }
  }

  private boolean scrape() {
    long at = 0;
    for (Optional<Stretch> next = map.next(State.TRIMMED, at);
        next.isPresent();
        next = map.next(State.TRIMMED, at)) {
      if (stopped.getAsBoolean()) {
        return false;
      }
      long from = next.get().from();
      at = from;
      Optional<State> trouble = readSector(from);
      if (trouble.isPresent()) {
        map.set(from, Math.min(next.get().to(), from + sector), trouble.get());
        keeper.keep(map);
      }
    }
    return true;
  }

  private boolean retry(boolean backwards) {
    List<Stretch> open =
        map.stretches().stream()
            .filter(s -> s.state() == State.BAD || s.state() == State.UNANSWERED)
            .toList();
    for (int i = 0; i < open.size(); i++) {
      Stretch stretch = open.get(backwards ? open.size() - 1 - i : i);
      long sectors = (stretch.bytes() + sector - 1) / sector;
      for (long k = 0; k < sectors; k++) {
        if (stopped.getAsBoolean()) {
          return false;
        }
        long from = stretch.from() + (backwards ? sectors - 1 - k : k) * sector;
        Optional<State> trouble = readSector(from);
        trouble.ifPresent(s -> map.set(from, Math.min(stretch.to(), from + sector), s));
      }
      keeper.keep(map);
    }
    return true;
  }

  /** Empty if it was read, else what it is. */
  private Optional<State> readSector(long from) {
    return ask(from, (int) Math.min(sector, map.size() - from));
  }

  private boolean read(long from, int length) {
    boolean came = ask(from, length).isEmpty();
    if (!came) {
      anyFailed = true;
      map.set(from, from + length, State.FAILED);
      keeper.keep(map);
    }
    return came;
  }

  /** Empty if it was read and is kept; else what would have to be said of it if it is a sector. */
  private Optional<State> ask(long from, int length) {
    ReadResult result = source.read(from, length);
    if (result instanceof ReadResult.Data data) {
      unanswered = 0;
      got(from, data.bytes());
      return Optional.empty();
    }
    if (result instanceof ReadResult.MediumError) {
      unanswered = 0;
      return Optional.of(State.BAD);
    }
    if (result instanceof ReadResult.TimedOut && ++unanswered < MAX_UNANSWERED) {
      return Optional.of(State.UNANSWERED);
    }
    throw new ReadEndedException(from, (ReadResult.Failure) result);
  }

  private void got(long from, byte[] bytes) {
    keeper.write(from, bytes);
    map.set(from, from + bytes.length, State.READ);
    keeper.keep(map);
  }
}

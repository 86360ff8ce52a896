package tekmerion.core.rescue;

import java.util.Optional;
import java.util.function.BooleanSupplier;
import tekmerion.core.port.ByteSource;
import tekmerion.core.rescue.RescueMap.Stretch;

/**
 * Images a source that errs. Forward with large blocks, and away from trouble with a stride that
 * grows; backward over what was left out; then the edges of what failed, sector by sector from both
 * sides; then what is between; then again, as often as asked. What is read is with its keeper
 * before the map says so: whoever is killed at any moment goes on from the map and reads a little
 * twice.
 */
public final class RescueCopy {
  private static final int BLOCK = 1 << 20;

  /** The hole that one bad sector leaves at first. */
  private static final int SMALL_BLOCK = 32 << 10;

  private static final long FIRST_STRIDE = 1 << 20;
  private static final long MOST_STRIDE = 256L << 20;

  private final ByteSource source;
  private final RescueMap map;
  private final Keeper keeper;
  private final BooleanSupplier stopped;
  private final int sector;
  private boolean anyFailed;
  private volatile Sweep sweep = Sweep.FORWARD;

  /** What a copy does, in the order in which it does it. */
  public enum Sweep {
    FORWARD("forward, away from trouble"),
    BACKWARD("backward over what was left out"),
    TRIM("edges of what failed"),
    SCRAPE("sector by sector"),
    RETRY("once more what failed alone");

    private final String words;

    Sweep(String words) {
      this.words = words;
    }

    public String words() {
      return words;
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
  public RescueCopy(ByteSource source, RescueMap map, Keeper keeper, BooleanSupplier stopped) {
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
    this.anyFailed = map.bytes(State.FAILED) + map.bytes(State.TRIMMED) + map.bytes(State.BAD) > 0;
  }

  /**
   * @param retries how often sectors that failed alone are tried again
   * @return whether it came to its end; false if it was stopped
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
        stride = Math.min(MOST_STRIDE, 2 * stride);
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
      while (from < failed.to() && readSector(from)) {
        from = Math.min(failed.to(), from + sector);
        if (stopped.getAsBoolean()) {
          return false;
        }
      }
      long rest = Math.min(failed.to(), from + sector);
      map.set(from, rest, State.BAD);
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
    Optional<byte[]> bytes = source.read(from, (int) (end - from));
    bytes.ifPresent(b -> got(from, b));
    if (bytes.isEmpty()) {
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
      if (!readSector(from)) {
        map.set(from, Math.min(next.get().to(), from + sector), State.BAD);
        keeper.keep(map);
      }
    }
    return true;
  }

  private boolean retry(boolean backwards) {
    long at = backwards ? map.size() : 0;
    Optional<Stretch> bad = backwards ? map.previous(State.BAD, at) : map.next(State.BAD, at);
    while (bad.isPresent()) {
      if (stopped.getAsBoolean()) {
        return false;
      }
      long from = backwards ? lastSector(bad.get().to()) : bad.get().from();
      readSector(from);
      at = backwards ? from : from + sector;
      bad = backwards ? map.previous(State.BAD, at) : map.next(State.BAD, at);
    }
    return true;
  }

  private long lastSector(long to) {
    return (to - 1) / sector * sector;
  }

  private boolean readSector(long from) {
    int length = (int) Math.min(sector, map.size() - from);
    Optional<byte[]> bytes = source.read(from, length);
    bytes.ifPresent(b -> got(from, b));
    return bytes.isPresent();
  }

  private boolean read(long from, int length) {
    Optional<byte[]> bytes = source.read(from, length);
    if (bytes.isPresent()) {
      got(from, bytes.get());
    } else {
      anyFailed = true;
      map.set(from, from + length, State.FAILED);
      keeper.keep(map);
    }
    return bytes.isPresent();
  }

  private void got(long from, byte[] bytes) {
    keeper.write(from, bytes);
    map.set(from, from + bytes.length, State.READ);
    keeper.keep(map);
  }
}

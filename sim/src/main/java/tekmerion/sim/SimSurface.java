package tekmerion.sim;

import java.util.NavigableSet;
import java.util.Random;
import tekmerion.core.port.BlockSource;
import tekmerion.core.port.ReadResult;

/**
 * The surface of a drive by its mechanics: outer tracks pass faster under the head, a jump costs a
 * seek and half a turn, what lies near damage is read again and again. Flash has neither. Time runs
 * faster than outside, so that a terabyte passes in minutes.
 */
final class SimSurface implements BlockSource {
  private static final int SECTOR = 512;
  private static final double OUTER_BYTES_S = 178e6;
  private static final double INNER_SHARE = 0.48;
  private static final double FLASH_BYTES_S = 510e6;
  private static final double TRACK_SEEK_MS = 1.2;
  private static final double FULL_SEEK_MS = 17;

  /** Sectors around damage whose tracks are scratched too. */
  private static final long SCRATCH = 60_000;

  private static final long SLEEP_NANOS = 4_000_000;

  /** What stands there is the content's to say. */
  private static final byte[] NOT_LOOKED_AT = {};

  private final Identity identity;
  private final double rotationMs;
  private final NavigableSet<Long> unreadable;
  private final double speedUp;
  private final Random random;
  private long head;
  private double owedNanos;

  /**
   * @param rotation turns a minute; 1 for solid state
   * @param unreadable logical sectors that cannot be read now
   * @param speedUp how many times faster than a real one; 0 for no waiting at all
   */
  SimSurface(
      String serial,
      long sectors,
      int rotation,
      int physicalBytes,
      NavigableSet<Long> unreadable,
      double speedUp) {
    this.identity = new Identity(serial, sectors * SECTOR, SECTOR, physicalBytes, true);
    this.rotationMs = rotation == 1 ? 0 : 60_000.0 / rotation;
    this.unreadable = unreadable;
    this.speedUp = speedUp;
    this.random = new Random(sectors ^ rotation);
  }

  @Override
  public Identity identity() {
    return identity;
  }

  @Override
  public ReadResult read(long offset, int length) {
    long physical = identity.physicalBytes();
    long first = offset / physical * physical / SECTOR;
    long end = (offset + length + physical - 1) / physical * physical / SECTOR;
    Long bad = unreadable.ceiling(first);
    boolean fails = bad != null && bad < end;
    double ms = rotationMs == 0 ? flashMs(length) : diskMs(offset, length);
    if (fails) {
      ms += rotationMs == 0 ? 30 : 120 * rotationMs * (0.8 + 0.4 * random.nextDouble());
    } else if (rotationMs > 0 && isScratched(first)) {
      ms += rotationMs * (1 + random.nextInt(12));
    }
    head = offset + length;
    long nanos = Math.round(ms * 1e6);
    if (!rest(nanos)) {
      return new ReadResult.CouldNotRun(0, "stopped while the drive was reading");
    }
    return fails
        ? new ReadResult.MediumError(nanos, "input/output error")
        : ReadResult.data(NOT_LOOKED_AT, nanos);
  }

  private double flashMs(int length) {
    double ms = 0.08 + length / FLASH_BYTES_S * 1000;
    return ms * (0.95 + 0.1 * random.nextDouble()) + (random.nextInt(400) == 0 ? 2.5 : 0);
  }

  private double diskMs(long offset, int length) {
    double place = (double) offset / identity.sizeBytes();
    double speed = OUTER_BYTES_S * (1 - (1 - INNER_SHARE) * place);
    double ms = length / speed * 1000 * (0.97 + 0.06 * random.nextDouble());
    if (offset != head) {
      double way = Math.abs(offset - head) / (double) identity.sizeBytes();
      ms += TRACK_SEEK_MS + (FULL_SEEK_MS - TRACK_SEEK_MS) * Math.sqrt(way);
      ms += rotationMs * random.nextDouble();
    } else if (random.nextInt(150) == 0) {
      ms += rotationMs; // missed a turn
    }
    return ms;
  }

  private boolean isScratched(long sector) {
    Long above = unreadable.ceiling(sector - SCRATCH);
    return above != null && above <= sector + SCRATCH;
  }

  /** False if it was woken to stop. */
  private boolean rest(long nanos) {
    if (speedUp == 0) {
      return true;
    }
    owedNanos += nanos / speedUp;
    if (owedNanos < SLEEP_NANOS) {
      return true;
    }
    try {
      long before = System.nanoTime();
      Thread.sleep(Math.round(owedNanos / 1e6));
      owedNanos -= System.nanoTime() - before;
      return true;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  @Override
  public void close() {}
}

package tekmerion.core.surface;

import tekmerion.core.port.BlockSource;

/**
 * What a surface scan is to do.
 *
 * @param blockBytes read at once, a power of two from 4,096 up
 * @param zones into how many equal parts the drive is divided, 1 to {@link #MAX_ZONES}
 * @param sampledOnly stop after the sample instead of filling in the rest
 * @param sampleRounds random blocks of each zone that are read first
 * @param bytesPerSecond not faster than this; 0 for no limit
 * @param mostBadSectors stop when more cannot be read, because every further try harms
 * @param mostErrorSeconds stop when failing reads have taken longer than this in all
 * @param seed of the sample
 */
public record Plan(
    int blockBytes,
    int zones,
    boolean sampledOnly,
    int sampleRounds,
    long bytesPerSecond,
    long mostBadSectors,
    double mostErrorSeconds,
    long seed) {
  public static final int MAX_ZONES = 4_096;
  private static final int BLOCK = 1 << 20;
  private static final int ZONES = 1_000;
  private static final int MIN_BLOCKS_A_ZONE = 8;

  public Plan {
    if (Integer.bitCount(blockBytes) != 1 || blockBytes < 4096) {
      throw new IllegalArgumentException(
          "a block must be a power of two from 4,096 bytes, was " + blockBytes);
    }
    if (zones < 1 || zones > MAX_ZONES || sampleRounds < 0 || bytesPerSecond < 0) {
      throw new IllegalArgumentException(
          "zones %d, rounds %d, limit %d".formatted(zones, sampleRounds, bytesPerSecond));
    }
  }

  /** The whole drive, a sample first. */
  public static Plan whole(BlockSource.Identity of) {
    long blocks = (of.sizeBytes() + BLOCK - 1) / BLOCK;
    int zones = (int) Math.max(1, Math.min(ZONES, blocks / MIN_BLOCKS_A_ZONE));
    return new Plan(BLOCK, zones, false, 1, 0, 10_000, 3_600, 1);
  }

  /** Only a sample: three random blocks of each zone. */
  public Plan sampled() {
    return new Plan(
        blockBytes, zones, true, 3, bytesPerSecond, mostBadSectors, mostErrorSeconds, seed);
  }

  public Plan notFasterThan(long limit) {
    return new Plan(
        blockBytes,
        zones,
        sampledOnly,
        sampleRounds,
        limit,
        mostBadSectors,
        mostErrorSeconds,
        seed);
  }

  public Plan stoppingAfter(long badSectors, double errorSeconds) {
    return new Plan(
        blockBytes,
        zones,
        sampledOnly,
        sampleRounds,
        bytesPerSecond,
        badSectors,
        errorSeconds,
        seed);
  }

  public Plan withoutSample() {
    return new Plan(
        blockBytes, zones, false, 0, bytesPerSecond, mostBadSectors, mostErrorSeconds, seed);
  }

  /** For a drive under suspicion: gentler, and it gives up sooner. */
  public Plan gentle() {
    return new Plan(blockBytes, zones, sampledOnly, sampleRounds, bytesPerSecond, 200, 300, seed);
  }
}

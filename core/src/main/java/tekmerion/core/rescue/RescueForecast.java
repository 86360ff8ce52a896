package tekmerion.core.rescue;

/**
 * When a copy will end and how much of the source it will have, from how its reads went until now.
 * Not for several threads.
 */
public final class RescueForecast {
  private static final int SECTOR = 512;

  /** Seconds after which a read counts half as much for the rate. */
  private static final double HALF_LIFE_S = 30;

  private double goodBytes;
  private double goodSeconds;
  private long failures;
  private double failedSeconds;
  private long alone;
  private long aloneFailed;
  private double aloneSeconds;
  private double largeSeconds;
  private double largeBytes;

  /**
   * What is to be expected.
   *
   * @param secondsLeft until its end; negative while nothing was read
   * @param spreadSeconds half of the range in which the end will be in about 95 of 100 cases
   * @param share of what is wanted that can be had in the end, 0 to 1
   */
  public record Expected(double secondsLeft, double spreadSeconds, double share) {}

  /** A read that came, or did not. */
  public void read(int bytes, double seconds, boolean came) {
    boolean single = bytes <= 8 * SECTOR;
    if (single) {
      alone++;
      aloneFailed += came ? 0 : 1;
      aloneSeconds += came ? seconds : 0;
    }
    if (!came) {
      failures++;
      failedSeconds += seconds;
    } else if (!single) {
      double kept = Math.pow(0.5, seconds / HALF_LIFE_S);
      goodBytes = goodBytes * kept + bytes;
      goodSeconds = goodSeconds * kept + seconds;
      largeSeconds += seconds;
      largeBytes += bytes;
    }
  }

  /**
   * @param retries how often what failed alone will be tried again
   */
  public Expected of(RescueMap map, int retries) {
    long untried = map.bytes(State.UNTRIED);
    long failed = map.bytes(State.FAILED);
    long trimmed = map.bytes(State.TRIMMED);
    long bad = map.bytes(State.BAD);
    long read = map.bytes(State.READ);
    long wanted = map.size() - map.bytes(State.LATER);
    if (largeBytes == 0) {
      return new Expected(-1, 0, 1);
    }
    double rate = goodBytes / Math.max(1e-9, goodSeconds);
    double failS = failures == 0 ? 0 : failedSeconds / failures;
    double sectorS = alone == aloneFailed ? 0.01 : aloneSeconds / (alone - aloneFailed);
    double badShare = (1.0 + aloneFailed) / (2.0 + Math.max(alone, 1));
    double openSectors = (double) (failed + trimmed) / SECTOR;
    double perSector = badShare * failS * (1 + retries) + (1 - badShare) * sectorS;
    double trouble = openSectors * perSector + (double) bad / SECTOR * failS * retries;
    // What was not tried yet is expected to be as bad as what was.
    double tried = Math.max(1, read + failed + trimmed + bad);
    double more = untried / tried * (openSectors * badShare + (double) bad / SECTOR) * failS * 2;
    double left = untried / rate + trouble + more;
    double unsure =
        0.15 * untried / rate + (trouble + more) * (0.3 + 1 / Math.sqrt(1.0 + failures));
    double lostOfTried = (bad + (failed + trimmed) * badShare) / tried;
    double share = 1 - lostOfTried * (tried + untried) / Math.max(1, wanted);
    return new Expected(left, unsure, Math.min(1, Math.max(0, share)));
  }
}

package tekmerion.core.rescue;

import tekmerion.core.rescue.RescueImage.Sweep;

/**
 * When a copy will end and how much of the source it will have, from how its reads went until now.
 * Time goes where reads fail, so failures are counted: each hole that a large read leaves has one
 * more failure when its edge is found, one more if what is behind it fails too, and then one for
 * each bad sector in there. Not for several threads.
 */
public final class RescueForecast {
  private static final int SECTOR = 512;

  /** Seconds after which a read counts half as much for the rate. */
  private static final double HALF_LIFE_S = 30;

  /** Before anything is known: how often what is behind a bad sector holds another, as of 4. */
  private static final double BEHIND_FAILS = 0.3;

  private static final double BEHIND_WEIGHT = 4;

  /** Likewise how many of the sectors in there are bad, as of so many. */
  private static final double DENSITY = 0.06;

  private static final double DENSITY_WEIGHT = 64;

  /** What strides left out lies beside trouble, and has more of it. */
  private static final double DENSER = 1.3;

  private double goodBytes;
  private double goodSeconds;
  private long failures;
  private double failedSeconds;
  private double sectorSeconds;
  private long sectorsRead;
  private boolean anyLarge;
  private long holes;
  private long behind;
  private long behindFailed;
  private long scraped;
  private long scrapedBad;

  /**
   * What is to be expected.
   *
   * @param secondsLeft until its end; negative while nothing was read
   * @param spreadSeconds half of the range in which the end will be in about 95 of 100 cases
   * @param share of what is wanted that can be had in the end, 0 to 1
   */
  public record Expected(double secondsLeft, double spreadSeconds, double share) {}

  /**
   * A read that came, or did not.
   *
   * @param sweep in which it was made
   */
  public void read(Sweep sweep, int bytes, double seconds, boolean came) {
    boolean single = bytes <= 8 * SECTOR;
    if (!came) {
      failures++;
      failedSeconds += seconds;
    } else if (single) {
      sectorsRead++;
      sectorSeconds += seconds;
    } else {
      double kept = Math.pow(0.5, seconds / HALF_LIFE_S);
      goodBytes = goodBytes * kept + bytes;
      goodSeconds = goodSeconds * kept + seconds;
      anyLarge = true;
    }
    switch (sweep) {
      case FORWARD, BACKWARD -> holes += came ? 0 : 1;
      case TRIM -> {
        behind += single ? 0 : 1;
        behindFailed += single || came ? 0 : 1;
      }
      case SCRAPE -> {
        scraped++;
        scrapedBad += came ? 0 : 1;
      }
      default -> {
        // of a retry only its time is of interest
      }
    }
  }

  /**
   * @param retries how often what failed alone will be tried again
   */
  public Expected of(RescueMap map, int retries) {
    if (!anyLarge) {
      return new Expected(-1, 0, 1);
    }
    double untried = map.bytes(State.UNTRIED);
    double tried =
        Math.max(
            1,
            map.bytes(State.READ)
                + map.bytes(State.FAILED)
                + map.bytes(State.TRIMMED)
                + map.lostBytes());
    double wanted = Math.max(1, map.size() - map.bytes(State.LATER));
    double failS = failures == 0 ? 0 : failedSeconds / failures;
    double sectorS = sectorsRead == 0 ? 0.005 : sectorSeconds / sectorsRead;

    double behindFails = (behindFailed + BEHIND_FAILS * BEHIND_WEIGHT) / (behind + BEHIND_WEIGHT);
    double density = (scrapedBad + DENSITY * DENSITY_WEIGHT) / (scraped + DENSITY_WEIGHT);
    long failedStretches = map.stretches().stream().filter(s -> s.state() == State.FAILED).count();
    double sectorsOfHole =
        failedStretches == 0 ? 64 : (double) map.bytes(State.FAILED) / SECTOR / failedStretches;
    // Of one hole: its edge, and with what is behind it, if that fails too.
    double badOfHole = 1 + behindFails * sectorsOfHole * density;
    double failuresOfHole = badOfHole + behindFails;
    double moreHoles = DENSER * holes * untried / tried;
    double trimmedSectors = (double) map.bytes(State.TRIMMED) / SECTOR;
    double scrapes = trimmedSectors * density;
    double bad = map.lostBytes() / (double) SECTOR;
    double badInAll = bad + scrapes + (failedStretches + moreHoles) * badOfHole;

    double reading = untried * goodSeconds / Math.max(1, goodBytes);
    double coming = moreHoles * (1 + failuresOfHole) * failS;
    double open = failedStretches * failuresOfHole * failS;
    double inside = scrapes * failS + trimmedSectors * sectorS;
    double again = badInAll * failS * retries;
    double left = reading + coming + open + inside + again;
    double spread =
        0.15 * reading
            + coming * (1 / Math.sqrt(1.0 + holes) + 1)
            + open * (0.6 + 1 / Math.sqrt(1.0 + behind))
            + inside * (0.5 + 1.5 / Math.sqrt(1.0 + scrapedBad))
            + 0.2 * again;
    double share = 1 - badInAll * SECTOR / wanted;
    return new Expected(left, spread, Math.min(1, Math.max(0, share)));
  }
}

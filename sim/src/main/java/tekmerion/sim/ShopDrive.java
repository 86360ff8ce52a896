package tekmerion.sim;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.Map;
import java.util.Random;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.sim.AtaPages.Identity;
import tekmerion.sim.SimDrive.Fate;

/** A drive as it lies on the bench of the simulated shop, with what is wrong with it. */
public final class ShopDrive {
  private static final long SECTORS = 976_773_168L;
  private static final double FOLLOWED_HOURS = 4000;

  private final Health health;
  private final boolean spins;
  private final double hours;
  private final Ageing ageing;
  private final SimDrive drive;
  private final int garbledByte;

  /** What is wrong with the drive itself. */
  public enum Health {
    SOUND,
    /** Sectors go bad and drag others along. */
    SURFACE,
    /** Heads that read late and badly; few sectors are lost for good. */
    HEADS,
    /** The motor or a head is stuck: it comes up seldom. */
    MOTOR,
    ELECTRONICS
  }

  /**
   * @param linkErrors that its interface has counted
   * @param riseC above the air around it
   */
  public ShopDrive(
      Random random, Health health, boolean spins, double hours, long linkErrors, double riseC) {
    this.health = health;
    this.spins = spins;
    this.hours = hours;
    garbledByte = random.nextInt(512);
    double since =
        switch (health) {
          case SURFACE -> 320 * Math.exp(1.1 * random.nextGaussian());
          case HEADS -> 30 * Math.exp(0.8 * random.nextGaussian());
          default -> -1;
        };
    long seed = random.nextLong();
    double onset = since < 0 ? Double.POSITIVE_INFINITY : Math.max(0, hours - since);
    double children = health == Health.SURFACE ? 0.85 : 0.2;
    ageing = new Ageing(seed, onset, children, Math.min(onset, hours) + FOLLOWED_HOURS);
    boolean failedTest = ageing.waiting(hours) > 12 && random.nextDouble() < 0.4;
    drive =
        new SimDrive(
            new Identity(
                spins ? "HELM-500P" : "QUAY-480F",
                "S%05d".formatted(random.nextInt(100_000)),
                "H100",
                SECTORS,
                spins ? 7200 : 1,
                3,
                0x5F1D_0000_0000_0000L | random.nextInt(Integer.MAX_VALUE)),
            new Fate(seed, hours, onset, riseC, linkErrors, failedTest ? 0x70 : 0),
            ageing,
            Clock.fixed(Instant.EPOCH, ZoneOffset.UTC),
            0);
  }

  public boolean spins() {
    return spins;
  }

  public Health health() {
    return health;
  }

  /** Sectors that cannot be read now. */
  public long badSectors() {
    return ageing.waiting(hours);
  }

  /** Those and the ones around them that hold up a reader, as a share of the surface. */
  public double troubledShare() {
    double weakHead = health == Health.HEADS ? 0.01 : 0;
    return weakHead + 2_000.0 * badSectors() / SECTORS;
  }

  /** Its pages as they come over a link that works. */
  public Map<PageKind, PageAnswer> pages() {
    Map<PageKind, PageAnswer> pages = new EnumMap<>(PageKind.class);
    for (PageKind kind : drive.kinds()) {
      pages.put(kind, spoilt(kind, drive.read(kind)));
    }
    return pages;
  }

  /** Failing electronics spoil some pages on their way out, some wholly. */
  private PageAnswer spoilt(PageKind kind, PageAnswer answer) {
    if (health != Health.ELECTRONICS || !(answer instanceof PageAnswer.Got got)) {
      return answer;
    }
    int luck = (garbledByte + 7 * kind.ordinal()) % 10;
    byte[] bytes = got.raw().bytes();
    if (luck < 4) {
      bytes[garbledByte % bytes.length] ^= (byte) 0x5A;
      return new PageAnswer.Got(new RawPage(bytes));
    }
    return luck < 6 ? new PageAnswer.Got(new RawPage(new byte[bytes.length])) : answer;
  }
}

package tekmerion.sim;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.TreeSet;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

/**
 * An NVMe drive whose cells wear with every write. Blocks fail at random times with a hazard that
 * rises with program/erase cycles; each takes one of the spares; when those are gone the drive
 * turns read-only. Losing power with data on the way may cost a page.
 */
final class SimFlash implements PageSource {
  private static final double RATED_CYCLES = 1_500;
  private static final int SPARE_BLOCKS = 200;
  private static final int SPARE_LIMIT_PERCENT = 10;
  private static final double WRITE_AMPLIFICATION = 2.1;
  private static final int ICE_POINT_K = 273;

  private final String model;
  private final String serial;
  private final long blocks512;
  private final Life life;
  private final Clock clock;
  private final Instant switchedOn;

  /**
   * @param hours power-on hours when the simulation starts
   * @param terabytesWritten by its hosts so far
   * @param starts power cycles
   * @param suddenEnds of those, how many ended without notice
   * @param temperatureC once warm
   */
  record Life(
      double hours, double terabytesWritten, long starts, long suddenEnds, int temperatureC) {}

  SimFlash(String model, String serial, long blocks512, Life life, Clock clock) {
    this.model = model;
    this.serial = serial;
    this.blocks512 = blocks512;
    this.life = life;
    this.clock = clock;
    this.switchedOn = clock.instant();
  }

  @Override
  public List<PageKind> kinds() {
    return PageKind.of(PageKind.Family.NVME);
  }

  @Override
  public PageAnswer read(PageKind kind) {
    return switch (kind) {
      case NVME_IDENTIFY_CONTROLLER -> got(controller());
      case NVME_IDENTIFY_NAMESPACE -> got(namespace());
      case NVME_SMART -> got(health());
      case NVME_ERROR_LOG -> got(new byte[64 * 16]);
      case NVME_SELFTEST_LOG -> got(selfTests());
      default -> new PageAnswer.NotReported("the drive speaks NVMe and has no such page");
    };
  }

  TreeSet<Long> unreadable() {
    TreeSet<Long> sectors = new TreeSet<>();
    for (long i = 0; i < lostPages(); i++) {
      long at = (i * 2_654_435_761L & 0xFFFF_FFFFL) % (blocks512 / 8) * 8;
      for (int k = 0; k < 8; k++) {
        sectors.add(at + k);
      }
    }
    return sectors;
  }

  long sectors() {
    return blocks512;
  }

  String serial() {
    return serial;
  }

  private double cycles() {
    return life.terabytesWritten() * 1e12 * WRITE_AMPLIFICATION / (blocks512 * 512.0);
  }

  /** Weibull with shape 4 over cycles: nearly none before the rating, many beyond it. */
  private long failedBlocks() {
    double share = -Math.expm1(-Math.pow(cycles() / (1.6 * RATED_CYCLES), 4));
    return Math.round(share * 3 * SPARE_BLOCKS);
  }

  private int sparePercent() {
    return (int) Math.max(0, 100 - 100 * failedBlocks() / SPARE_BLOCKS);
  }

  private long lostPages() {
    long beyondSpares = Math.max(0, failedBlocks() - SPARE_BLOCKS);
    return beyondSpares + life.suddenEnds() / 40;
  }

  private byte[] health() {
    byte[] page = new byte[512];
    int spare = sparePercent();
    page[0] = (byte) ((spare < SPARE_LIMIT_PERCENT ? 0x01 | 0x04 : 0) | (spare == 0 ? 0x08 : 0));
    le(page, 1, 2, life.temperatureC() + ICE_POINT_K);
    page[3] = (byte) spare;
    page[4] = SPARE_LIMIT_PERCENT;
    page[5] = (byte) Math.min(255, Math.round(100 * cycles() / RATED_CYCLES));
    double units = life.terabytesWritten() * 1e12 / 512_000;
    le(page, 32, 8, Math.round(units * 1.7));
    le(page, 48, 8, Math.round(units));
    le(page, 64, 8, Math.round(units * 21));
    le(page, 80, 8, Math.round(units * 17));
    le(page, 96, 8, Math.round(life.hours() * 3));
    le(page, 112, 8, life.starts());
    double on = Duration.between(switchedOn, clock.instant()).toMillis() / 3.6e6;
    le(page, 128, 8, (long) (life.hours() + on));
    le(page, 144, 8, life.suddenEnds());
    le(page, 160, 8, lostPages());
    le(page, 200, 2, life.temperatureC() + ICE_POINT_K);
    return page;
  }

  private byte[] controller() {
    byte[] page = new byte[4096];
    le(page, 0, 2, 0x1F4A);
    text(page, 4, 20, serial);
    text(page, 24, 40, model);
    text(page, 64, 8, "2.11");
    page[73] = 0x0A;
    page[77] = 5;
    le(page, 80, 4, 0x0001_0400);
    page[111] = 1;
    le(page, 256, 2, 0x17);
    page[262] = 15;
    le(page, 266, 2, 80 + ICE_POINT_K);
    le(page, 268, 2, 85 + ICE_POINT_K);
    le(page, 280, 8, blocks512 * 512);
    le(page, 316, 2, 25);
    le(page, 516, 4, 1);
    page[525] = 1;
    le(page, 2048, 2, 550);
    return page;
  }

  private byte[] namespace() {
    byte[] page = new byte[4096];
    le(page, 0, 8, blocks512);
    le(page, 8, 8, blocks512);
    le(page, 16, 8, blocks512 * 6 / 10);
    page[130] = 9;
    return page;
  }

  private byte[] selfTests() {
    byte[] page = new byte[564];
    for (int i = 0; i < 20; i++) {
      page[4 + 28 * i] = 0x0F;
    }
    if (lostPages() > 5) {
      page[4] = 0x27;
      page[6] = 0x02;
      le(page, 8, 8, (long) life.hours() - 3);
      le(page, 20, 8, unreadable().first());
    }
    return page;
  }

  private static PageAnswer got(byte[] bytes) {
    return new PageAnswer.Got(new RawPage(bytes));
  }

  private static void le(byte[] page, int at, int length, long value) {
    for (int i = 0; i < length; i++) {
      page[at + i] = (byte) (value >> 8 * i);
    }
  }

  private static void text(byte[] page, int at, int length, String text) {
    byte[] ascii = text.getBytes(StandardCharsets.US_ASCII);
    for (int i = 0; i < length; i++) {
      page[at + i] = i < ascii.length ? ascii[i] : (byte) ' ';
    }
  }
}

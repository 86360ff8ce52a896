package tekmerion.sim;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.OptionalLong;
import java.util.TreeSet;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.sim.AtaPages.Entry;
import tekmerion.sim.AtaPages.Identity;

/**
 * A disk or solid-state drive that ages while it runs, and answers with pages that follow from its
 * state. Time inside runs as fast as outside.
 */
final class SimDrive implements PageSource {
  private static final double AMBIENT_C = 24;
  private static final double WARM_UP_S = 1500;

  private final Identity identity;
  private final Fate fate;
  private final Ageing ageing;
  private final Clock clock;
  private final Instant switchedOn;
  private final double speedUp;
  private final SimSelfTests selfTests;

  /**
   * @param hours power-on hours when the simulation starts
   * @param onsetHour when damage began; infinity if never
   * @param temperatureRiseC above ambient once warm
   * @param linkErrors counted by the interface so far
   * @param selfTestStatus byte 363 of SMART READ DATA
   */
  record Fate(
      long seed,
      double hours,
      double onsetHour,
      double temperatureRiseC,
      long linkErrors,
      int selfTestStatus) {}

  /**
   * @param speedUp how many times faster than a real one its surface and its tests run
   */
  SimDrive(Identity identity, Fate fate, Clock clock, double speedUp) {
    this(
        identity,
        fate,
        new Ageing(fate.seed(), fate.onsetHour(), 0.9, fate.hours() + 10_000),
        clock,
        speedUp);
  }

  /** With damage that was worked out before, so that a later visit meets the same sectors. */
  SimDrive(Identity identity, Fate fate, Ageing ageing, Clock clock, double speedUp) {
    this.identity = identity;
    this.fate = fate;
    this.clock = clock;
    this.ageing = ageing;
    this.switchedOn = clock.instant();
    this.speedUp = speedUp;
    this.selfTests =
        new SimSelfTests(clock, speedUp, identity.sectors(), this::firstBad, this::powerOnHours);
    if (fate.selfTestStatus() != 0) {
      selfTests.remember(1, fate.selfTestStatus(), (long) fate.hours() - 1, firstBad().orElse(-1));
    }
  }

  SimSelfTests selfTests() {
    return selfTests;
  }

  SimSurface surface() {
    return new SimSurface(
        identity.serial(),
        identity.sectors(),
        identity.rotation(),
        identity.rotation() == 1 ? 512 : 4096,
        unreadable(),
        speedUp);
  }

  long sectors() {
    return identity.sectors();
  }

  TreeSet<Long> unreadable() {
    return ageing.unreadable(powerOnHours(), identity.sectors());
  }

  private OptionalLong firstBad() {
    TreeSet<Long> bad = unreadable();
    return bad.isEmpty() ? OptionalLong.empty() : OptionalLong.of(bad.first());
  }

  @Override
  public PageAnswer read(PageKind kind) {
    return switch (kind) {
      case ATA_IDENTIFY -> got(AtaPages.identify(identity));
      case ATA_SMART -> got(AtaPages.smart(entries(), selfTests.statusByte()));
      case ATA_THRESHOLDS -> got(AtaPages.thresholds(entries()));
      case ATA_LOG_DIRECTORY -> got(AtaLogPages.directory());
      case ATA_ERROR_LOG ->
          got(
              AtaLogPages.errors(
                  ageing.reportedErrors(powerOnHours()),
                  List.copyOf(unreadable()),
                  (long) powerOnHours()));
      case ATA_SELFTEST_LOG -> got(AtaLogPages.selfTests(selfTests.log()));
      case ATA_DEVICE_STATISTICS ->
          got(
              AtaLogPages.statistics(
                  (long) powerOnHours(),
                  (long) (fate.hours() / 5.4),
                  ageing.reallocated(powerOnHours()),
                  ageing.waiting(powerOnHours()),
                  ageing.reportedErrors(powerOnHours()),
                  (int) temperatureC(),
                  (int) Math.round(AMBIENT_C + fate.temperatureRiseC() + 4)));
      case ATA_SCT_STATUS ->
          got(
              AtaLogPages.sctStatus(
                  (int) temperatureC(),
                  17,
                  (int) Math.round(AMBIENT_C + fate.temperatureRiseC() + 4)));
      default -> new PageAnswer.NotReported("the drive has no such page");
    };
  }

  private static PageAnswer got(byte[] bytes) {
    return new PageAnswer.Got(new RawPage(bytes));
  }

  @Override
  public List<PageKind> kinds() {
    return List.of(
        PageKind.ATA_IDENTIFY,
        PageKind.ATA_SMART,
        PageKind.ATA_THRESHOLDS,
        PageKind.ATA_LOG_DIRECTORY,
        PageKind.ATA_ERROR_LOG,
        PageKind.ATA_SELFTEST_LOG,
        PageKind.ATA_DEVICE_STATISTICS,
        PageKind.ATA_SCT_STATUS);
  }

  private List<Entry> entries() {
    double hour = powerOnHours();
    long waiting = ageing.waiting(hour);
    long moved = ageing.reallocated(hour);
    long reported = ageing.reportedErrors(hour);
    long celsius = temperatureC();
    boolean spins = identity.rotation() != 1;
    List<Entry> common =
        List.of(
            // Many makers keep the milliseconds of the running hour above 24 bits of hours.
            entry(9, 0x32, 100 - (int) (hour / 900), hoursAndMilliseconds(hour), 0),
            entry(12, 0x32, 99, (long) (fate.hours() / 5.4), 0),
            entry(5, 0x33, 100 - (int) Math.min(99, moved / 4), moved, 10),
            entry(187, 0x32, 100 - (int) Math.min(99, reported), reported, 0),
            entry(188, 0x32, 100, waiting / 9, 0),
            entry(194, 0x22, (int) (100 - celsius), packedTemperature(celsius), 0),
            entry(197, 0x32, 100 - (int) Math.min(99, waiting / 8), waiting, 0),
            entry(198, 0x30, 100 - (int) Math.min(99, waiting / 8), waiting, 0),
            entry(199, 0x3E, fate.linkErrors() > 50 ? 180 : 200, fate.linkErrors(), 0));
    if (!spins) {
      return common;
    }
    List<Entry> spinning =
        List.of(
            // Errors above 32 bits of operations: sound disks show huge numbers here.
            entry(1, 0x2F, 114 - (int) Math.min(63, waiting / 3), operations(hour, waiting), 51),
            entry(3, 0x27, 96, 1_733, 21),
            entry(10, 0x33, 100, 0, 97));
    return java.util.stream.Stream.concat(spinning.stream(), common.stream()).toList();
  }

  private static Entry entry(int id, int flags, int value, long raw, int threshold) {
    int held = Math.max(1, Math.min(253, value));
    return new Entry(id, flags, held, held, raw & 0xFFFF_FFFF_FFFFL, threshold);
  }

  private double powerOnHours() {
    return fate.hours() + secondsOn() / 3600;
  }

  private double secondsOn() {
    return Duration.between(switchedOn, clock.instant()).toMillis() / 1000.0;
  }

  /** First-order warming: T = ambient + rise·(1 − exp(−t/τ)); it had run a while before. */
  private long temperatureC() {
    double t = secondsOn() + WARM_UP_S;
    return Math.round(AMBIENT_C + fate.temperatureRiseC() * (1 - Math.exp(-t / WARM_UP_S)));
  }

  private static long hoursAndMilliseconds(double hour) {
    long whole = (long) hour;
    return whole | (long) ((hour - whole) * 3_600_000) << 24;
  }

  private long packedTemperature(long now) {
    long highest = Math.round(AMBIENT_C + fate.temperatureRiseC() + 4);
    return now | 17L << 16 | highest << 32;
  }

  private static long operations(double hour, long errors) {
    return (long) (hour * 91_000) & 0xFFFF_FFFFL | Math.min(errors, 0xFFFF) << 32;
  }
}

package tekmerion.sim;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.sim.AtaPages.Identity;
import tekmerion.sim.SimDrive.Fate;

/**
 * A drive through the years: it runs some hours a day, and at some hour its surface may begin to
 * go.
 */
final class HistoryDrive {
  /** How long after the first bad spot damage is followed [power-on h]. */
  private static final double FOLLOWED = 2500;

  /** What the shop's past keeps of each visit: enough for its numbers and its verdicts. */
  static final List<PageKind> KEPT =
      List.of(PageKind.ATA_IDENTIFY, PageKind.ATA_SMART, PageKind.ATA_THRESHOLDS);

  private final Identity identity;
  private final double riseC;
  private final long seed;
  private final double onsetHour;
  private final Ageing ageing;
  private double hours;
  private long linkErrors;

  private record Kind(String model, long sectors, int rotation, int formFactor) {}

  private static final Kind[] KINDS = {
    new Kind("HELM-1000S", 1_953_525_168L, 5400, 3),
    new Kind("HELM-500P", 976_773_168L, 7200, 2),
    new Kind("HELM-2000S", 3_907_029_168L, 5400, 3),
    new Kind("QUAY-240F", 468_862_128L, 1, 3),
    new Kind("QUAY-480F", 937_703_088L, 1, 3)
  };

  /** Of disks and solid-state drives alike; time to the first damage is Weibull, shape 1.3. */
  HistoryDrive(Random random, double hours) {
    Kind kind = KINDS[random.nextInt(KINDS.length)];
    seed = random.nextLong();
    String serial =
        "%s%02X-%05d-%c"
            .formatted(
                kind.rotation() == 1 ? "Q" : "H",
                random.nextInt(256),
                random.nextInt(100_000),
                'A' + random.nextInt(26));
    identity =
        new Identity(
            kind.model(),
            serial,
            "H%03d".formatted(random.nextInt(1000)),
            kind.sectors(),
            kind.rotation(),
            kind.formFactor(),
            0x5F1D_0000_0000_0000L | random.nextInt(Integer.MAX_VALUE));
    double scale = kind.rotation() == 1 ? 40_000 : 17_000;
    onsetHour = scale * Math.pow(-Math.log1p(-random.nextDouble()), 1 / 1.3);
    ageing = new Ageing(seed, onsetHour, 0.85, onsetHour + FOLLOWED);
    riseC = 10 + 9 * random.nextDouble();
    this.hours = Math.min(hours, onsetHour * 0.98); // what failed before was never brought in
  }

  String serial() {
    return identity.serial();
  }

  String model() {
    return identity.model();
  }

  boolean spins() {
    return identity.rotation() != 1;
  }

  void run(double more) {
    hours += more;
  }

  void knocked() {
    linkErrors += 120;
  }

  long pendingSectors() {
    return hours < onsetHour ? 0 : ageing.waiting(hours);
  }

  /** What it says of itself now, by wire name, in base64. */
  Map<String, String> pages() {
    int selfTest = pendingSectors() > 12 ? 0x70 : 0x00;
    SimDrive drive =
        new SimDrive(
            identity,
            new Fate(seed, hours, onsetHour, riseC, linkErrors, selfTest),
            ageing,
            Clock.fixed(Instant.EPOCH, ZoneOffset.UTC),
            0);
    Map<String, String> pages = new LinkedHashMap<>();
    for (PageKind kind : KEPT) {
      if (drive.read(kind) instanceof PageAnswer.Got got) {
        pages.put(kind.wireName(), Base64.getEncoder().encodeToString(got.raw().bytes()));
      }
    }
    return pages;
  }
}

package tekmerion.core.drive;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import tekmerion.core.drive.ata.AttributeBook;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.ata.RawMeaning;
import tekmerion.core.drive.ata.SelfTestStatus;
import tekmerion.core.drive.ata.SmartAttribute;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.drive.ata.SmartThresholds;
import tekmerion.core.drive.ata.ThresholdState;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.port.PageKind;

/**
 * Findings from one reading of a drive. What the drive does not report gives no finding at all:
 * unknown is not absent.
 */
public final class DriveFindings {
  /** Ten and more: the count at which a shop no longer speaks of a single weak spot. Judgement. */
  private static final long MANY = 10;

  private static final int YOUNG_HOURS = 2 * 8766;
  private static final int OLD_HOURS = 5 * 8766;
  private static final int WARM_C = 50;
  private static final int HOT_C = 60;

  private final String part;
  private final AttributeBook book = AttributeBook.shipped();
  private final List<Finding> findings = new ArrayList<>();

  private DriveFindings(String part) {
    this.part = part;
  }

  /**
   * @param part key of the drive, given to every finding
   * @return in the order in which they are to be read; empty if nothing was reported
   */
  public static List<Finding> of(String part, PartReading reading) {
    DriveFindings of = new DriveFindings(part);
    reading.identify().ifPresent(of::identity);
    reading.smart().ifPresent(smart -> of.smart(smart, thresholds(reading)));
    AtaLogFindings.into(of.findings, part, reading);
    NvmeFindings.into(of.findings, part, reading);
    reading.sound(PageKind.KERNEL_LOG, KernelLog.class).ifPresent(of::kernelLog);
    return List.copyOf(of.findings);
  }

  private static Optional<SmartThresholds> thresholds(PartReading reading) {
    return reading.thresholds().flatMap(Decoding::decoded);
  }

  private void identity(Decoding<IdentifyDevice> decoding) {
    String page = PageKind.ATA_IDENTIFY.wireName();
    if (decoding.damage().isPresent()) {
      damagedPage("drive.identity", page, decoding.damage().get());
    } else {
      add(
          "drive.identity",
          "sound",
          say("drive.its-identity-page-is-sound"),
          Basis.reading(page, 0, 512));
    }
  }

  private void smart(Decoding<SmartData> decoding, Optional<SmartThresholds> thresholds) {
    String page = PageKind.ATA_SMART.wireName();
    if (decoding.damage().isPresent()) {
      damagedPage("drive.report", page, decoding.damage().get());
      return;
    }
    SmartData data = decoding.decoded().orElseThrow();
    add(
        "drive.report",
        "sound",
        say("drive.its-self-report-is-sound"),
        Basis.reading(page, 511, 1));
    limits(data, thresholds);
    count(data, 197, "drive.pending-sectors");
    count(data, 198, "drive.uncorrectable");
    count(data, 5, "drive.reallocated");
    count(data, 187, "drive.reported-errors");
    count(data, 188, "drive.timeouts");
    count(data, 199, "drive.link-errors");
    count(data, 10, "drive.spin-retries");
    temperature(data);
    age(data);
    selfTest(data);
  }

  private void damagedPage(String finding, String page, Fault fault) {
    boolean silent =
        fault.kind() == Fault.Kind.ALL_ZERO
            || fault.kind() == Fault.Kind.ALL_ONES
            || fault.kind() == Fault.Kind.WRONG_SIZE;
    add(
        finding,
        silent ? "silent" : "garbled",
        fault.what(),
        Basis.reading(page, fault.offset(), 1));
  }

  private void limits(SmartData data, Optional<SmartThresholds> thresholds) {
    if (thresholds.isEmpty()) {
      return;
    }
    SmartAttribute worst = null;
    ThresholdState worstState = ThresholdState.PASSES;
    boolean anyLimit = false;
    for (SmartAttribute attribute : data.attributes()) {
      ThresholdState state = stateOf(attribute, thresholds);
      anyLimit |= attribute.isPreFailure() && state == ThresholdState.PASSES;
      boolean worse =
          state == ThresholdState.FAILS_NOW
              || state == ThresholdState.FAILED_BEFORE && worstState == ThresholdState.PASSES;
      if (attribute.isPreFailure() && worse) {
        worst = attribute;
        worstState = state;
      }
    }
    if (worst != null) {
      String level = worstState == ThresholdState.FAILS_NOW ? "fails-now" : "failed-before";
      add("drive.limit", level, "%s %s".formatted(name(worst), worstState.words()), basis(worst));
    } else if (anyLimit) {
      add(
          "drive.limit",
          "within",
          say("drive.all-failure-limits-of-the-drive"),
          Basis.reading(PageKind.ATA_THRESHOLDS.wireName(), 2, 360));
    }
  }

  private void count(SmartData data, int id, String finding) {
    reported(data, id)
        .ifPresent(
            found -> {
              long n = found.meaning().value();
              String words = say("counted." + finding, "n", n);
              String level = n == 0 ? "none" : n < MANY ? "some" : "many";
              add(finding, level, words, basis(found.attribute()));
            });
  }

  private void temperature(SmartData data) {
    reported(data, 194)
        .or(() -> reported(data, 190))
        .ifPresent(
            found -> {
              long celsius = found.meaning().value();
              String level = celsius >= HOT_C ? "hot" : celsius >= WARM_C ? "warm" : "normal";
              add(
                  "drive.temperature",
                  level,
                  say("drive.the-drive-is-at-c", "celsius", celsius),
                  basis(found.attribute()));
            });
  }

  private void age(SmartData data) {
    reported(data, 9)
        .ifPresent(
            found -> {
              long hours = found.meaning().value();
              String level = hours < YOUNG_HOURS ? "young" : hours < OLD_HOURS ? "grown" : "old";
              String words = say("drive.power-on-hours", "ageWord", ageWord(level), "hours", hours);
              add("drive.age", level, words, basis(found.attribute()));
            });
  }

  private static String ageWord(String level) {
    return switch (level) {
      case "young" -> say("drive.young");
      case "old" -> say("drive.old");
      default -> say("drive.of-middle-age");
    };
  }

  /** "Completed without error or never run" tells nothing, so only a failure is a finding. */
  private void selfTest(SmartData data) {
    SelfTestStatus status = data.selfTestStatus();
    if (status.isFailure()) {
      add(
          "drive.self-test",
          "failed",
          say("drive.its-last-self-test", "status", status.words()),
          Basis.reading(PageKind.ATA_SMART.wireName(), 363, 1));
    }
  }

  private void kernelLog(KernelLog log) {
    Basis basis = Basis.reading(PageKind.KERNEL_LOG.wireName(), 0, 0);
    long errors = log.count(KernelLog.Kind.READ_ERROR);
    long resets = log.count(KernelLog.Kind.LINK_RESET);
    add(
        "drive.kernel-errors",
        errors == 0 ? "none" : "some",
        say("drive.read-errors-in-the-systems-log", "n", errors),
        basis);
    add(
        "drive.kernel-resets",
        resets == 0 ? "none" : "some",
        say("drive.link-resets-in-the-systems-log", "n", resets),
        basis);
  }

  private record Reported(SmartAttribute attribute, RawMeaning meaning) {}

  private Optional<Reported> reported(SmartData data, int id) {
    return data.attribute(id)
        .flatMap(a -> book.meaningOf(a).map(meaning -> new Reported(a, meaning)));
  }

  private String name(SmartAttribute attribute) {
    return book.nameOf(attribute.id()).orElse(say("drive.attribute", "attribute", attribute.id()));
  }

  private static Basis basis(SmartAttribute attribute) {
    return Basis.reading(PageKind.ATA_SMART.wireName(), attribute.offset(), 12);
  }

  private void add(String id, String level, String words, Basis basis) {
    findings.add(new Finding(id, part, level, words, basis));
  }

  /** For callers that show an attribute beside its limit. */
  public static ThresholdState stateOf(
      SmartAttribute attribute, Optional<SmartThresholds> thresholds) {
    OptionalInt limit =
        thresholds.map(t -> t.thresholdOf(attribute.id())).orElse(OptionalInt.empty());
    return ThresholdState.of(attribute, limit);
  }
}

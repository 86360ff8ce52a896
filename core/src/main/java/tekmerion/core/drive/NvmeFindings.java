package tekmerion.core.drive;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import tekmerion.core.drive.nvme.DeviceSelfTestLog;
import tekmerion.core.drive.nvme.HealthField;
import tekmerion.core.drive.nvme.HealthLog;
import tekmerion.core.drive.nvme.IdentifyController;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.port.PageKind;

/** Findings from one reading of an NVMe drive. */
final class NvmeFindings {
  private static final long MANY = 10;
  private static final int YOUNG_HOURS = 2 * 8766;
  private static final int OLD_HOURS = 5 * 8766;
  private static final int WARM_C = 60;
  private static final int HOT_C = 75;
  private static final int WORN_PERCENT = 80;
  private static final int SPENT_PERCENT = 100;

  /** More sudden ends than this share of its starts: judgement. */
  private static final double OFTEN = 0.3;

  private static final long FEW_STARTS = 20;

  private final String part;
  private final List<Finding> findings;

  private NvmeFindings(String part, List<Finding> findings) {
    this.part = part;
    this.findings = findings;
  }

  static void into(List<Finding> findings, String part, PartReading reading) {
    NvmeFindings of = new NvmeFindings(part, findings);
    reading
        .page(PageKind.NVME_IDENTIFY_CONTROLLER, IdentifyController.class)
        .ifPresent(of::identity);
    reading.page(PageKind.NVME_SMART, HealthLog.class).ifPresent(of::health);
    reading.sound(PageKind.NVME_SELFTEST_LOG, DeviceSelfTestLog.class).ifPresent(of::selfTest);
  }

  private void identity(Decoding<IdentifyController> decoding) {
    String page = PageKind.NVME_IDENTIFY_CONTROLLER.wireName();
    Optional<Fault> damage = decoding.damage();
    if (damage.isPresent()) {
      damaged("drive.identity", page, damage.get());
    } else {
      add(
          "drive.identity",
          "sound",
          say("drive.its-identity-page-is-sound"),
          Basis.reading(page, 0, 72));
    }
  }

  private void damaged(String finding, String page, Fault fault) {
    boolean garbled =
        fault.kind() == Fault.Kind.NOT_TEXT || fault.kind() == Fault.Kind.BAD_CHECKSUM;
    add(
        finding,
        garbled ? "garbled" : "silent",
        fault.what(),
        Basis.reading(page, fault.offset(), 1));
  }

  private void health(Decoding<HealthLog> decoding) {
    if (decoding.damage().isPresent()) {
      damaged("drive.report", PageKind.NVME_SMART.wireName(), decoding.damage().get());
      return;
    }
    HealthLog log = decoding.decoded().orElseThrow();
    add(
        "drive.report",
        "sound",
        say("drive.its-self-report-is-sound"),
        Basis.reading(PageKind.NVME_SMART.wireName(), 0, HealthLog.PAGE_BYTES));
    critical(log);
    media(log);
    spare(log);
    wear(log);
    suddenEnds(log);
    age(log);
    if (log.temperatureC().isPresent()) {
      int c = log.temperatureC().getAsInt();
      add(
          "drive.temperature",
          c >= HOT_C ? "hot" : c >= WARM_C ? "warm" : "normal",
          say("drive.the-drive-is-at-c-2", "c", c),
          basis(HealthField.COMPOSITE_TEMPERATURE));
    }
  }

  private void critical(HealthLog log) {
    var fields = log.fields();
    if (fields.isSet(HealthField.MEDIA_READ_ONLY)) {
      add(
          "drive.critical",
          "read-only",
          say("drive.the-drive-has-put-itself-into"),
          basis(HealthField.MEDIA_READ_ONLY));
    } else if (fields.isSet(HealthField.RELIABILITY_DEGRADED)
        || fields.isSet(HealthField.AVAILABLE_SPARE_BELOW_THRESHOLD)
        || fields.isSet(HealthField.VOLATILE_MEMORY_BACKUP_FAILED)) {
      add(
          "drive.critical",
          "degraded",
          say("drive.the-drive-itself-warns-that-it"),
          basis(HealthField.RELIABILITY_DEGRADED));
    } else {
      add(
          "drive.critical",
          "none",
          say("drive.the-drive-gives-no-critical-warning"),
          basis(HealthField.RELIABILITY_DEGRADED));
    }
  }

  private void media(HealthLog log) {
    OptionalLong errors = log.fields().number(HealthField.MEDIA_AND_DATA_INTEGRITY_ERRORS);
    if (errors.isPresent()) {
      long n = errors.getAsLong();
      add(
          "drive.media-errors",
          n == 0 ? "none" : n < MANY ? "some" : "many",
          n == 0
              ? say("drive.no-media-or-data-integrity-error")
              : say("drive.media-or-data-integrity", "n", n),
          basis(HealthField.MEDIA_AND_DATA_INTEGRITY_ERRORS));
    }
  }

  private void spare(HealthLog log) {
    int spare = log.fields().small(HealthField.AVAILABLE_SPARE).orElseThrow();
    int limit = log.fields().small(HealthField.AVAILABLE_SPARE_THRESHOLD).orElseThrow();
    // Its own warning counts more than its own number: firmware has told both at once.
    boolean warns = log.fields().isSet(HealthField.AVAILABLE_SPARE_BELOW_THRESHOLD);
    String level = warns || spare < limit ? "below-limit" : spare < 2 * limit ? "low" : "ample";
    add(
        "drive.spare",
        level,
        say(
            "drive.spare-left-its-limit-is",
            "spare",
            spare,
            "limit",
            limit,
            "warns",
            warns && spare >= limit ? say("drive.and-it-warns-that-it-is") : ""),
        basis(HealthField.AVAILABLE_SPARE));
  }

  private void wear(HealthLog log) {
    int used = log.fields().small(HealthField.PERCENTAGE_USED).orElseThrow();
    add(
        "drive.wear",
        used > SPENT_PERCENT ? "spent" : used >= WORN_PERCENT ? "worn" : "fresh",
        say("drive.of-its-rated-endurance-used", "used", used == 255 ? "over 254" : used),
        basis(HealthField.PERCENTAGE_USED));
  }

  private void suddenEnds(HealthLog log) {
    OptionalLong unsafe = log.fields().number(HealthField.UNSAFE_SHUTDOWNS);
    OptionalLong cycles = log.fields().number(HealthField.POWER_CYCLES);
    if (unsafe.isPresent() && cycles.isPresent() && cycles.getAsLong() >= FEW_STARTS) {
      boolean often = unsafe.getAsLong() > OFTEN * cycles.getAsLong();
      add(
          "drive.sudden-ends",
          often ? "often" : "seldom",
          say(
              "drive.of-starts-ended-without-notice",
              "unsafe",
              unsafe.getAsLong(),
              "cycles",
              cycles.getAsLong()),
          basis(HealthField.UNSAFE_SHUTDOWNS));
    }
  }

  private void age(HealthLog log) {
    OptionalLong reported = log.fields().number(HealthField.POWER_ON_HOURS);
    if (reported.isPresent()) {
      long hours = reported.getAsLong();
      String level = hours < YOUNG_HOURS ? "young" : hours < OLD_HOURS ? "grown" : "old";
      String word =
          hours < YOUNG_HOURS
              ? say("drive.young")
              : hours < OLD_HOURS ? say("drive.of-middle-age") : say("drive.old");
      add(
          "drive.age",
          level,
          say("drive.power-on-hours-2", "word", word, "hours", hours),
          basis(HealthField.POWER_ON_HOURS));
    }
  }

  private void selfTest(DeviceSelfTestLog log) {
    if (log.results().isEmpty()) {
      return;
    }
    DeviceSelfTestLog.Result newest = log.results().get(0);
    Basis basis = Basis.reading(PageKind.NVME_SELFTEST_LOG.wireName(), 4, 28);
    if (newest.isFailure()) {
      OptionalLong lba = newest.failingLba();
      String where = lba.isPresent() ? say("drive.at-block", "lba", lba.getAsLong()) : "";
      add(
          "drive.self-test",
          "failed",
          say("drive.its-self-test-failed", "test", newest.test(), "where", where),
          basis);
    } else if (newest.code() == 0) {
      add(
          "drive.self-test",
          "passed",
          say("drive.its-self-test-passed", "test", newest.test()),
          basis);
    }
  }

  private static Basis basis(HealthField field) {
    return Basis.reading(
        PageKind.NVME_SMART.wireName(), field.layout().offset(), field.layout().length());
  }

  private void add(String id, String level, String words, Basis basis) {
    findings.add(new Finding(id, part, level, words, basis));
  }
}

package tekmerion.core.drive;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import tekmerion.core.drive.ata.DeviceStatistic;
import tekmerion.core.drive.ata.DeviceStatistics;
import tekmerion.core.drive.ata.ErrorLog;
import tekmerion.core.drive.ata.LoggedError;
import tekmerion.core.drive.ata.SelfTestEntry;
import tekmerion.core.drive.ata.SelfTestLog;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;
import tekmerion.core.port.PageKind;

/** Findings from the logs of an ATA drive: what it tested, what it reported, what it measured. */
final class AtaLogFindings {
  private static final int MANY = 10;

  private final String part;
  private final PartReading reading;
  private final List<Finding> findings;

  private AtaLogFindings(String part, PartReading reading, List<Finding> findings) {
    this.part = part;
    this.reading = reading;
    this.findings = findings;
  }

  static void into(List<Finding> findings, String part, PartReading reading) {
    AtaLogFindings of = new AtaLogFindings(part, reading, findings);
    of.selfTest();
    of.errors();
    of.overTemperature();
  }

  /** The log of 48-bit addresses is asked first: the older one cannot hold a high address. */
  private void selfTest() {
    PageKind kind = PageKind.ATA_SELFTEST_LOG_EXTENDED;
    Optional<SelfTestLog> log = reading.sound(kind, SelfTestLog.class);
    if (log.flatMap(SelfTestLog::latest).isEmpty()) {
      kind = PageKind.ATA_SELFTEST_LOG;
      log = reading.sound(kind, SelfTestLog.class);
    }
    Optional<SelfTestEntry> newest = log.flatMap(SelfTestLog::latest);
    if (newest.isEmpty()) {
      return;
    }
    SelfTestEntry test = newest.get();
    Basis basis = Basis.reading(kind.wireName(), test.offset(), test.length());
    if (test.status().isFailure()) {
      OptionalLong lba = test.firstFailingLba();
      String where = lba.isPresent() ? say("drive.at-sector", "lba", lba.getAsLong()) : "";
      replace(
          "drive.self-test",
          "failed",
          say(
              "drive.its-self-test-failed-with-of",
              "test",
              test.test(),
              "where",
              where,
              "remainingPercent",
              test.remainingPercent()),
          basis);
    } else if (test.statusCode() >> 4 == 0) {
      replace(
          "drive.self-test",
          "passed",
          say("drive.its-self-test-passed", "test", test.test()),
          basis);
    }
  }

  private void errors() {
    PageKind kind = PageKind.ATA_ERROR_LOG_EXTENDED;
    Optional<ErrorLog> log = reading.sound(kind, ErrorLog.class);
    if (log.isEmpty()) {
      kind = PageKind.ATA_ERROR_LOG;
      log = reading.sound(kind, ErrorLog.class);
    }
    if (log.isEmpty()) {
      return;
    }
    long media = log.get().entries().stream().filter(LoggedError::isUncorrectable).count();
    long link = log.get().entries().stream().filter(LoggedError::isInterfaceCrc).count();
    int all = log.get().deviceErrorCount();
    String level = media == 0 ? "none" : all < MANY ? "some" : "many";
    String words =
        media == 0
            ? say("drive.no-uncorrectable-data-in-its-error")
            : say(
                "drive.its-error-log-of-the-last",
                "media",
                media,
                "count",
                log.get().entries().size(),
                "all",
                all);
    Basis basis = Basis.reading(kind.wireName(), 0, 512);
    add("drive.logged-errors", level, words, basis);
    if (link > 0) {
      add(
          "drive.logged-link",
          "some",
          say(
              "drive.its-error-log-of-the-last-2",
              "link",
              link,
              "count",
              log.get().entries().size()),
          basis);
    }
  }

  private void overTemperature() {
    PageKind kind = PageKind.ATA_DEVICE_STATISTICS;
    DeviceStatistic statistic = DeviceStatistic.TIME_IN_OVER_TEMPERATURE;
    reading
        .sound(kind, DeviceStatistics.class)
        .ifPresent(
            log -> {
              OptionalLong minutes = log.value(statistic);
              if (minutes.isPresent()) {
                int at = log.entries().get(statistic).offset();
                long n = minutes.getAsLong();
                add(
                    "drive.over-temperature",
                    n == 0 ? "never" : "was",
                    n == 0
                        ? say("drive.never-above-its-highest-operating-temperature")
                        : say("drive.minutes-above-its-highest-operating-temperature", "n", n),
                    Basis.reading(kind.wireName(), at, 8));
              }
            });
  }

  /** The log tells more than the one status byte of SMART READ DATA, so it takes its place. */
  private void replace(String id, String level, String words, Basis basis) {
    findings.removeIf(s -> s.id().equals(id));
    add(id, level, words, basis);
  }

  private void add(String id, String level, String words, Basis basis) {
    findings.add(new Finding(id, part, level, words, basis));
  }
}

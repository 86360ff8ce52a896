package tekmerion.core.drive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;

/**
 * From bytes at the standards' offsets to findings; the know-how must know each finding and level.
 */
class LogFindingsTest {
  private final Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);

  private void answer(PageKind kind, byte[] bytes) {
    answers.put(kind, new PageAnswer.Got(new RawPage(bytes)));
  }

  private List<Finding> findings() {
    List<Finding> findings = DriveFindings.of("drive-a", new PartReading(answers));
    for (Finding finding : findings) {
      assertThat(KnowHow.shipped().finding(finding.id()))
          .as(finding.id())
          .hasValueSatisfying(kind -> assertThat(kind.levels()).contains(finding.level()));
    }
    return findings;
  }

  private Optional<Finding> finding(String id) {
    return findings().stream().filter(s -> s.id().equals(id)).findFirst();
  }

  private static byte[] sealed(byte[] page) {
    int sum = 0;
    for (byte b : page) {
      sum += b;
    }
    page[511] -= (byte) sum;
    return page;
  }

  /** SMART READ DATA whose one status byte says that a self-test failed. */
  private void smartSaysFailed() {
    byte[] smart = new byte[512];
    smart[0] = 0x10;
    smart[363] = 0x70;
    answer(PageKind.ATA_SMART, sealed(smart));
  }

  /** One entry in log 06h: ACS-3, A.22; descriptor at 2, index at 508. */
  private void selfTestLog(int status, int lba) {
    byte[] log = new byte[512];
    log[0] = 1;
    log[2] = 2;
    log[3] = (byte) status;
    log[4] = 1;
    for (int i = 0; i < 4; i++) {
      log[7 + i] = (byte) (lba >> 8 * i);
    }
    log[508] = 1;
    answer(PageKind.ATA_SELFTEST_LOG, sealed(log));
  }

  @Test
  void theLogSaysWhereASelfTestFailedAndTakesThePlaceOfTheStatusByte() {
    smartSaysFailed();
    selfTestLog(0x76, 11_228_329);

    List<Finding> tests =
        findings().stream().filter(s -> s.id().equals("drive.self-test")).toList();

    assertThat(tests).hasSize(1);
    assertThat(tests.get(0).words())
        .isEqualTo("Its extended self-test failed at sector 11,228,329, with 60 % of it left");
    assertThat(tests.get(0).basis().page()).isEqualTo("ata-selftest-log");
    assertThat(tests.get(0).basis().offset()).isEqualTo(2);
  }

  @Test
  void anAbortedSelfTestIsNeitherPassedNorFailed() {
    selfTestLog(0x10, 0);

    assertThat(finding("drive.self-test")).isEmpty();
  }

  /** Log 01h: entry at 2, its error data at 62, ERROR at 63; count at 452. */
  private void errorLog(int error, int count) {
    byte[] log = new byte[512];
    log[0] = 1;
    log[1] = 1;
    log[2 + 61] = (byte) error;
    log[2 + 67] = 0x51;
    log[452] = (byte) count;
    log[453] = (byte) (count >> 8);
    answer(PageKind.ATA_ERROR_LOG, sealed(log));
  }

  @ParameterizedTest(name = "ERROR {0}, {1} in all: {2}, link {3}")
  @CsvSource({"0x40, 3, some, false", "0x40, 300, many, false", "0x84, 9, none, true"})
  void tellsErrorsOfTheMediumFromErrorsOfTheLink(
      String error, int count, String level, boolean link) {
    errorLog(Integer.decode(error), count);

    assertThat(finding("drive.logged-errors")).map(Finding::level).hasValue(level);
    assertThat(finding("drive.logged-link").isPresent()).isEqualTo(link);
  }

  /** Device Statistics page 05h, time in over-temperature: quadword at 80, flags in byte 87. */
  @ParameterizedTest(name = "{0} min, flags {1}: {2}")
  @CsvSource({"0, 0xC0, never", "25, 0xC0, was", "25, 0x80, "})
  void heatOfThePastIsAFindingOnlyIfTheStatisticIsValid(int minutes, String flags, String level) {
    byte[] page = new byte[512];
    page[0] = 1;
    page[2] = 5;
    page[80] = (byte) minutes;
    page[87] = Integer.decode(flags).byteValue();
    answer(PageKind.ATA_DEVICE_STATISTICS, page);

    assertThat(finding("drive.over-temperature"))
        .map(Finding::level)
        .isEqualTo(Optional.ofNullable(level));
  }

  private byte[] health() {
    byte[] page = new byte[512];
    page[3] = 100;
    page[4] = 10;
    return page;
  }

  @ParameterizedTest(name = "byte {0} = {1}: {2} is {3}")
  @CsvSource({
    "0, 0x00, drive.critical, none",
    "0, 0x04, drive.critical, degraded",
    "0, 0x01, drive.critical, degraded",
    "0, 0x0C, drive.critical, read-only",
    "3, 100, drive.spare, ample",
    "3, 19, drive.spare, low",
    "3, 9, drive.spare, below-limit",
    "5, 79, drive.wear, fresh",
    "5, 80, drive.wear, worn",
    "5, 255, drive.wear, spent",
    "160, 0, drive.media-errors, none",
    "160, 9, drive.media-errors, some",
    "160, 10, drive.media-errors, many",
    "128, 1, drive.age, young"
  })
  void readsTheHealthOfAnNvmeDrive(int offset, String value, String finding, String level) {
    byte[] page = health();
    page[offset] = Integer.decode(value).byteValue();
    answer(PageKind.NVME_SMART, page);

    assertThat(finding(finding)).map(Finding::level).hasValue(level);
  }

  @ParameterizedTest(name = "{0} of {1} starts: {2}")
  @CsvSource({"31, 100, often", "30, 100, seldom", "9, 10, "})
  void suddenEndsAreAFindingOnlyAfterEnoughStarts(int unsafe, int starts, String level) {
    byte[] page = health();
    page[112] = (byte) starts;
    page[144] = (byte) unsafe;
    answer(PageKind.NVME_SMART, page);

    assertThat(finding("drive.sudden-ends"))
        .map(Finding::level)
        .isEqualTo(Optional.ofNullable(level));
  }

  @Test
  void aHealthPageOfFFhIsSilenceAndNothingElse() {
    byte[] page = new byte[512];
    Arrays.fill(page, (byte) 0xFF);
    answer(PageKind.NVME_SMART, page);

    assertThat(findings())
        .extracting(Finding::id, Finding::level)
        .containsExactly(tuple("drive.report", "silent"));
  }

  @Test
  void aLogWithoutLinesSaysThatNothingWasLogged() {
    answer(PageKind.KERNEL_LOG, new byte[0]);

    assertThat(finding("drive.kernel-errors")).map(Finding::level).hasValue("none");
    assertThat(finding("drive.kernel-resets")).map(Finding::level).hasValue("none");
  }

  @ParameterizedTest(name = "{1} bad, {2} slow, {0} read, sampled {3}: {4}")
  @CsvSource({
    "1.0, 0, 0, false, clean",
    "0.5, 0, 0, false, ",
    "1.0, 0, 0, true, clean",
    "0.5, 0, 0, true, ",
    "0.1, 0, 2, false, slow",
    "0.1, 1, 2, false, some-unreadable",
    "1.0, 9, 0, false, some-unreadable",
    "1.0, 10, 0, true, many-unreadable"
  })
  void callsASurfaceCleanOnlyIfAllOfItWasRead(
      double share, long bad, int slow, boolean sampled, String level) {
    assertThat(SurfaceFindings.of("drive-a", share, bad, slow, sampled))
        .map(Finding::level)
        .isEqualTo(Optional.ofNullable(level));
  }
}

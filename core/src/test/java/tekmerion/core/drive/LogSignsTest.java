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
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.sign.Sign;

/** From bytes at the standards' offsets to signs; the know-how must know each sign and level. */
class LogSignsTest {
  private final Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);

  private void answer(PageKind kind, byte[] bytes) {
    answers.put(kind, new PageAnswer.Got(new RawPage(bytes)));
  }

  private List<Sign> signs() {
    List<Sign> signs = DriveSigns.of("drive-a", new DriveReading(answers));
    for (Sign sign : signs) {
      assertThat(KnowHow.shipped().sign(sign.id()))
          .as(sign.id())
          .hasValueSatisfying(kind -> assertThat(kind.levels()).contains(sign.level()));
    }
    return signs;
  }

  private Optional<Sign> sign(String id) {
    return signs().stream().filter(s -> s.id().equals(id)).findFirst();
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

    List<Sign> tests = signs().stream().filter(s -> s.id().equals("drive.self-test")).toList();

    assertThat(tests).hasSize(1);
    assertThat(tests.get(0).words())
        .isEqualTo("Its extended self-test failed at sector 11,228,329, with 60 % of it left");
    assertThat(tests.get(0).basis().page()).isEqualTo("ata-selftest-log");
    assertThat(tests.get(0).basis().offset()).isEqualTo(2);
  }

  @Test
  void anAbortedSelfTestIsNeitherPassedNorFailed() {
    selfTestLog(0x10, 0);

    assertThat(sign("drive.self-test")).isEmpty();
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

    assertThat(sign("drive.logged-errors")).map(Sign::level).hasValue(level);
    assertThat(sign("drive.logged-link").isPresent()).isEqualTo(link);
  }

  /** Device Statistics page 05h, time in over-temperature: quadword at 80, flags in byte 87. */
  @ParameterizedTest(name = "{0} min, flags {1}: {2}")
  @CsvSource({"0, 0xC0, never", "25, 0xC0, was", "25, 0x80, "})
  void heatOfThePastIsASignOnlyIfTheStatisticIsValid(int minutes, String flags, String level) {
    byte[] page = new byte[512];
    page[0] = 1;
    page[2] = 5;
    page[80] = (byte) minutes;
    page[87] = Integer.decode(flags).byteValue();
    answer(PageKind.ATA_DEVICE_STATISTICS, page);

    assertThat(sign("drive.over-temperature"))
        .map(Sign::level)
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
  void readsTheHealthOfAnNvmeDrive(int offset, String value, String sign, String level) {
    byte[] page = health();
    page[offset] = Integer.decode(value).byteValue();
    answer(PageKind.NVME_SMART, page);

    assertThat(sign(sign)).map(Sign::level).hasValue(level);
  }

  @ParameterizedTest(name = "{0} of {1} starts: {2}")
  @CsvSource({"31, 100, often", "30, 100, seldom", "9, 10, "})
  void suddenEndsAreASignOnlyAfterEnoughStarts(int unsafe, int starts, String level) {
    byte[] page = health();
    page[112] = (byte) starts;
    page[144] = (byte) unsafe;
    answer(PageKind.NVME_SMART, page);

    assertThat(sign("drive.sudden-ends")).map(Sign::level).isEqualTo(Optional.ofNullable(level));
  }

  @Test
  void aHealthPageOfFFhIsSilenceAndNothingElse() {
    byte[] page = new byte[512];
    Arrays.fill(page, (byte) 0xFF);
    answer(PageKind.NVME_SMART, page);

    assertThat(signs())
        .extracting(Sign::id, Sign::level)
        .containsExactly(tuple("drive.report", "silent"));
  }

  @Test
  void aLogWithoutLinesSaysThatNothingWasLogged() {
    answer(PageKind.KERNEL_LOG, new byte[0]);

    assertThat(sign("drive.kernel-errors")).map(Sign::level).hasValue("none");
    assertThat(sign("drive.kernel-resets")).map(Sign::level).hasValue("none");
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
    assertThat(SurfaceSigns.of("drive-a", share, bad, slow, sampled))
        .map(Sign::level)
        .isEqualTo(Optional.ofNullable(level));
  }
}

package tekmerion.core.drive.ata;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** Offsets are those of ACS-3, annex A, and 8.3.2 for SCT. */
class AtaLogsTest {
  /** Descriptor n (from 1) of log 06h: 2 + 24·(n − 1). */
  private static int summary(int n) {
    return 2 + 24 * (n - 1);
  }

  @Test
  void readsSelfTestsNewestFirstRoundTheRing() {
    Bytes log = new Bytes().at(0, 1).at(508, 2);
    log.at(summary(1), 1, 0x00, 0x10, 0x27); // short, passed, 10,000 h
    log.at(summary(2), 2, 0x70, 0x20, 0x27, 0x05, 0xA9, 0x54, 0xAB, 0x00); // extended, read failed
    log.at(summary(21), 3, 0x10, 0x0F, 0x27); // conveyance, aborted; oldest, at the ring's end

    SelfTestLog decoded = SelfTestLog.decode(log.sealed()).decoded().orElseThrow();

    assertThat(decoded.entries())
        .extracting(SelfTestEntry::test)
        .containsExactly("extended", "short", "conveyance");
    SelfTestEntry newest = decoded.latest().orElseThrow();
    assertThat(newest.status()).isEqualTo(SelfTestStatus.FAILED_READ);
    assertThat(newest.lifeHours()).isEqualTo(10_016); // 2720h
    assertThat(newest.checkpoint()).isEqualTo(5);
    assertThat(newest.firstFailingLba()).isEqualTo(OptionalLong.of(11_228_329)); // 00AB54A9h
    assertThat(decoded.entries().get(1).firstFailingLba()).isEmpty();
  }

  @Test
  void readsA48BitFailingAddressFromTheExtendedLog() {
    // 19 descriptors of 26 bytes from byte 4; the address is bytes 5 to 10 of the descriptor.
    RawPage log =
        new Bytes()
            .at(0, 1)
            .at(2, 1)
            .at(4, 0x82, 0x73, 0x01, 0x00, 0, 0xFE, 0xCA, 0x00, 0x12, 0x01, 0x00)
            .sealed();

    SelfTestEntry entry =
        SelfTestLog.decodeExtended(log).decoded().orElseThrow().latest().orElseThrow();

    assertThat(entry.test()).isEqualTo("extended, captive");
    assertThat(entry.firstFailingLba()).hasValue(0x0001_1200_CAFEL);
  }

  @Test
  void readsTheErrorThatTheNewestEntryTells() {
    // Entry 1 at byte 2: five commands of 12 bytes, the error data from byte 60 of the entry.
    Bytes log = new Bytes().at(0, 1, 1).at(452, 0x2C, 0x01);
    log.at(2 + 48, 0, 0xAA, 8, 0x11, 0x22, 0x33, 0xE4, 0x25, 0x40, 0xE2, 0x01, 0x00);
    log.at(2 + 60, 0, 0x40, 8, 0x13, 0x22, 0x33, 0xE4, 0x51).at(2 + 60 + 27, 0x03, 0x39, 0x05);

    ErrorLog decoded = ErrorLog.decode(log.sealed()).decoded().orElseThrow();

    assertThat(decoded.deviceErrorCount()).isEqualTo(300);
    LoggedError error = decoded.entries().get(0);
    assertThat(error.isUncorrectable()).isTrue();
    assertThat(error.isInterfaceCrc()).isFalse();
    assertThat(error.lba()).isEqualTo(0x0433_2213L); // the low four bits of DEVICE are bits 27:24
    assertThat(error.state()).isEqualTo("active or idle");
    assertThat(error.lifeHours()).isEqualTo(1_337);
    LoggedError.LoggedCommand last = error.commands().get(4);
    assertThat(last.code()).isEqualTo(0x25);
    assertThat(last.timestampMs()).isEqualTo(123_456); // 0001E240h
  }

  @Test
  void putsTheSplitAddressOfTheExtendedErrorLogTogether() {
    // Entry at 4, error data at +90: LBA bytes stand as 7:0, 31:24, 15:8, 39:32, 23:16, 47:40.
    RawPage log =
        new Bytes()
            .at(0, 1)
            .at(2, 1)
            .at(4 + 90, 0, 0x80, 1, 0, 0x01, 0x04, 0x02, 0x05, 0x03, 0x06, 0, 0x51)
            .at(500, 1)
            .sealed();

    LoggedError error = ErrorLog.decodeExtended(log).decoded().orElseThrow().entries().get(0);

    assertThat(error.lba()).isEqualTo(0x0605_0403_0201L);
    assertThat(error.words()).isEqualTo("checksum error on the link");
  }

  @Test
  void aChecksumIsAskedOfEveryPageOfALog() {
    byte[] two = new byte[1024];
    System.arraycopy(new Bytes().at(0, 1).at(2, 1).sealed().bytes(), 0, two, 0, 512);
    two[600] = 1; // the second page's sum does not hold

    Fault fault = SelfTestLog.decodeExtended(new RawPage(two)).damage().orElseThrow();

    assertThat(fault.kind()).isEqualTo(Fault.Kind.BAD_CHECKSUM);
    assertThat(fault.offset()).isEqualTo(1023);
  }

  @ParameterizedTest(name = "flags {0}: value {1}")
  @CsvSource({"0xC0, 41", "0x80, ", "0xC8, 41"})
  void tellsAValidStatisticFromOneThatIsNotValidNow(String flags, Long value) {
    // Page 05h, current temperature: quadword at 8, value in byte 0, flags in byte 7.
    RawPage log = new Bytes().at(0, 1, 0, 5).at(8, 41).at(15, Integer.decode(flags)).page();

    DeviceStatistics statistics = DeviceStatistics.decode(log).decoded().orElseThrow();

    DeviceStatistics.Entry entry = statistics.entries().get(DeviceStatistic.CURRENT_TEMPERATURE);
    assertThat(entry.value())
        .isEqualTo(value == null ? OptionalLong.empty() : OptionalLong.of(value));
    assertThat(entry.conditionMet()).isEqualTo(Integer.decode(flags) == 0xC8);
  }

  @Test
  void leavesOutWhatTheDriveDoesNotSupportAndReadsTemperaturesSigned() {
    RawPage log = new Bytes().at(0, 1, 0, 5).at(40, 0xF6).at(47, 0xC0).page();

    DeviceStatistics statistics = DeviceStatistics.decode(log).decoded().orElseThrow();

    assertThat(statistics.entries()).containsOnlyKeys(DeviceStatistic.LOWEST_TEMPERATURE);
    assertThat(statistics.value(DeviceStatistic.LOWEST_TEMPERATURE)).hasValue(-10);
    assertThat(statistics.value(DeviceStatistic.HIGHEST_TEMPERATURE)).isEmpty();
  }

  @Test
  void readsTheSctTemperatures() {
    RawPage page =
        new Bytes()
            .at(0, 3)
            .at(200, 41, 22, 44, 0xFB, 61, 60)
            .at(206, 0x07)
            .at(214, 0xF4, 0x2C)
            .page();

    Map<String, Object> json = SctStatus.decode(page).decoded().orElseThrow().json();

    assertThat(json)
        .containsEntry("currentTemperature", 41L)
        .containsEntry("lifeMinimumTemperature", -5L)
        .containsEntry("lifeMaximumTemperature", 61L)
        .containsEntry("overLimitCount", 7L)
        .containsEntry("smartStatus", "2CF4h");
  }

  @Test
  void aTemperatureOf80hIsNotValid() {
    SctStatus status =
        SctStatus.decode(new Bytes().at(0, 2).at(200, 0x80).page()).decoded().orElseThrow();

    assertThat(status.fields().number(SctStatusField.CURRENT_TEMPERATURE)).isEmpty();
  }

  @Test
  void readsTheLogDirectory() {
    RawPage page = new Bytes().at(0, 1).word(1, 1).word(4, 8).word(0xE0, 1).page();

    assertThat(LogDirectory.decode(page).decoded().orElseThrow().pagesByLog())
        .isEqualTo(Map.of(0x01, 1, 0x04, 8, 0xE0, 1));
  }
}

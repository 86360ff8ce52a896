package tekmerion.core.drive.nvme;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/**
 * Offsets are those of NVM Express 2.0, figures 275, 206 and 218, and NVM Command Set 1.0, figure
 * 97.
 */
class NvmePagesTest {
  private static void text(byte[] page, int at, int length, String text) {
    byte[] ascii = text.getBytes(StandardCharsets.US_ASCII);
    for (int i = 0; i < length; i++) {
      page[at + i] = i < ascii.length ? ascii[i] : (byte) ' ';
    }
  }

  private static void le(byte[] page, int at, int length, long value) {
    for (int i = 0; i < length; i++) {
      page[at + i] = (byte) (value >> 8 * i);
    }
  }

  private static byte[] controller() {
    byte[] page = new byte[4096];
    text(page, 4, 20, "PR-0042-7781");
    text(page, 24, 40, "PIER-512N");
    text(page, 64, 8, "P1.3");
    return page;
  }

  @Test
  void readsWhoTheControllerIs() {
    byte[] page = controller();
    le(page, 280, 8, 512_110_190_592L); // total NVM capacity
    page[256] = 0x10; // OACS bit 4: device self-test
    le(page, 316, 2, 45); // extended self-test time [min]
    page[263] = 1; // two power states
    le(page, 2048, 2, 600); // 6.00 W, in hundredths
    le(page, 2080, 2, 250); // 0.0250 W, in ten-thousandths
    page[2083] = 3; // and bit 1: non-operational
    le(page, 2084, 4, 5_000); // entry latency [µs]

    IdentifyController controller =
        IdentifyController.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(controller.modelNumber()).isEqualTo("PIER-512N");
    assertThat(controller.serialNumber()).isEqualTo("PR-0042-7781");
    assertThat(controller.firmwareRevision()).isEqualTo("P1.3");
    assertThat(controller.json()).containsEntry("totalNvmCapacity", "512110190592");
    assertThat(controller.fields().isSet(ControllerField.DEVICE_SELF_TEST_SUPPORTED)).isTrue();
    assertThat(controller.fields().number(ControllerField.EXTENDED_DEVICE_SELF_TEST_TIME))
        .hasValue(45);
    assertThat(controller.powerStates())
        .extracting(s -> s.maximumWatt().orElseThrow())
        .containsExactly(6.0, 0.025);
    assertThat(controller.powerStates())
        .extracting(PowerState::nonOperational)
        .containsExactly(false, true);
    assertThat(controller.powerStates().get(1).entryLatencyMicros()).hasValue(5_000);
    assertThat(controller.powerStates().get(1).exitLatencyMicros()).isEmpty();
  }

  @Test
  void aSerialThatIsNoTextIsNamedWithItsPlace() {
    byte[] page = controller();
    page[9] = (byte) 0x9F;

    Fault fault = IdentifyController.decode(new RawPage(page)).damage().orElseThrow();

    assertThat(fault.kind()).isEqualTo(Fault.Kind.NOT_TEXT);
    assertThat(fault.offset()).isEqualTo(9);
    assertThat(fault.found()).isEqualTo("9Fh");
  }

  @Test
  void readsTheSizeInTheFormatThatIsInUse() {
    byte[] page = new byte[4096];
    le(page, 0, 8, 125_026_902L); // namespace size [blocks]
    page[25] = 1; // two formats
    page[26] = 1; // the second is in use
    page[130] = 9; // 2^9 = 512
    page[134] = 12; // 2^12 = 4096

    IdentifyNamespace namespace =
        IdentifyNamespace.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(namespace.logicalBlockBytes()).hasValue(4096);
    assertThat(namespace.sizeBytes()).hasValue(512_110_190_592L); // 125,026,902 × 4,096
  }

  @Test
  void aSizeThatNoLongHoldsIsNotGuessed() {
    byte[] page = new byte[4096];
    le(page, 0, 8, Long.MAX_VALUE);
    page[130] = 12;

    assertThat(IdentifyNamespace.decode(new RawPage(page)).decoded().orElseThrow().sizeBytes())
        .isEmpty();
  }

  @Test
  void anErrorLogOfZerosIsAGoodLogWithoutErrors() {
    ErrorInformationLog log =
        ErrorInformationLog.decode(new RawPage(new byte[256])).decoded().orElseThrow();

    assertThat(log.entries()).isEmpty();
  }

  @Test
  void readsAnErrorEntry() {
    byte[] page = new byte[128];
    le(page, 64, 8, 7); // error count of the second entry
    le(
        page,
        64 + 12,
        2,
        0x2 << 9 | 0x81 << 1); // type 2h media error, code 81h unrecovered read error
    le(page, 64 + 16, 8, 4_711_000_000L);
    le(page, 64 + 24, 4, 1);

    ErrorInformationLog log = ErrorInformationLog.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(log.entries()).hasSize(1);
    assertThat(log.entries().get(0).number(ErrorField.STATUS_CODE)).hasValue(0x81);
    assertThat(log.entries().get(0).number(ErrorField.LBA)).hasValue(4_711_000_000L);
    assertThat(log.mediaErrors()).isEqualTo(1);
    assertThat(log.spans()).allMatch(s -> s.offset() >= 64 && s.offset() + s.length() <= 128);
  }

  @Test
  void readsSelfTestsAndLeavesOutUnusedOnes() {
    byte[] page = new byte[564];
    page[0] = 2; // an extended test runs
    page[1] = 37;
    for (int i = 0; i < 20; i++) {
      page[4 + 28 * i] = 0x0F;
    }
    page[4] = 0x27; // extended, result 7h
    page[6] = 0x02; // failing LBA valid
    le(page, 8, 8, 3_212);
    le(page, 20, 8, 99_001);

    DeviceSelfTestLog log = DeviceSelfTestLog.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(log.completionPercent()).hasValue(37);
    assertThat(log.results()).hasSize(1);
    DeviceSelfTestLog.Result result = log.results().get(0);
    assertThat(List.of(result.test(), result.words()))
        .containsExactly("extended", "completed; one or more segments failed");
    assertThat(result.isFailure()).isTrue();
    assertThat(result.failingLba()).hasValue(99_001);
  }
}

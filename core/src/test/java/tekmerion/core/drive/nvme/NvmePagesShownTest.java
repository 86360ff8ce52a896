package tekmerion.core.drive.nvme;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.drive.Shown;
import tekmerion.core.page.RawPage;

/** What is shown of each page, and beside which bytes: NVM Express 2.0 and its command set 1.0. */
class NvmePagesShownTest {
  private static void le(byte[] page, int at, int length, long value) {
    for (int i = 0; i < length; i++) {
      page[at + i] = (byte) (value >> 8 * i);
    }
  }

  @SuppressWarnings("unchecked")
  private static List<Map<String, Object>> list(Map<String, Object> json, String name) {
    return (List<Map<String, Object>>) json.get(name);
  }

  /**
   * 273 K is the ice point; below 200 and above 473 K nothing answers; a spare is 100 % at most.
   */
  @ParameterizedTest(name = "{0} K, spare {1} %")
  @CsvSource({
    "0, 100, , '[]'",
    "199, 100, , '[compositeTemperature]'",
    "200, 100, -73, '[]'",
    "313, 100, 40, '[]'",
    "473, 100, 200, '[]'",
    "474, 101, , '[compositeTemperature, availableSpare]'",
  })
  void aHealthLogThatCannotBeTrueSaysSo(int kelvin, int spare, Integer celsius, String doubted) {
    byte[] page = new byte[512];
    le(page, 1, 2, kelvin);
    page[3] = (byte) spare;
    page[5] = 3;
    HealthLog log = HealthLog.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(log.json()).contains(entry("temperatureC", celsius), entry("percentageUsed", 3L));
    assertThat(log.json().get("implausible")).asString().isEqualTo(doubted);
    assertThat(Shown.fields(log))
        .contains("availableSpare @3+1 = %d %%".formatted(spare), "percentageUsed @5+1 = 3 %");
  }

  @Test
  void theFormatsOfANamespace() {
    byte[] page = new byte[4096];
    le(page, 0, 8, 1_000);
    page[25] = 3; // four formats
    le(page, 128, 2, 8); // the first with 8 bytes beside each block
    page[130] = 9;
    page[131] = 2;
    page[134] = 8; // below 9: not in use
    page[138] = 30; // 2^30
    page[142] = 12;
    IdentifyNamespace namespace =
        IdentifyNamespace.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(namespace.json())
        .contains(
            entry("page", "Identify Namespace (CNS 00h)"),
            entry("logicalBlockBytes", 512L),
            entry("sizeBytes", 512_000L));
    assertThat(list(namespace.json(), "lbaFormats").get(0))
        .isEqualTo(Map.of("metadataBytes", 8, "lbaBytes", 512L, "relativePerformance", 2));
    assertThat(list(namespace.json(), "lbaFormats").get(1)).containsEntry("lbaBytes", null);
    assertThat(Shown.fields(namespace))
        .contains(
            "namespaceSize @0+8 = 1000 blocks",
            "format 0: lbaBytes @130+1 = 512 bytes",
            "format 1: lbaBytes @134+1 = null bytes",
            "format 3: lbaBytes @142+1 = 4096 bytes");
  }

  @Test
  void theFormatInUseMayBeNone() {
    byte[] page = new byte[4096];
    le(page, 0, 8, 1_000);
    page[26] = 3; // the fourth of one
    page[130] = 9;
    IdentifyNamespace namespace =
        IdentifyNamespace.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(namespace.json())
        .contains(entry("logicalBlockBytes", null), entry("sizeBytes", null));
  }

  @Test
  void theLogsThatItHas() {
    byte[] page = new byte[1024];
    page[4 * 0x02] = 1;
    page[4 * 0x06] = 3; // and a bit that says more of it
    page[4 * 0x70] = 2; // without bit 0: it is not there
    page[1020] = 1;
    SupportedLogs logs = SupportedLogs.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(logs.json()).containsEntry("supported", List.of("02h", "06h", "FFh"));
    assertThat(Shown.fields(logs))
        .containsExactly(
            "supportedLog @8+4 = 02h", "supportedLog @24+4 = 06h", "supportedLog @1020+4 = FFh");
  }

  @Test
  void anErrorEntry() {
    byte[] page = new byte[128];
    le(page, 64, 8, 7);
    le(page, 72, 2, 0xFFFF); // no queue
    le(page, 76, 2, 0x2 << 9 | 0x81 << 1);
    le(page, 80, 8, 4_711);
    ErrorInformationLog log = ErrorInformationLog.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(Shown.fields(log))
        .contains(
            "error 1: errorCount @64+8 = 7",
            "error 1: submissionQueueId @72+2 = null",
            "error 1: statusCodeType @76+2 = 2",
            "error 1: lba @80+8 = 4711");
    assertThat(list(log.json(), "entries"))
        .singleElement()
        .satisfies(e -> assertThat(e).containsEntry("statusCode", 0x81L));
  }

  /** Bytes 2: which of the fields hold something. */
  @Test
  void aSelfTestTellsOnlyWhatIsValid() {
    byte[] page = new byte[564];
    for (int i = 0; i < 20; i++) {
      page[4 + 28 * i] = 0x0F;
    }
    page[4] = 0x17; // short, result 7h
    page[6] = 0x04; // only the status code type is valid
    le(page, 20, 8, 99_001);
    page[28] = 2;
    page[29] = (byte) 0x81;
    DeviceSelfTestLog log = DeviceSelfTestLog.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(log.json())
        .contains(entry("currentOperation", 0), entry("currentCompletionPercent", null));
    assertThat(list(log.json(), "results").get(0))
        .contains(
            entry("test", "short"),
            entry("failed", true),
            entry("firstFailingLba", null),
            entry("failingLba", null),
            entry("statusCodeType", 2L),
            entry("statusCode", null));
    assertThat(Shown.fields(log)).contains("currentOperation @0+1 = 0", "test 1: result @4+1 = 7");
  }

  @ParameterizedTest(name = "result {0}h")
  @CsvSource({
    "0, false, completed without error",
    "4, false, aborted by a format",
    "5, true, a fatal or unknown error kept it from completing",
    "7, true, completed; one or more segments failed",
    "8, false, aborted for an unknown reason",
    "10, false, reserved code"
  })
  void whatASelfTestCameTo(int result, boolean failure, String words) {
    byte[] page = new byte[564];
    page[4] = (byte) (0x20 | result);
    DeviceSelfTestLog.Result test =
        DeviceSelfTestLog.decode(new RawPage(page)).decoded().orElseThrow().results().get(0);

    assertThat(test.isFailure()).isEqualTo(failure);
    assertThat(test.words()).isEqualTo(words);
  }
}

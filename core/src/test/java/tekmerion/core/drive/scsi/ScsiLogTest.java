package tekmerion.core.drive.scsi;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.RawPage;

/** Bytes are written out after SPC-5, 7.3 and SBC-4, 6.4: header, then parameters. */
class ScsiLogTest {
  private static RawPage page(String hex) {
    return new RawPage(HexFormat.of().parseHex(hex.replace(" ", "")));
  }

  private static Map<String, Object> fields(RawPage page) {
    return ScsiLog.decode(page).decoded().orElseThrow().fields().stream()
        .collect(Collectors.toMap(FieldSpan::name, f -> f.value() == null ? "null" : f.value()));
  }

  @Test
  void readsTheTemperaturePage() {
    // 0Dh, 12 bytes: parameter 0000h = 36 °C, parameter 0001h (reference) = 68 °C.
    RawPage page = page("0d 00 000c  0000 03 02 00 24  0001 03 02 00 44");

    ScsiLog log = ScsiLog.decode(page).decoded().orElseThrow();

    assertThat(log.temperatureC()).hasValue(36);
    assertThat(log.number("referenceTemperature")).hasValue(68);
  }

  @Test
  void aTemperatureOfFFhIsNotReported() {
    assertThat(
            ScsiLog.decode(page("0d 00 0006  0000 03 02 00 ff"))
                .decoded()
                .orElseThrow()
                .temperatureC())
        .isEmpty();
  }

  @Test
  void readsAPredictedFailure() {
    // 2Fh, parameter 0000h: additional sense 5Dh/10h, 41 °C.
    Map<String, Object> fields = fields(page("2f 00 0008  0000 03 04 5d 10 29 00"));

    assertThat(fields)
        .containsEntry("failurePredicted", true)
        .containsEntry("additionalSense", "5Dh/10h")
        .containsEntry("temperature", 41L);
  }

  @Test
  void readsASelfTestThatFailed() {
    // 10h, parameter 0001h, 16 bytes: code 2 (background extended), result 7; number 1; 4,660 h;
    // address 00000000 01020304h; sense key 3, 11h/00h.
    Map<String, Object> fields =
        fields(page("10 00 0014  0001 03 10  47 01 1234 0000000001020304 03 11 00 00"));

    assertThat(fields)
        .containsEntry("test 1: selfTestCode", 2L)
        .containsEntry("test 1: result", 7L)
        .containsEntry("test 1: accumulatedPowerOnHours", 4_660L)
        .containsEntry("test 1: firstFailingAddress", 16_909_060L) // 01020304h
        .containsEntry("test 1: additionalSense", "11h/00h");
  }

  @Test
  void readsBackgroundScanFindings() {
    // 15h: status (120,000 min on, 5 scans, half done = 8000h of 10000h), then one finding.
    RawPage page =
        page(
            "15 00 0028"
                + " 0000 03 0c  0001d4c0 00 01 0005 8000 0004"
                + " 0001 03 14  0001d4c1 63 11 00 0000000000 0000000000ab54a9");

    Map<String, Object> fields = fields(page);

    assertThat(fields)
        .containsEntry("accumulatedPowerOnMinutes", 120_000L)
        .containsEntry("backgroundScansPerformed", 5L)
        .containsEntry("progress", 50.0)
        .containsEntry("finding 1: reassignStatus", 6L)
        .containsEntry("finding 1: lba", 11_228_329L); // ab54a9h
  }

  @Test
  void anUnknownPageKeepsItsParametersAsHex() {
    assertThat(fields(page("38 00 0006  0007 03 02 c0 de")))
        .containsEntry("parameter 0007h", "c0de");
  }

  @ParameterizedTest(name = "{0}: wrong at {1}")
  @CsvSource({
    "0d000010 00000302 0024, 2", // says 16 bytes, has 6
    "0d000006 00000309 0024, 4", // a parameter longer than its page
    "0d00, 2"
  })
  void aLengthThatDoesNotFitIsDamage(String hex, int offset) {
    Fault fault = ScsiLog.decode(page(hex)).damage().orElseThrow();

    assertThat(fault.kind()).isEqualTo(Fault.Kind.WRONG_SIZE);
    assertThat(fault.offset()).isEqualTo(offset);
  }
}

package tekmerion.core.drive.scsi;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HexFormat;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.PartReading;
import tekmerion.core.page.RawPage;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;

/** Who a SCSI or USB drive is, from pages laid out after SPC-5, SBC-4 and USB 2.0. */
class ScsiIdentityPageTest {
  private static final HexFormat HEX = HexFormat.of();

  private static String text(String text) {
    return HEX.formatHex(text.getBytes(StandardCharsets.US_ASCII));
  }

  private static RawPage page(String... hex) {
    return new RawPage(HEX.parseHex(String.join("", hex)));
  }

  private static RawPage inquiry() {
    return page("00000602", "1f000000", text("QUAY    "), text("BOLLARD-48      "), text("1.0 "));
  }

  private static RawPage serial(String serial) {
    return page("0080", "%04x".formatted(serial.length()), text(serial));
  }

  /** 97,656,249 is the last block of 50 GB in blocks of 512 bytes: 50,000,000,000 / 512 - 1. */
  private static RawPage capacity() {
    return page("0000000005d21db9", "00000200", "0003", "00".repeat(18));
  }

  private static DriveIdentity identity(Map<PageKind, RawPage> pages) {
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    pages.forEach((kind, raw) -> answers.put(kind, new PageAnswer.Got(raw)));
    return DriveIdentity.of(new PartReading(answers)).orElseThrow();
  }

  @Test
  void aDriveIsKnownByItsPages() {
    DriveIdentity id =
        identity(
            Map.of(
                PageKind.SCSI_INQUIRY, inquiry(),
                PageKind.SCSI_SERIAL, serial("  B7-0042 "),
                PageKind.SCSI_CAPACITY, capacity(),
                PageKind.SCSI_CHARACTERISTICS, page("00b1003c", "2ee0", "00".repeat(58))));

    assertThat(id.model()).isEqualTo("QUAY BOLLARD-48");
    assertThat(id.serial()).isEqualTo("B7-0042");
    assertThat(id.capacityBytes()).hasValue(97_656_250L * 512);
    assertThat(id.rotationPerMinute()).hasValue(12_000); // 2EE0h
    assertThat(id.solidState()).contains(false);
    assertThat(PartIdentity.of(id)).isPresent();
  }

  @ParameterizedTest(name = "\"{0}\"")
  @CsvSource({"'00000000'", "'            '", "'0'", "'------'", "'AAAAAAAA'"})
  void aSerialOfOneCharacterAllOverIsNone(String serial) {
    DriveIdentity id =
        identity(
            Map.of(
                PageKind.SCSI_INQUIRY, inquiry(),
                PageKind.SCSI_SERIAL, serial(serial),
                PageKind.SCSI_CAPACITY, capacity()));

    assertThat(id.serial()).isEmpty();
    assertThat(PartIdentity.of(id)).isEmpty(); // two of them are never one part
  }

  /** A rate of 0 is "not reported", 1 "non-rotating": SBC-4, table of the MEDIUM ROTATION RATE. */
  @ParameterizedTest(name = "{0}h")
  @CsvSource(
      nullValues = "-",
      value = {"0000, -", "0001, true", "1c20, false", "0002, -"})
  void whetherItTurnsIsToldOnlyIfItTells(String rate, Boolean solid) {
    DriveIdentity id =
        identity(
            Map.of(
                PageKind.SCSI_INQUIRY, inquiry(),
                PageKind.SCSI_CHARACTERISTICS, page("00b1003c", rate, "00".repeat(58))));

    assertThat(id.solidState().orElse(null)).isEqualTo(solid); // 0002h is reserved
  }

  /** One NAA name of the unit, one of its port (association 1), one of the unit of zeros. */
  @Test
  void namesOfTheUnitAreItsOwnAndZerosAreNone() {
    RawPage raw =
        page(
            "0083", "0024",
            "01030008", "5000c500a1b2c3d4",
            "01130008", "5000c500a1b2c3d5",
            "01020008", "0000000000000000");
    ScsiIdentityPage names = ScsiIdentityPage.deviceIdentification(raw).decoded().orElseThrow();

    assertThat(names.text("naa")).isEqualTo("5000c500a1b2c3d4");
    assertThat(names.fields()).hasSize(2);
    assertThat(names.text("eui64")).isEmpty();
  }

  @Test
  void whatIsCutOffOrAnotherPageIsRefused() {
    byte[] cut = Arrays.copyOf(serial("B7-0042").bytes(), 7);

    assertThat(ScsiIdentityPage.unitSerialNumber(new RawPage(cut)).damage()).isPresent();
    assertThat(ScsiIdentityPage.unitSerialNumber(page("00830000")).damage()).isPresent();
    assertThat(ScsiIdentityPage.deviceIdentification(page("00830005", "010300ff00")).damage())
        .isPresent();
    assertThat(ScsiIdentityPage.inquiry(page("0000")).damage()).isPresent();
  }

  @Test
  void aStickIsKnownByItsUsbDescriptorsIfItTellsNothingElse() {
    String told =
        "manufacturer=Quay\nproduct=Cleat stick\nserial=CL-99013\nidVendor=1a2b\nidProduct=0001\n"
            + "sizeBytes=16000000000\n";
    DriveIdentity id =
        identity(
            Map.of(
                PageKind.SCSI_INQUIRY,
                inquiry(),
                PageKind.USB_DEVICE,
                new RawPage(told.getBytes(StandardCharsets.UTF_8))));

    assertThat(id.model()).isEqualTo("Quay Cleat stick");
    assertThat(PartIdentity.of(id))
        .contains(new PartIdentity("Quay Cleat stick", "CL-99013", 16_000_000_000L));
  }
}

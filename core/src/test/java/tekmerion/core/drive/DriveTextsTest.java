package tekmerion.core.drive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.finding.Finding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** What drives are called, and what the system's own texts say of them. */
class DriveTextsTest {
  private static DriveIdentity drive(long bytes, int perMinute, Boolean solid) {
    return new DriveIdentity(
        "HELM-1000S",
        "",
        "",
        bytes == 0 ? OptionalLong.empty() : OptionalLong.of(bytes),
        perMinute == 0 ? OptionalInt.empty() : OptionalInt.of(perMinute),
        Optional.ofNullable(solid));
  }

  @ParameterizedTest(name = "{3}")
  @CsvSource({
    "999999999999, 5400, false, '1000 GB disk, 5,400/min'",
    "1000000000000, 5400, false, '1 TB disk, 5,400/min'",
    "1500301910016, 0, true, 1.5 TB solid-state drive",
    "500107862016, 0, , '500 GB drive, kind not reported'",
    "0, 0, true, size not reported solid-state drive",
  })
  void whatItIs(long bytes, int perMinute, Boolean solid, String words) {
    DriveIdentity identity = drive(bytes, perMinute, solid);

    assertThat(DriveWords.describe(identity, Optional.empty())).isEqualTo(words);
    assertThat(DriveWords.describe(identity, Optional.of("2.5 inch")))
        .isEqualTo(words + ", 2.5 inch");
  }

  @Test
  void whereItIs() {
    assertThat(DriveWords.named("drive-b")).isEqualTo("drive B");
    assertThat(DriveWords.named("drive-10")).isEqualTo("drive-10");
    assertThat(DriveWords.named("battery")).isEqualTo("battery");
    assertThat(DriveWords.place("Drive B")).isEqualTo("Drive B");
    assertThat(DriveWords.placeInSentence("Drive B")).isEqualTo("drive B");
    assertThat(DriveWords.placeInSentence("Slot 2")).isEqualTo("Slot 2");
    assertThat(DriveWords.place("Slot 2")).isEqualTo("Slot 2");
  }

  private static RawPage text(String text) {
    return new RawPage(text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void theKernelsLines() {
    String log =
        "I/O error, dev sda, sector 11228329 op 0x0:(READ)\n"
            + "\n"
            + "critical medium error, dev sda, sector 8\n"
            + "ata1: hard resetting link\n"
            + "nvme0: I/O 12 QID 3 timeout, aborting\n"
            + "I/O error, dev sda, sector 1234567890123456789\n"
            + "sda: 41 °C\n"
            + "an error of another kind";
    KernelLog decoded = KernelLog.decode(text(log)).decoded().orElseThrow();

    assertThat(decoded.lines())
        .extracting(l -> l.kind() + " " + l.sector())
        .containsExactly(
            "READ_ERROR 11228329",
            "READ_ERROR 8",
            "LINK_RESET -1",
            "LINK_RESET -1",
            "OTHER -1", // 19 digits: no sector
            "OTHER -1",
            "OTHER -1");
    // 50 letters and their line end before the blank line, 1 of its own.
    assertThat(decoded.lines().get(1).offset()).isEqualTo(log.indexOf("critical"));
    assertThat(decoded.lines().get(1).length()).isEqualTo(40);
    assertThat(decoded.json()).contains(entry("readErrors", 2L), entry("linkResets", 2L));
    assertThat(Shown.fields(decoded))
        .contains("LINK_RESET @%d+25 = ata1: hard resetting link".formatted(log.indexOf("ata1")));
    assertThat(KernelLog.concerns("sda: 41 °C")).isFalse();
    assertThat(KernelLog.concerns("SATA link down (SStatus 0)")).isTrue();
  }

  @Test
  void theDescriptorsOfAUsbDevice() {
    UsbDevice usb =
        UsbDevice.decode(
                text("manufacturer=Quayside\nproduct=Dock 2\nserial= \nsizeBytes=500107862016\n"))
            .decoded()
            .orElseThrow();

    assertThat(usb.model()).isEqualTo("Quayside Dock 2");
    assertThat(usb.json())
        .contains(
            entry("page", "USB device descriptors"),
            entry("manufacturer", "Quayside"),
            entry("serial", null),
            entry("idVendor", null),
            entry("sizeBytes", 500_107_862_016L));
  }

  /** The fault stands at the line's first byte, umlauts counted as the bytes that they are. */
  @Test
  void aLineThatIsNoneOfADescriptorIsNamed() {
    String long41 = "x".repeat(41);

    assertThat(UsbDevice.decode(text("product=Dök\n=7\n")).damage())
        .map(Fault::offset)
        .hasValue(13); // 8 + 4 + 1
    assertThat(UsbDevice.decode(text("product\n")).damage()).map(Fault::found).hasValue("product");
    assertThat(UsbDevice.decode(text(long41)).damage())
        .map(Fault::found)
        .hasValue(long41.substring(1));
  }

  @ParameterizedTest(name = "{0} of it read, {1} bad, {2} slow, sample {3}: {4}")
  @CsvSource({
    "0.10, 1, 5, false, drive.surface some-unreadable",
    "1.00, 9, 0, true, drive.surface some-unreadable",
    "1.00, 10, 0, false, drive.surface many-unreadable",
    "0.50, 0, 1, false, drive.surface slow",
    "0.99, 0, 0, false, drive.surface clean",
    "0.98, 0, 0, false, nothing",
    "0.99, 0, 0, true, drive.sample clean",
    "0.98, 0, 0, true, nothing"
  })
  void whatAScanCameTo(double read, long bad, int slow, boolean sample, String said) {
    Optional<Finding> finding = SurfaceFindings.of("drive-a", read, bad, slow, sample);

    assertThat(finding.map(f -> f.id() + " " + f.level()).orElse("nothing")).isEqualTo(said);
  }
}

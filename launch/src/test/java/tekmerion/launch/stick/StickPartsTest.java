package tekmerion.launch.stick;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.URI;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tekmerion.link.tls.Fingerprint;

class StickPartsTest {
  private static final Fingerprint OURS = new Fingerprint("ab".repeat(32));

  /** As depmod writes it: what a module needs, also indirectly, stands behind it. */
  @Test
  void driversComeWithWhatTheyNeedAndNoneOfFileSystems() {
    assertThat(
            KernelModules.chosen(
                List.of(
                    "kernel/drivers/ata/ahci.ko: kernel/drivers/ata/libahci.ko kernel/lib/crc.ko",
                    "kernel/drivers/ata/libahci.ko: kernel/lib/crc.ko",
                    "kernel/lib/crc.ko:",
                    "kernel/fs/ext4/ext4.ko: kernel/fs/jbd2/jbd2.ko",
                    "kernel/fs/jbd2/jbd2.ko:",
                    "kernel/drivers/md/raid1.ko: kernel/drivers/md/md-mod.ko",
                    "kernel/drivers/md/md-mod.ko:",
                    "kernel/drivers/net/wireless/radio.ko:")))
        .containsExactly(
            "kernel/drivers/ata/ahci.ko", "kernel/drivers/ata/libahci.ko", "kernel/lib/crc.ko");
  }

  @Test
  void aDriverThatBringsAFileSystemAlongMakesNoStick() {
    assertThatThrownBy(
            () ->
                KernelModules.chosen(
                    List.of(
                        "kernel/drivers/scsi/odd.ko: kernel/drivers/md/dm-mod.ko",
                        "kernel/drivers/md/dm-mod.ko:")))
        .isInstanceOf(StickException.class)
        .hasMessageContaining("dm-mod.ko")
        .hasMessageContaining("No image was written");
  }

  @Test
  void aStickTrustsOneAuthorityAndSpeaksNothingPlain() {
    URI plain = URI.create("http://backroom:8780");
    URI sealed = URI.create("https://backroom:8780");

    assertThatThrownBy(
            () -> new StickShop(List.of(plain), Optional.of(OURS), Optional.empty(), "en"))
        .isInstanceOf(StickException.class)
        .hasMessageContaining("no https address");
    assertThatThrownBy(
            () -> new StickShop(List.of(sealed), Optional.empty(), Optional.empty(), "en"))
        .isInstanceOf(StickException.class)
        .hasMessageContaining("--authority is missing");
    assertThat(
            new StickShop(List.of(sealed, sealed), Optional.of(OURS), Optional.empty(), "nb")
                .settings())
        .contains("servers=https://backroom:8780 https://backroom:8780\n")
        .contains("authority=" + OURS + "\n", "language=nb\n");
  }

  /** It knows itself by a partition's name; another shop's stick has another. */
  @Test
  void everyShopsSticksHaveANameOfTheirOwn() {
    StickShop ours = new StickShop(List.of(), Optional.of(OURS), Optional.empty(), "en");
    StickShop others = new StickShop(List.of(), Optional.empty(), Optional.empty(), "en");

    assertThat(ours.name()).matches("tekmerion-[0-9a-f]{8}").isNotEqualTo(others.name());
    assertThat(ours.name())
        .isEqualTo(new StickShop(List.of(), Optional.of(OURS), Optional.empty(), "en").name());
  }
}

package tekmerion.probe.linux;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.drive.KernelLog;
import tekmerion.core.port.PageKind.Family;

/** A made-up /sys as the kernel lays it out: block/NAME leads into devices/. */
class SysDriveTest {
  @TempDir Path sys;

  private void drive(String name, String where, long sectors, String model) throws IOException {
    Path real = sys.resolve("devices").resolve(where).resolve("block").resolve(name);
    Files.createDirectories(real.resolve("device"));
    Files.createDirectories(real.resolve("queue"));
    Files.writeString(real.resolve("size"), sectors + "\n");
    Files.writeString(real.resolve("device/model"), model + "\n");
    Files.writeString(real.resolve("queue/rotational"), "1\n");
    Files.createDirectories(sys.resolve("block"));
    Files.createSymbolicLink(sys.resolve("block").resolve(name), real);
  }

  private List<SysDrive> list(String mounts) throws IOException {
    return SysDrive.list(sys, Files.writeString(sys.resolve("mounts"), mounts));
  }

  @Test
  void tellsWhereEachDriveHangsAndWhichIsTheSystems() throws IOException {
    drive("sda", "pci0000/ata1/host0/target0", 1_953_525_168L, "HELM-1000S");
    drive("sdb", "pci0000/usb2/2-1/host4", 976_773_168L, "HELM-500P");
    drive("nvme0n1", "pci0000/nvme/nvme0", 1_000_215_216L, "PIER-512N");
    drive("vda", "pci0000/virtio2", 1_000L, "");
    Files.createDirectories(sys.resolve("block/loop0")); // no device behind it

    List<SysDrive> drives = list("/dev/nvme0n1p2 / ext4 rw 0 0\n/dev/sda1 /data ext4 rw 0 0\n");

    assertThat(drives).extracting(SysDrive::name).containsExactly("nvme0n1", "sda", "sdb", "vda");
    assertThat(drives).extracting(SysDrive::bus).containsExactly("nvme", "ata", "usb", "virtual");
    assertThat(drives)
        .extracting(SysDrive::family)
        .containsExactly(Family.NVME, Family.ATA, Family.ATA, Family.ATA);
    assertThat(drives).extracting(SysDrive::systemDrive).containsExactly(true, false, false, false);
    assertThat(drives).extracting(SysDrive::mounted).containsExactly(true, true, false, false);
    assertThat(drives.get(1).sizeBytes()).isEqualTo(1_953_525_168L * 512);
    assertThat(drives.get(3).canBeAsked()).isFalse();
  }

  @Test
  void aMachineWithoutSysfsHasNoDrives() throws IOException {
    assertThat(list("")).isEmpty();
  }

  @Test
  void knowsItsLinkByTheNameThatTheKernelsLogUses() throws IOException {
    drive("sda", "pci0000/ata3/host2/target0", 1_000L, "HELM-1000S");
    drive("nvme0n1", "pci0000/nvme/nvme0", 1_000L, "PIER-512N");

    assertThat(list(""))
        .extracting(SysDrive::logNames)
        .containsExactly(List.of("nvme0n1", "nvme0"), List.of("sda", "ata3"));
  }

  @Test
  void countsWhatTheKernelSaidOfOneDriveAndOfNoOther() {
    List<String> ring =
        List.of(
            "<3>[  41.1] blk_update_request: I/O error, dev sda, sector 5902400 op 0x0:(READ)",
            "<3>[  41.2] critical medium error, dev sda, sector 5902408 op 0x0:(READ)",
            "<3>[  42.0] I/O error, dev sdaa, sector 8 op 0x0:(READ)",
            "<6>[  43.0]  sda: sda1 sda2",
            "<6>[  44.0] ata3: hard resetting link",
            "<6>[  44.1] ata33: hard resetting link",
            "<3>[  45.0] nvme nvme0: I/O 12 QID 1 timeout, aborting");

    KernelLog log =
        KernelLog.decode(KernelRing.page(ring, List.of("sda", "ata3"))).decoded().orElseThrow();

    assertThat(log.lines()).hasSize(3);
    assertThat(log.count(KernelLog.Kind.READ_ERROR)).isEqualTo(2);
    assertThat(log.count(KernelLog.Kind.LINK_RESET)).isEqualTo(1);
    assertThat(log.lines().get(0).sector()).isEqualTo(5_902_400);
    assertThat(log.lines().get(1).offset())
        .isEqualTo(ring.get(0).getBytes(StandardCharsets.UTF_8).length + 1);
    assertThat(KernelRing.page(ring, List.of("nvme0n1", "nvme0")).size()).isPositive();
  }
}

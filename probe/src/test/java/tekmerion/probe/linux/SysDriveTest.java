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
import tekmerion.probe.linux.SysDrive.Bus;

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
    assertThat(drives)
        .extracting(SysDrive::bus)
        .containsExactly(Bus.NVME, Bus.ATA, Bus.USB, Bus.VIRTUAL);
    assertThat(drives).extracting(SysDrive::systemDrive).containsExactly(true, false, false, false);
    assertThat(drives).extracting(SysDrive::mounted).containsExactly(true, true, false, false);
    assertThat(drives.get(1).sizeBytes()).isEqualTo(1_953_525_168L * 512);
    assertThat(drives.get(3).canBeAsked()).isFalse();
  }

  @Test
  void knowsItselfByAPartitionsName() throws IOException {
    drive("sda", "pci0000/usb2/2-1/host4", 771_072L, "STICK");
    drive("sdb", "pci0000/usb2/2-2/host5", 771_072L, "STICK");
    Path part = Files.createDirectories(sys.resolve("block/sdb/sdb2"));
    Files.writeString(
        part.resolve("uevent"), "DEVTYPE=partition\nPARTN=2\nPARTNAME=tekmerion-1f\n");

    assertThat(list(""))
        .extracting(d -> d.hasPartition("tekmerion-1f"))
        .containsExactly(false, true);
    assertThat(list("")).noneMatch(d -> d.hasPartition("tekmerion-1"));
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

  /** The serial is that of IDENTIFY DEVICE, words 10 to 19, two characters swapped in each. */
  @Test
  void tellsTwoOfOneModelApartByWhatTheKernelHasAskedThem() throws IOException {
    String sda = "pci0000/ata1/host0/target0:0:0/0:0:0:0";
    String sdb = "pci0000/host7/target7:0:0/7:0:0:0";
    drive("sda", sda, 1_000L, "HELM-1000S-TRUNC");
    drive("sdb", sdb, 1_000L, "BOLLARD-48");
    drive("sr0", "pci0000/ata2/host1/target1:0:0/1:0:0:0", 1_000L, "OPTICAL");
    device("sda", "type", "0");
    device("sdb", "type", "0");
    device("sr0", "type", "5");
    byte[] ata = new byte[572];
    put(ata, 60 + 20, "SO70-4199B          ");
    put(ata, 60 + 46, "0100    ");
    put(ata, 60 + 54, "HELM-1000S WITH A NAME OF OVER 16       ");
    Files.write(sys.resolve("block/sda/device/vpd_pg89"), ata);
    byte[] serial = {0, (byte) 0x80, 0, 8, 'B', '7', '-', '0', '0', '4', '2', ' '};
    Files.write(sys.resolve("block/sdb/device/vpd_pg80"), serial);
    device("sda", "wwid", "naa.0000000000000000");
    device("sdb", "wwid", "naa.5000c500a1b2c3d4");

    List<SysDrive> drives = list("");

    assertThat(drives).extracting(SysDrive::name).containsExactly("sda", "sdb");
    assertThat(drives).extracting(SysDrive::bus).containsExactly(Bus.ATA, Bus.SCSI);
    assertThat(drives.get(0).serial()).isEqualTo("OS074-91B9"); // SO 70 -4 19 9B, each pair swapped
    assertThat(drives.get(0).model()).startsWith("EHML1-00S0");
    assertThat(drives).extracting(SysDrive::wwn).containsExactly("", "5000c500a1b2c3d4");
    assertThat(drives.get(1).serial()).isEqualTo("B7-0042");
  }

  private void device(String name, String file, String text) throws IOException {
    Files.writeString(sys.resolve("block").resolve(name).resolve("device").resolve(file), text);
  }

  private static void put(byte[] into, int at, String text) {
    byte[] bytes = text.getBytes(StandardCharsets.US_ASCII);
    System.arraycopy(bytes, 0, into, at, bytes.length);
  }

  /** sda was another disk before: the one that is called so now is not blamed for its errors. */
  @Test
  void whatTheKernelSaidBeforeADriveGotItsNameIsNotItsOwn() throws IOException {
    drive("sda", "pci0000/host7/target7:0:0/7:0:0:0", 1_000L, "BOLLARD-48");
    SysDrive now = list("").get(0);
    List<String> ring =
        List.of(
            "[ 1.0] sd 2:0:0:0: [sda] 1953525168 512-byte logical blocks: (1.00 TB/932 GiB)",
            "[ 41.1] blk_update_request: I/O error, dev sda, sector 5902400 op 0x0:(READ)",
            "[ 90.0] sd 7:0:0:0: [sda] 98304 512-byte logical blocks: (50.3 MB/48.0 MiB)",
            "[ 95.0] critical medium error, dev sda, sector 17 op 0x0:(READ)");

    assertThat(KernelRing.since(ring, now)).isEqualTo(ring.subList(2, 4));
    assertThat(KernelRing.since(ring.subList(0, 2), now)).isEmpty(); // another one's name
    assertThat(KernelRing.since(ring.subList(3, 4), now)).hasSize(1); // as far as the log goes back
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

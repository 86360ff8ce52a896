package tekmerion.probe.linux;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.scsi.ScsiIdentityPage;
import tekmerion.core.page.RawPage;
import tekmerion.core.page.Reported;

/**
 * A drive as sysfs tells it: what the kernel asked of it when it came, and nothing else.
 *
 * @param name of the block device, e.g. sda, nvme0n1
 * @param bus how it is attached
 * @param folder what the kernel tells of it, with links resolved
 * @param model empty text if not reported
 * @param serial empty text if not reported
 * @param wwn its worldwide name or unique identifier; empty text if not reported
 * @param systemDrive whether something of the running system is mounted from it
 */
public record SysDrive(
    String name,
    Bus bus,
    Path folder,
    String model,
    String serial,
    String wwn,
    long sizeBytes,
    boolean rotational,
    boolean mounted,
    boolean systemDrive) {
  private static final long SECTOR = 512;
  private static final Pattern ATA_PORT = Pattern.compile("/(ata\\d+)/");
  private static final Pattern SCSI_ADDRESS = Pattern.compile("/(\\d+:\\d+:\\d+:\\d+)/");

  /** SPC-5, table "Peripheral device type": a disk, or one with the reduced commands. */
  private static final List<String> DISK_TYPES = List.of("", "0", "14", "SD", "MMC");

  /** SAT-5, 12.4.2: IDENTIFY DEVICE data stand at byte 60 of the ATA Information page. */
  private static final int IDENTIFY_AT = 60;

  private static final int IDENTIFY_BYTES = 512;

  /** How a drive is attached. */
  public enum Bus {
    ATA,
    NVME,
    SAS,
    SCSI,
    USB,
    /** An SD card or a soldered memory chip. */
    MMC,
    /** There is no drive behind it that could be asked. */
    VIRTUAL;

    /** As it is shown and written. */
    public String words() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }
  }

  /** In /dev. */
  public Path device() {
    return Path.of("/dev").resolve(name);
  }

  /** Whether its command set can be asked at all. */
  boolean canBeAsked() {
    return bus != Bus.VIRTUAL && bus != Bus.MMC;
  }

  /**
   * Everything that has a disk behind it; loops, memory disks, mapped volumes and optical drives
   * are left out.
   *
   * @param sys usually /sys
   * @param mounts usually /proc/self/mounts
   */
  public static List<SysDrive> list(Path sys, Path mounts) throws IOException {
    List<SysDrive> drives = new ArrayList<>();
    List<String> mounted = Files.isReadable(mounts) ? Files.readAllLines(mounts) : List.of();
    Path block = sys.resolve("block");
    if (!Files.isDirectory(block)) {
      return drives;
    }
    try (Stream<Path> entries = Files.list(block)) {
      for (Path entry : entries.sorted().toList()) {
        if (Files.exists(entry.resolve("device"))
            && DISK_TYPES.contains(text(entry.resolve("device/type")))) {
          drives.add(drive(entry, mounted));
        }
      }
    }
    return drives;
  }

  /** Whether one of its partitions has this name in the partition table. */
  boolean hasPartition(String called) {
    try (Stream<Path> parts = Files.list(folder)) {
      return parts
          .filter(part -> part.getFileName().toString().startsWith(name))
          .anyMatch(
              part ->
                  quietText(part.resolve("uevent"))
                      .lines()
                      .toList()
                      .contains("PARTNAME=" + called));
    } catch (IOException e) {
      return false; // it is gone
    }
  }

  private static SysDrive drive(Path entry, List<String> mounts) throws IOException {
    String name = entry.getFileName().toString();
    Path folder = entry.toRealPath();
    List<String> mine =
        mounts.stream()
            .map(line -> line.split(" "))
            .filter(m -> m.length > 1 && m[0].matches("/dev/" + name + "p?\\d*"))
            .map(m -> m[1])
            .toList();
    Bus bus = bus(name, folder.toString());
    Optional<IdentifyDevice> ata = identify(folder);
    Optional<Path> usb = bus == Bus.USB ? usbDevice(folder) : Optional.empty();
    return new SysDrive(
        name,
        bus,
        folder,
        ata.map(IdentifyDevice::modelNumber)
            .filter(m -> !m.isEmpty())
            .orElse(
                (bus == Bus.ATA ? "" : text(folder.resolve("device/vendor")) + " ")
                    .concat(text(folder.resolve("device/model")))
                    .replaceFirst("^0x\\S+ ", "")
                    .strip()),
        ata.map(IdentifyDevice::serialNumber)
            .filter(s -> !s.isEmpty())
            .or(() -> unitSerial(folder))
            .or(() -> Reported.serial(quietText(folder.resolve("device/serial"))))
            .or(() -> usb.flatMap(u -> Reported.serial(quietText(u.resolve("serial")))))
            .orElse(""),
        wwn(folder),
        number(entry.resolve("size")) * SECTOR,
        text(entry.resolve("queue/rotational")).equals("1"),
        !mine.isEmpty(),
        mine.stream().anyMatch(m -> m.equals("/") || m.startsWith("/boot") || m.equals("/usr")));
  }

  private static Bus bus(String name, String where) {
    if (name.startsWith("nvme")) {
      return Bus.NVME;
    }
    if (name.startsWith("mmcblk")) {
      return Bus.MMC;
    }
    if (where.contains("/usb")) {
      return Bus.USB;
    }
    if (!SCSI_ADDRESS.matcher(where).find() && ATA_PORT.matcher(where).results().count() == 0) {
      return Bus.VIRTUAL;
    }
    if (ATA_PORT.matcher(where).find()) {
      return Bus.ATA;
    }
    return where.contains("/end_device-") ? Bus.SAS : Bus.SCSI;
  }

  /** Page 89h, which the kernel has asked of what translates ATA for it. */
  private static Optional<IdentifyDevice> identify(Path folder) {
    return bytes(folder.resolve("device/vpd_pg89"))
        .filter(b -> b.length >= IDENTIFY_AT + IDENTIFY_BYTES)
        .map(b -> new RawPage(Arrays.copyOfRange(b, IDENTIFY_AT, IDENTIFY_AT + IDENTIFY_BYTES)))
        .flatMap((RawPage raw) -> IdentifyDevice.decode(raw).decoded());
  }

  private static Optional<String> unitSerial(Path folder) {
    return bytes(folder.resolve("device/vpd_pg80"))
        .flatMap((byte[] b) -> ScsiIdentityPage.unitSerialNumber(new RawPage(b)).decoded())
        .map(page -> page.text("productSerialNumber"))
        .filter(s -> !s.isEmpty());
  }

  /** "naa.5000…", "eui.…", without the kernel's word in front; nothing if it is all zeros. */
  private static String wwn(Path folder) {
    String told =
        Stream.of(folder.resolve("device/wwid"), folder.resolve("wwid"))
            .map(SysDrive::quietText)
            .filter(t -> t.startsWith("naa.") || t.startsWith("eui."))
            .findFirst()
            .orElse("");
    return Reported.name(told.replaceFirst("^...\\.", "")).orElse("");
  }

  /** The device on the bus that the drive belongs to. */
  static Optional<Path> usbDevice(Path folder) {
    for (Path at = folder; at != null; at = at.getParent()) {
      if (Files.exists(at.resolve("idVendor"))) {
        return Optional.of(at);
      }
    }
    return Optional.empty();
  }

  /** Every name by which the kernel's log may speak of it: disk, controller or link. */
  List<String> logNames() {
    List<String> names = new ArrayList<>(List.of(name));
    if (bus == Bus.NVME) {
      names.add(name.replaceFirst("n\\d+$", ""));
    }
    Matcher port = ATA_PORT.matcher(folder.toString());
    if (port.find()) {
      names.add(port.group(1));
    }
    return names;
  }

  /** Host, channel, target and unit, as the kernel's log has them; empty if it has none. */
  Optional<String> scsiAddress() {
    Matcher address = SCSI_ADDRESS.matcher(folder.toString() + "/");
    String last = null;
    while (address.find()) {
      last = address.group(1);
    }
    return Optional.ofNullable(last);
  }

  /** A page of vital product data that the kernel has asked already; empty if it has not. */
  Optional<byte[]> keptPage(int page) {
    return bytes(folder.resolve("device/vpd_pg%02x".formatted(page)));
  }

  private static Optional<byte[]> bytes(Path file) {
    try {
      return Files.isReadable(file) ? Optional.of(Files.readAllBytes(file)) : Optional.empty();
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  private static String text(Path file) throws IOException {
    return Files.isReadable(file)
        ? new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1).strip()
        : "";
  }

  /** What cannot be read is not told. */
  static String quietText(Path file) {
    try {
      return text(file);
    } catch (IOException e) {
      return "";
    }
  }

  private static long number(Path file) throws IOException {
    String text = text(file);
    return text.matches("\\d{1,18}") ? Long.parseLong(text) : 0;
  }
}

package tekmerion.probe.linux;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import tekmerion.core.port.PageKind.Family;

/**
 * A drive as sysfs tells it.
 *
 * @param name of the block device, e.g. sda, nvme0n1
 * @param family the command set to try
 * @param bus ata, usb, nvme, sas, virtual or other
 * @param ataPort by which the kernel's log calls its link, e.g. ata3; empty if it hangs on none
 * @param systemDrive whether something of the running system is mounted from it
 */
public record SysDrive(
    String name,
    Family family,
    String bus,
    String ataPort,
    String model,
    String serial,
    long sizeBytes,
    boolean rotational,
    boolean mounted,
    boolean systemDrive) {
  private static final long SECTOR = 512;
  private static final Pattern ATA_PORT = Pattern.compile("/(ata\\d+)/");

  /** In /dev. */
  public Path device() {
    return Path.of("/dev").resolve(name);
  }

  /** Whether its command set can be asked at all: a virtual disk has none. */
  boolean canBeAsked() {
    return !bus.equals("virtual");
  }

  /**
   * Everything that has a device behind it; loops, memory disks and mapped volumes are left out.
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
        if (Files.exists(entry.resolve("device"))) {
          drives.add(drive(entry, mounted));
        }
      }
    }
    return drives;
  }

  private static SysDrive drive(Path entry, List<String> mounts) throws IOException {
    String name = entry.getFileName().toString();
    String where = entry.toRealPath().toString();
    String bus = bus(name, where);
    List<String> mine =
        mounts.stream()
            .map(line -> line.split(" "))
            .filter(m -> m.length > 1 && m[0].matches("/dev/" + name + "p?\\d*"))
            .map(m -> m[1])
            .toList();
    return new SysDrive(
        name,
        bus.equals("nvme") ? Family.NVME : bus.equals("sas") ? Family.SCSI : Family.ATA,
        bus,
        ataPort(where),
        text(entry.resolve("device/model")),
        text(entry.resolve("device/serial")),
        number(entry.resolve("size")) * SECTOR,
        text(entry.resolve("queue/rotational")).equals("1"),
        !mine.isEmpty(),
        mine.stream().anyMatch(m -> m.equals("/") || m.startsWith("/boot") || m.equals("/usr")));
  }

  private static String bus(String name, String where) {
    if (name.startsWith("nvme")) {
      return "nvme";
    }
    if (where.contains("/usb")) {
      return "usb";
    }
    if (where.contains("/virtio") || name.startsWith("vd")) {
      return "virtual";
    }
    if (!ataPort(where).isEmpty()) {
      return "ata";
    }
    return where.contains("/end_device-") ? "sas" : "other";
  }

  private static String ataPort(String where) {
    Matcher port = ATA_PORT.matcher(where);
    return port.find() ? port.group(1) : "";
  }

  /** Every name by which the kernel's log may speak of it: disk, controller or link. */
  List<String> logNames() {
    List<String> names = new ArrayList<>(List.of(name));
    if (bus.equals("nvme")) {
      names.add(name.replaceFirst("n\\d+$", ""));
    }
    if (!ataPort.isEmpty()) {
      names.add(ataPort);
    }
    return names;
  }

  private static String text(Path file) throws IOException {
    return Files.isReadable(file) ? Files.readString(file).strip() : "";
  }

  private static long number(Path file) throws IOException {
    String text = text(file);
    return text.matches("\\d{1,18}") ? Long.parseLong(text) : 0;
  }
}

package tekmerion.probe.devices;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.IntStream;
import tools.jackson.databind.json.JsonMapper;

/**
 * An emulated drive of which the truth is known: random bytes, on them a GPT with an ext4 volume
 * with files, and sectors whose reads fail.
 *
 * @param kind how it is attached
 * @param number makes its names, from 0
 * @param errno of the failing reads, as QEMU's emulation gets them: ENODATA becomes a medium error
 *     of SCSI, EIO an aborted command
 * @param bytesPerSecond not faster than this; 0 for no limit
 */
record TestDisk(
    Kind kind, int number, Path image, TreeSet<Long> badSectors, int errno, int bytesPerSecond) {
  static final int SIZE = 48 << 20;
  static final int EIO = 5;
  static final int ENODATA = 61;

  private static final int VOLUME_AT = 1 << 20;
  private static final int VOLUME_BYTES = 24 << 20;
  private static final int FILES = 12;
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** How a drive is attached, and the sizes of its sectors. */
  enum Kind {
    AHCI_512N("ata", 512, 512),
    AHCI_512E("ata", 512, 4_096),
    NVME_512("nvme", 512, 512),
    NVME_4KN("nvme", 4_096, 4_096),
    SCSI_512N("scsi", 512, 512),
    SCSI_512E("scsi", 512, 4_096),
    SCSI_4KN("scsi", 4_096, 4_096),
    USB_512("usb", 512, 512),
    USB_4KN("usb", 4_096, 4_096),
    UAS_512("usb", 512, 512),
    IDE_512("ata", 512, 512);

    final String bus;
    final int sectorBytes;
    final int physicalBytes;

    Kind(String bus, int sectorBytes, int physicalBytes) {
      this.bus = bus;
      this.sectorBytes = sectorBytes;
      this.physicalBytes = physicalBytes;
    }
  }

  /**
   * @param bad how many sectors of it fail: half of them behind the volume, the rest in files
   */
  static TestDisk make(Path folder, Kind kind, int number, int bad, int errno) throws IOException {
    Path image = folder.resolve("disk-%d.img".formatted(number));
    Random random = new Random(1_000 + number);
    byte[] bytes = new byte[SIZE];
    random.nextBytes(bytes);
    Files.write(image, bytes);
    Path files = Files.createDirectories(folder.resolve("files-" + number));
    for (int i = 0; i < FILES; i++) {
      byte[] content = new byte[100_000 + random.nextInt(900_000)];
      random.nextBytes(content);
      Files.createDirectories(files.resolve("work"));
      Files.write(files.resolve("work/paper-%02d.dat".formatted(i)), content);
    }
    Shell.run(
        folder,
        "sh",
        "-c",
        "printf 'g\\nn\\n1\\n%d\\n+%dM\\nw\\n' | /sbin/fdisk -b %d %s"
            .formatted(VOLUME_AT / kind.sectorBytes, VOLUME_BYTES >> 20, kind.sectorBytes, image));
    Shell.run(
        folder,
        "/sbin/mke2fs",
        "-q",
        "-F",
        "-t",
        "ext4",
        "-b",
        "4096",
        "-L",
        "PAPERS",
        "-E",
        "offset=%d,lazy_itable_init=0".formatted(VOLUME_AT),
        "-d",
        files.toString(),
        image.toString(),
        "%dk".formatted(VOLUME_BYTES >> 10));
    TreeSet<Long> sectors = new TreeSet<>();
    byte[] now = Files.readAllBytes(image);
    long behind = (VOLUME_AT + VOLUME_BYTES) / kind.sectorBytes;
    long last = SIZE / kind.sectorBytes - 100; // the copy of the table stands there
    while (sectors.size() < (bad + 1) / 2) {
      sectors.add(behind + (long) (random.nextDouble() * (last - behind)));
    }
    for (int i = 0; sectors.size() < bad; i++) {
      byte[] content = Files.readAllBytes(files.resolve("work/paper-%02d.dat".formatted(i)));
      sectors.add((long) find(now, content) / kind.sectorBytes + 8 * i + 9);
    }
    return new TestDisk(kind, number, image, sectors, errno, 0);
  }

  /** Where the first block of a file stands; files begin at the beginning of a block. */
  private static int find(byte[] in, byte[] content) {
    for (int at = VOLUME_AT; at < VOLUME_AT + VOLUME_BYTES; at += 4_096) {
      if (Arrays.equals(in, at, at + 4_096, content, 0, 4_096)) {
        return at;
      }
    }
    throw new IllegalStateException("a file is not on its image");
  }

  static List<String> fileNames() {
    return IntStream.range(0, FILES).mapToObj("paper-%02d.dat"::formatted).toList();
  }

  TestDisk slowedTo(int limit) {
    return new TestDisk(kind, number, image, badSectors, errno, limit);
  }

  String serial() {
    return serialOf(number);
  }

  static String serialOf(int number) {
    return "TEKD%04d".formatted(number);
  }

  String node() {
    return "disk" + number;
  }

  String device() {
    return "dev" + number;
  }

  String label() {
    return kind.name().replace('_', ' ') + (bytesPerSecond > 0 ? ", slow" : "");
  }

  /** Options that attach it. */
  List<String> qemu() {
    List<String> words = new ArrayList<>();
    if (bytesPerSecond > 0) {
      words.add("-object");
      words.add(
          JSON.writeValueAsString(
              Map.of(
                  "qom-type",
                  "throttle-group",
                  "id",
                  "limit" + number,
                  "limits",
                  Map.of("bps-total", bytesPerSecond))));
    }
    words.add("-blockdev");
    words.add(JSON.writeValueAsString(blockdev()));
    if (kind.bus.equals("nvme")) {
      words.add("-device");
      words.add("pcie-root-port,id=port%d,chassis=%d".formatted(number, number + 1));
    }
    for (Map<String, Object> device : attached()) {
      words.add("-device");
      words.add(JSON.writeValueAsString(device));
    }
    return words;
  }

  private Map<String, Object> blockdev() {
    Map<String, Object> file =
        Map.of("driver", "file", "filename", image.toString(), "node-name", node() + "-file");
    Map<String, Object> errs = new LinkedHashMap<>();
    errs.put("driver", "blkdebug");
    errs.put("node-name", node() + "-errs");
    errs.put("image", file);
    errs.put(
        "inject-error",
        badSectors.stream()
            .map(
                s ->
                    Map.of(
                        "event",
                        "none",
                        "iotype",
                        "read",
                        "errno",
                        errno,
                        "sector",
                        s * (kind.sectorBytes / 512),
                        "once",
                        false))
            .toList());
    Map<String, Object> raw = new LinkedHashMap<>();
    raw.put("driver", "raw");
    raw.put("node-name", node());
    Map<String, Object> limited = new LinkedHashMap<>();
    limited.put("driver", "throttle");
    limited.put("throttle-group", "limit" + number);
    limited.put("node-name", node() + "-limited");
    limited.put("file", badSectors.isEmpty() ? file : errs);
    raw.put("file", bytesPerSecond > 0 ? limited : limited.get("file"));
    return raw;
  }

  /** The same drive, that now tells another serial: as after a change of its firmware. */
  List<Map<String, Object>> attachedWithSerialOf(int other) {
    return attached().stream()
        .map(
            device -> {
              Map<String, Object> changed = new LinkedHashMap<>(device);
              changed.replace("serial", serialOf(other));
              return changed;
            })
        .toList();
  }

  /** As {@code device_add} takes them too: a bridge, if there is one, then the drive. */
  List<Map<String, Object>> attached() {
    Map<String, Object> device = new LinkedHashMap<>();
    device.put("id", device());
    device.put("drive", node());
    switch (kind) {
      case AHCI_512N, AHCI_512E -> {
        device.put("driver", "ide-hd");
        device.put("bus", "ide." + number % 8);
        device.put("model", "HELM-48S");
      }
      case IDE_512 -> {
        device.put("driver", "ide-hd");
        device.put("bus", "pata." + number % 2);
        device.put("model", "HELM-48P");
      }
      case NVME_512, NVME_4KN -> {
        device.put("driver", "nvme");
        device.put("bus", "port" + number);
      }
      case SCSI_512N, SCSI_512E, SCSI_4KN -> {
        device.put("driver", "scsi-hd");
        device.put("bus", "scsi.0");
        device.put("vendor", "QUAY");
        device.put("product", "BOLLARD-48");
      }
      case USB_512 -> {
        device.put("driver", "usb-storage");
        device.put("bus", "usb.0");
      }
      case USB_4KN, UAS_512 -> {
        device.put("driver", "scsi-hd");
        device.put("bus", bridge() + ".0");
        device.put("vendor", "QUAY");
        device.put("product", "CLEAT-48");
      }
    }
    device.put("serial", serial());
    device.put("logical_block_size", kind.sectorBytes);
    device.put("physical_block_size", kind.physicalBytes);
    if (kind != Kind.USB_4KN && kind != Kind.UAS_512) {
      return List.of(device);
    }
    Map<String, Object> bridge = new LinkedHashMap<>();
    bridge.put("id", bridge());
    bridge.put("driver", kind == Kind.UAS_512 ? "usb-uas" : "usb-bot");
    bridge.put("bus", "usb.0");
    bridge.put("serial", serial());
    return List.of(bridge, device);
  }

  private String bridge() {
    return "bridge" + number;
  }

  /** What is pulled out of the machine with the drive. */
  String pulled() {
    return kind == Kind.USB_4KN || kind == Kind.UAS_512 ? bridge() : device();
  }

  /** SHA-256 of the image of a rescue that got all but the bad sectors. */
  String expectedSha256() throws IOException {
    byte[] bytes = Files.readAllBytes(image);
    for (long sector : badSectors) {
      int at = (int) (sector * kind.sectorBytes);
      Arrays.fill(bytes, at, at + kind.sectorBytes, (byte) 0);
    }
    return sha256(bytes);
  }

  static String sha256(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  boolean isAllZero() throws IOException {
    try (RandomAccessFile in = new RandomAccessFile(image.toFile(), "r")) {
      byte[] bytes = new byte[SIZE];
      in.readFully(bytes);
      return Arrays.equals(bytes, new byte[SIZE]);
    }
  }
}

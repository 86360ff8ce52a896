package tekmerion.probe.linux;

import com.sun.jna.LastErrorException;
import com.sun.jna.Memory;
import com.sun.jna.Native;
import com.sun.jna.NativeLong;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Set;

/**
 * A block device or file, opened for reading only.
 *
 * @see "linux/fs.h for the numbers of the calls; Documentation/ABI/stable/sysfs-block for diskseq"
 */
final class OpenDevice implements DeviceCalls {
  private static final long BLKSSZGET = 0x1268;
  private static final long BLKPBSZGET = 0x127B;
  private static final long BLKGETSIZE64 = 0x8008_1272L;
  private static final int S_IFMT = 0xF000;
  private static final int S_IFBLK = 0x6000;
  private static final int S_IFREG = 0x8000;
  private static final int DEFAULT_SECTOR = 512;
  private static final Set<String> NOT_THERE =
      Set.of("offline", "transport-offline", "deleting", "deleting (no IO)", "dead", "cancel");

  private final int fd;
  private final boolean direct;
  private final boolean device;

  /** Where the system tells of the device; nothing for a file. */
  private final Path sys;

  /** Every disk that appears gets another one, also under an old name; empty on an old kernel. */
  private final String sequence;

  private OpenDevice(int fd, boolean direct, Path sys) throws IOException {
    this.fd = fd;
    this.direct = direct;
    this.device = sys != null;
    this.sys = sys;
    this.sequence = device ? text(disk().resolve("diskseq")) : "";
  }

  /**
   * @param cached through the page cache; else past it where the file system can
   * @throws IOException if it is not there, is no device and no file, or may not be read
   */
  static OpenDevice open(Path path, boolean cached) throws IOException {
    if (!Files.exists(path)) {
      throw new NoSuchFileException(path.toString(), null, "there is no such device or file");
    }
    int mode = (Integer) Files.getAttribute(path, "unix:mode") & S_IFMT;
    if (mode != S_IFBLK && mode != S_IFREG) {
      throw new IOException(path + " is neither a block device nor a file");
    }
    Path sys = mode == S_IFBLK ? sys(number(path)) : null;
    try {
      return new OpenDevice(NativeCalls.openToRead(path.toString(), !cached), !cached, sys);
    } catch (LastErrorException e) {
      if (!cached && e.getErrorCode() == ReadErrors.EINVAL) {
        return open(path, true);
      }
      throw new IOException(path + " cannot be opened: " + e.getMessage(), e);
    }
  }

  private static int number(Path path) throws IOException {
    Object number = Files.getAttribute(path, "unix:rdev");
    return Math.toIntExact(((Number) number).longValue());
  }

  /** The numbers of a device as the C library packs them (makedev(3)). */
  private static Path sys(int number) throws IOException {
    int major = number >> 8 & 0xFFF;
    int minor = number & 0xFF | number >> 12 & 0xFFF00;
    Path entry = Path.of("/sys/dev/block/%d:%d".formatted(major, minor));
    return Files.exists(entry) ? entry.toRealPath() : entry;
  }

  /** Of a partition, that of its disk. */
  private Path disk() {
    return Files.exists(sys.resolve("partition")) ? sys.getParent() : sys;
  }

  boolean isDirect() {
    return direct;
  }

  boolean isDevice() {
    return device;
  }

  /**
   * @throws IOException if the device does not tell
   */
  long sizeBytes(Path path) throws IOException {
    return device ? ask(BLKGETSIZE64).getLong(0) : Files.size(path);
  }

  int sectorBytes() throws IOException {
    return device ? ask(BLKSSZGET).getInt(0) : DEFAULT_SECTOR;
  }

  /** At least the logical sector, and a multiple of it. */
  int physicalBytes() throws IOException {
    int sector = sectorBytes();
    int physical = device ? ask(BLKPBSZGET).getInt(0) : sector;
    return physical >= sector && physical % sector == 0 ? physical : sector;
  }

  /** How long the system waits for an answer of it [s]; 0 if it does not tell. */
  int timeoutSeconds() throws IOException {
    String seconds = device ? text(disk().resolve("device/timeout")) : "";
    return seconds.matches("\\d{1,6}") ? Integer.parseInt(seconds) : 0;
  }

  private Memory ask(long what) throws IOException {
    Memory answer = new Memory(Long.BYTES);
    answer.clear();
    try {
      NativeCalls.ioctl(fd, new NativeLong(what), answer);
      return answer;
    } catch (LastErrorException e) {
      throw new IOException("the device does not tell its size: " + e.getMessage(), e);
    }
  }

  @Override
  public long pread(Memory into, long at, long length, long offset) {
    try {
      return NativeCalls.pread(fd, into.share(at), length, offset);
    } catch (LastErrorException e) {
      return -e.getErrorCode();
    }
  }

  @Override
  public boolean isThere() {
    if (!device) {
      return true;
    }
    try {
      return Files.exists(sys)
          && text(disk().resolve("diskseq")).equals(sequence)
          && !NOT_THERE.contains(text(disk().resolve("device/state")))
          && ask(BLKGETSIZE64).getLong(0) > 0;
    } catch (IOException e) {
      return false;
    }
  }

  private static String text(Path file) throws IOException {
    return Files.isReadable(file) ? Files.readString(file).strip() : "";
  }

  @Override
  public void close() {
    try {
      NativeCalls.close(fd);
    } catch (LastErrorException e) {
      // Nothing was written: there is nothing to lose.
    }
  }

  /** In the system's own words. */
  static String words(int errno) {
    return NativeCalls.strerror(errno) + " (" + errno + ")";
  }

  static {
    if (Native.LONG_SIZE != Long.BYTES) {
      throw new ExceptionInInitializerError("devices are read on systems of 64 bits only");
    }
  }
}

package tekmerion.probe.linux;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.port.PageSource;

/** The drives of this computer. */
public final class LocalDrives {
  static final KernelRing RING = new KernelRing();

  /**
   * How a partition of the stick is called that this system was started from; none if from none.
   */
  private static final Optional<String> STICK =
      Optional.ofNullable(System.getProperty("tekmerion.stick"));

  private LocalDrives() {}

  /** In the order of their names; empty where sysfs lists none. The stick is no drive of it. */
  public static List<SysDrive> list() {
    return all().stream().filter(drive -> STICK.filter(drive::hasPartition).isEmpty()).toList();
  }

  /** The same by what they are called on the bench link. */
  public static Map<String, SysDrive> byKey() {
    return DriveKeys.of(list());
  }

  /** The stick that this system was started from, if it is plugged in. */
  static Optional<SysDrive> stick() {
    return STICK.flatMap(name -> all().stream().filter(d -> d.hasPartition(name)).findFirst());
  }

  private static List<SysDrive> all() {
    try {
      return SysDrive.list(Path.of("/sys"), Path.of("/proc/self/mounts"));
    } catch (IOException e) {
      throw new UncheckedIOException("the drives of this computer cannot be listed", e);
    }
  }

  /**
   * @param device as in /dev
   */
  public static Optional<SysDrive> find(String device) {
    return list().stream().filter(d -> d.device().toString().equals(device)).findFirst();
  }

  /** Whether this user may ask a drive at all. */
  public static boolean mayAsk() {
    return NativeCalls.geteuid() == 0;
  }

  /** How to ask it. */
  public static PageSource pages(SysDrive drive) {
    return new LinuxPages(drive, RING);
  }
}

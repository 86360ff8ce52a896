package tekmerion.probe.copy;

import java.io.IOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import tekmerion.probe.linux.SysDrive;

/**
 * Copies never go to a customer's disk. A disk is the shop's own if the running system lies on it,
 * or if it has a file of the name {@value #MARK} at its top, which somebody put there for this. A
 * mapped volume, as an opened encryption or one of several disks, does not tell on what it lies:
 * unless it is the system's own it wants the mark too.
 */
public final class ShopsOwn {
  public static final String MARK = "tekmerion-copies-here";

  private ShopsOwn() {}

  /**
   * @param folder that exists, where copies go
   * @param drives of this computer
   * @throws IOException if it lies on a disk that is not known as the shop's own
   */
  public static void mustHold(Path folder, List<SysDrive> drives) throws IOException {
    FileStore store = Files.getFileStore(folder);
    mustHold(store.name(), top(folder.toRealPath(), store), drives);
  }

  /**
   * @param device that the folder lies on, as the system names it; what is no device of this
   *     computer, as the network, is nobody's to lose
   * @param top where it is mounted
   */
  static void mustHold(String device, Path top, List<SysDrive> drives) throws IOException {
    Optional<SysDrive> drive =
        drives.stream()
            .filter(d -> device.matches(Pattern.quote(d.device().toString()) + "p?\\d*"))
            .findFirst();
    boolean own =
        !device.startsWith("/dev/")
            || top.getParent() == null
            || drive.filter(SysDrive::systemDrive).isPresent()
            || Files.exists(top.resolve(MARK));
    if (!own) {
      throw new IOException(
          ("no copy was begun: it would go to %s, which may be a customer's disk. If it is the"
                  + " shop's own, put an empty file named %s at its top.")
              .formatted(drive.map(d -> d.device().toString()).orElse(device), MARK));
    }
  }

  private static Path top(Path folder, FileStore store) throws IOException {
    Path top = folder;
    while (top.getParent() != null && Files.getFileStore(top.getParent()).equals(store)) {
      top = top.getParent();
    }
    return top;
  }
}

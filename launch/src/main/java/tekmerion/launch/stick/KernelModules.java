package tekmerion.launch.stick;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * Which drivers of the kernel go onto the stick: those of drives, cards, keyboards, networks by
 * cable, batteries. None of a file system, a set of drives or a mapped volume: what is not there
 * can mount, assemble or replay nothing.
 */
final class KernelModules {
  private static final List<String> FOLDERS =
      List.of(
          "kernel/drivers/ata/",
          "kernel/drivers/nvme/host/",
          "kernel/drivers/scsi/",
          "kernel/drivers/mmc/",
          "kernel/drivers/usb/host/",
          "kernel/drivers/usb/storage/",
          "kernel/drivers/usb/core/",
          "kernel/drivers/usb/common/",
          "kernel/drivers/hid/",
          "kernel/drivers/input/",
          "kernel/drivers/virtio/",
          "kernel/drivers/net/ethernet/",
          "kernel/drivers/net/phy/",
          "kernel/drivers/net/mdio/",
          "kernel/drivers/net/usb/",
          "kernel/drivers/acpi/",
          "kernel/drivers/edac/",
          "kernel/drivers/i2c/busses/",
          "kernel/drivers/hwmon/",
          "kernel/drivers/thermal/");

  private static final Set<String> FILES =
      Set.of("virtio_blk.ko", "virtio_net.ko", "ee1004.ko", "sr_mod.ko");

  private KernelModules() {}

  /**
   * Whether a module, by its path below the folder of its version, goes onto the stick by itself.
   */
  static boolean isWanted(String path) {
    return FOLDERS.stream().anyMatch(path::startsWith)
        || FILES.contains(path.substring(path.lastIndexOf('/') + 1));
  }

  /**
   * The wanted ones and all that they need, by path.
   *
   * @param dependencies lines of {@code modules.dep}: a module, a colon, those that it needs
   * @throws StickException if one of them could mount or assemble a drive
   */
  static Set<String> chosen(List<String> dependencies) {
    Map<String, List<String>> needs = new HashMap<>();
    for (String line : dependencies) {
      int colon = line.indexOf(':');
      String rest = line.substring(colon + 1).strip();
      needs.put(line.substring(0, colon), rest.isEmpty() ? List.of() : List.of(rest.split(" ")));
    }
    Set<String> chosen = new TreeSet<>();
    needs.forEach(
        (path, needed) -> {
          if (isWanted(path)) {
            chosen.add(path);
            chosen.addAll(needed); // modules.dep names what those need, too
          }
        });
    chosen.stream()
        .filter(KernelModules::couldMount)
        .findFirst()
        .ifPresent(
            path -> {
              throw new StickException(
                  "A driver that is wanted needs %s, which could mount or assemble a drive."
                      .formatted(path));
            });
    return chosen;
  }

  /** File systems, sets of drives, mapped volumes; configfs holds settings of drivers, no drive. */
  private static boolean couldMount(String path) {
    return path.startsWith("kernel/drivers/md/")
        || path.startsWith("kernel/fs/") && !path.startsWith("kernel/fs/configfs/");
  }

  /**
   * @param kernel Debian's, unpacked
   * @param root of the stick's system
   */
  static void copy(DebianPackage kernel, Path root) throws IOException {
    Path all = kernel.file("lib/modules");
    Path from = DebianPackage.only(all);
    String version = from.getFileName().toString();
    if (!Files.exists(from.resolve("modules.dep"))) {
      Tools.run(kernel.files(), "depmod", "-b", kernel.files().toString(), version);
    }
    Path to = root.resolve("lib/modules").resolve(version);
    for (String path : chosen(Files.readAllLines(from.resolve("modules.dep")))) {
      Path target = to.resolve(path);
      Files.createDirectories(target.getParent());
      Files.copy(from.resolve(path), target);
    }
    for (String list : List.of("modules.order", "modules.builtin")) {
      Files.copy(from.resolve(list), to.resolve(list));
    }
    Tools.run(root, "depmod", "-b", root.toString(), version);
  }
}

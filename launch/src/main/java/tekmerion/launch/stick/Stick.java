package tekmerion.launch.stick;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Puts the image together. */
public final class Stick {
  private Stick() {}

  /**
   * @param cache where fetched packages are kept from one build to the next
   * @param probe folders of the probe's JARs, as it is built
   * @param out the image; written in one step, when all of it is there
   * @throws StickException if a package or a program is missing
   */
  public static void make(Path cache, List<Path> probe, StickShop shop, Path out)
      throws IOException {
    Path packages = cache.resolve("packages");
    Path work = Files.createDirectories(cache.resolve("work"));
    DebianPackage kernel = DebianPackage.kernel(packages);
    Path system =
        StickSystem.make(
            work,
            new StickSystem.Debian(
                kernel,
                DebianPackage.of(packages, "busybox-static"),
                DebianPackage.of(packages, "console-setup-linux")),
            probe);
    Path settings = StickSystem.makeShop(work, shop);
    StickImage.Parts parts =
        new StickImage.Parts(
            kernel,
            DebianPackage.of(packages, "shim-signed"),
            DebianPackage.of(packages, "shim-helpers-amd64-signed"),
            DebianPackage.of(packages, "grub-efi-amd64-signed"),
            DebianPackage.of(packages, "grub-pc-bin"),
            system,
            settings);
    StickImage.make(work, parts, shop, out);
  }
}

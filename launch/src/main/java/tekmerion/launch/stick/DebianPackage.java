package tekmerion.launch.stick;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.stream.Stream;

/**
 * A package of Debian, fetched once and unpacked, not installed. apt verifies what it fetches.
 *
 * @param files the folder with what the package holds
 */
record DebianPackage(Path files) {

  /**
   * @param cache where packages are kept between builds
   * @throws StickException if apt does not know or cannot fetch it
   */
  static DebianPackage of(Path cache, String name) {
    try {
      Files.createDirectories(cache);
      String version = candidate(cache, name);
      Path unpacked = cache.resolve(name + "_" + version.replace(':', '.'));
      if (!Files.exists(unpacked)) {
        Path fetched = Tools.fresh(cache.resolve(name + ".fetched"));
        Tools.run(fetched, "apt-get", "-qq", "download", name);
        Path deb = only(fetched);
        Tools.run(fetched, "dpkg-deb", "-x", deb.toString(), "x");
        Files.move(fetched.resolve("x"), unpacked, StandardCopyOption.ATOMIC_MOVE);
        Tools.fresh(fetched);
      }
      return new DebianPackage(unpacked);
    } catch (IOException e) {
      throw new StickException("%s could not be unpacked: %s".formatted(name, e.getMessage()), e);
    }
  }

  /** The newest kernel that Debian has signed for secure boot. */
  static DebianPackage kernel(Path cache) {
    String depends =
        Tools.run(Path.of("/"), "apt-cache", "depends", "--important", "linux-image-amd64");
    String name =
        depends
            .lines()
            .map(String::strip)
            .filter(line -> line.startsWith("Depends: linux-image-"))
            .map(line -> line.substring("Depends: ".length()))
            .findFirst()
            .orElseThrow(
                () ->
                    new StickException("apt knows no kernel. Run apt-get update, then try again."));
    return of(cache, name);
  }

  private static String candidate(Path in, String name) {
    return Tools.run(in, "apt-cache", "policy", name)
        .lines()
        .map(String::strip)
        .filter(line -> line.startsWith("Candidate: "))
        .map(line -> line.substring("Candidate: ".length()))
        .filter(version -> !version.equals("(none)"))
        .findFirst()
        .orElseThrow(
            () ->
                new StickException(
                    "apt knows no package %s. Run apt-get update, then try again."
                        .formatted(name)));
  }

  Path file(String path) {
    Path file = files.resolve(path);
    if (!Files.exists(file)) {
      throw new StickException("%s has no %s.".formatted(files.getFileName(), path));
    }
    return file;
  }

  /** The one entry of a folder. */
  static Path only(Path folder) throws IOException {
    try (Stream<Path> entries = Files.list(folder)) {
      List<Path> all = entries.toList();
      if (all.size() != 1) {
        throw new StickException("%s holds %d entries, not one.".formatted(folder, all.size()));
      }
      return all.get(0);
    }
  }
}

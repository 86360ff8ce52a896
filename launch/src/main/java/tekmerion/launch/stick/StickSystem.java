package tekmerion.launch.stick;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;

/**
 * The system that the stick starts, all of it in memory: a shell of small programs, a Java runtime
 * and the probe.
 */
final class StickSystem {
  private static final List<String> LIBRARIES =
      List.of(
          "libstdc++.so.6",
          "libm.so.6",
          "libgcc_s.so.1",
          "libc.so.6",
          "libz.so.1",
          "libdl.so.2",
          "libpthread.so.0",
          "librt.so.1");

  /** What the probe uses of Java. */
  private static final String JAVA =
      "java.base,java.logging,java.xml,java.naming,java.management,java.net.http,java.sql,"
          + "java.desktop,jdk.unsupported,jdk.crypto.ec";

  private static final List<String> SCRIPTS =
      List.of("init", "bin/net-up", "bin/net-set", "bin/watch-drives");

  private StickSystem() {}

  /**
   * @param fonts with the letters of all languages of the screen
   */
  record Debian(DebianPackage kernel, DebianPackage shell, DebianPackage fonts) {}

  /**
   * @param work a folder for what is on its way
   * @param probe folders of JARs
   * @return the packed system
   */
  static Path make(Path work, Debian debian, List<Path> probe) throws IOException {
    Path root = Tools.fresh(work.resolve("system"));
    for (String folder :
        List.of("bin", "etc", "proc", "sys", "dev", "run", "tmp", "lib64", "app")) {
      Files.createDirectories(root.resolve(folder));
    }
    Files.copy(debian.shell().file("bin/busybox"), root.resolve("bin/busybox"));
    Path libraries = Files.createDirectories(root.resolve("lib/x86_64-linux-gnu"));
    for (String library : LIBRARIES) {
      copy(Path.of("/lib/x86_64-linux-gnu", library), libraries.resolve(library));
    }
    copy(Path.of("/lib64/ld-linux-x86-64.so.2"), root.resolve("lib64/ld-linux-x86-64.so.2"));
    Files.writeString(root.resolve("etc/passwd"), "root:x:0:0:root:/run:/bin/sh\n");
    Files.copy(
        debian.fonts().file("usr/share/consolefonts/Lat15-VGA16.psf.gz"),
        root.resolve("etc/font.psf.gz"));
    Files.writeString(root.resolve("etc/hosts"), "127.0.0.1 localhost\n");
    KernelModules.copy(debian.kernel(), root);
    Path java = work.resolve("jre");
    if (!Files.exists(java)) {
      Tools.run(
          work,
          Path.of(System.getProperty("java.home"), "bin", "jlink").toString(),
          "--add-modules",
          JAVA,
          "--strip-debug",
          "--no-header-files",
          "--no-man-pages",
          "--output",
          java.toString());
    }
    Tools.run(work, "cp", "-r", java.toString(), root.resolve("jre").toString());
    for (Path jars : probe) {
      try (var all = Files.newDirectoryStream(jars, "*.jar")) {
        for (Path jar : all) {
          Files.copy(
              jar,
              root.resolve("app").resolve(jar.getFileName()),
              StandardCopyOption.REPLACE_EXISTING);
        }
      }
    }
    for (String script : SCRIPTS) {
      resource(script, root.resolve(script));
    }
    Tools.run(root, "chmod", "-R", "go-w,a+rX", ".");
    Tools.run(root, "chmod", "755", "bin/busybox");
    for (String script : SCRIPTS) {
      Tools.run(root, "chmod", "755", script);
    }
    return pack(work, root, "system.cpio.gz");
  }

  /** What differs from shop to shop, to be laid over the system when it starts. */
  static Path makeShop(Path work, StickShop shop) throws IOException {
    Path root = Tools.fresh(work.resolve("shop"));
    Files.createDirectories(root.resolve("etc"));
    Files.writeString(root.resolve("etc/tekmerion"), shop.settings());
    return pack(work, root, "shop.cpio.gz");
  }

  private static Path pack(Path work, Path root, String name) {
    Path packed = work.resolve(name);
    Tools.run(
        root,
        "sh",
        "-c",
        ("find . -exec touch -h -d @%d {} + && find . -print0 | sort -z"
                + " | cpio --null -o -H newc --reproducible --owner=0:0 --quiet | gzip -n -6 > %s")
            .formatted(Tools.MOMENT_SECONDS, "../" + name + ".part"));
    Tools.run(work, "mv", name + ".part", packed.toString());
    return packed;
  }

  private static void copy(Path from, Path to) throws IOException {
    Files.copy(from.toRealPath(), to);
  }

  private static void resource(String name, Path to) throws IOException {
    try (InputStream in = StickSystem.class.getResourceAsStream(name)) {
      Files.copy(in, to);
    }
  }
}

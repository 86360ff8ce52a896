package tekmerion.probe.devices;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * What a guest is made of: Debian's kernel, an initial memory disk with its modules and a shell,
 * and an image with a Java runtime and the probe as it is built. The kernel's package is fetched
 * once and unpacked, not installed.
 *
 * @param kernel the kernel's image
 * @param initrd the initial memory disk
 * @param tools an ext4 image, mounted at /tools
 */
record GuestParts(Path kernel, Path initrd, Path tools) {
  private static final String PACKAGE = "linux-image-amd64";

  /** What the drives, the channel to the agent and the tests need. */
  private static final List<String> MODULES =
      List.of(
          "virtio_pci",
          "virtio_blk",
          "virtio_console",
          "crc32c_generic",
          "ext4",
          "ahci",
          "ata_piix",
          "sd_mod",
          "sr_mod",
          "nvme",
          "virtio_scsi",
          "usb-storage",
          "uas",
          "xhci-pci",
          "sg",
          "loop",
          "battery",
          "ac");

  /** Loaded by a test that wants it. */
  private static final List<String> LATER = List.of("scsi_debug");

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

  private static final String INIT =
      """
      #!/bin/busybox sh
      /bin/busybox --install -s /bin
      mount -t proc proc /proc; mount -t sysfs sys /sys; mount -t devtmpfs dev /dev
      mount -t tmpfs -o size=80% tmp /tmp
      for m in $(cat /modules/now); do insmod /modules/$m; done
      ip link set lo up
      while [ ! -e /dev/vda ] || [ ! -e /dev/vport0p1 ] && [ ! -e /dev/vport1p1 ]; do sleep 0.2; done
      mount -t ext4 -o ro /dev/vda /tools; mount -t ext4 /dev/vdb /scratch || poweroff -f
      touch /scratch/tekmerion-copies-here # it is no customer's disk
      export PATH=/bin:/tools/jre/bin HOME=/tmp
      cd /tmp
      java -Xshare:auto -XX:TieredStopAtLevel=1 -XX:+UseSerialGC -Xmx384m \
        -cp '/tools/classes:/tools/lib/*' tekmerion.probe.devices.GuestAgent /dev/vport*p1
      poweroff -f
      """;

  /** As {@code ./tekmerion test devices} has them built. */
  static GuestParts built() throws IOException {
    Path home = Path.of(System.getProperty("tekmerion.home")).toAbsolutePath();
    return in(
        home.resolve(".tekmerion/devices"),
        List.of(
            home.resolve("core/target/classes"),
            home.resolve("link/target/classes"),
            home.resolve("sim/target/classes"),
            home.resolve("probe/target/classes"),
            home.resolve("probe/target/test-classes")),
        List.of(home.resolve("probe/target/lib")));
  }

  /**
   * @param home where all of it is kept between runs
   * @param classes folders of compiled classes, the agent's among them
   * @param libraries folders of JARs
   */
  static GuestParts in(Path home, List<Path> classes, List<Path> libraries) throws IOException {
    Files.createDirectories(home);
    Path unpacked = unpackedKernel(home);
    String version = only(unpacked.resolve("lib/modules")).getFileName().toString();
    Path initrd = home.resolve("initrd.gz");
    makeInitrd(home.resolve("initrd"), initrd, unpacked, version);
    Path tools = home.resolve("tools.img");
    makeTools(home.resolve("tools"), tools, classes, libraries);
    return new GuestParts(unpacked.resolve("boot/vmlinuz-" + version), initrd, tools);
  }

  private static Path unpackedKernel(Path home) throws IOException {
    String dependency =
        Shell.out(home, "apt-cache", "depends", "--important", PACKAGE)
            .lines()
            .map(String::strip)
            .filter(l -> l.startsWith("Depends: linux-image-"))
            .map(l -> l.substring("Depends: ".length()))
            .findFirst()
            .orElseThrow(() -> new IOException("apt knows no kernel: apt-get update first"));
    Path unpacked = home.resolve(dependency);
    if (!Files.exists(unpacked)) {
      Path fresh = Files.createTempDirectory(home, "kernel");
      Shell.run(fresh, "apt-get", "-qq", "download", dependency);
      Path deb = only(fresh);
      Shell.run(fresh, "dpkg-deb", "-x", deb.toString(), "x");
      String version = only(fresh.resolve("x/lib/modules")).getFileName().toString();
      Shell.run(fresh, "/sbin/depmod", "-b", "x", version);
      Files.move(fresh.resolve("x"), unpacked);
      Shell.run(home, "rm", "-rf", fresh.toString());
    }
    return unpacked;
  }

  private static Path only(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.findFirst().orElseThrow(() -> new IOException(folder + " is empty"));
    }
  }

  private static void makeInitrd(Path root, Path initrd, Path unpacked, String version)
      throws IOException {
    Shell.run(root.getParent(), "rm", "-rf", root.toString());
    for (String folder :
        List.of("bin", "proc", "sys", "dev", "tmp", "tools", "scratch", "modules", "lib64")) {
      Files.createDirectories(root.resolve(folder));
    }
    Files.copy(Path.of("/bin/busybox"), root.resolve("bin/busybox"));
    Path libraries = Files.createDirectories(root.resolve("lib/x86_64-linux-gnu"));
    for (String library : LIBRARIES) {
      copy(Path.of("/lib/x86_64-linux-gnu", library), libraries.resolve(library));
    }
    copy(
        Path.of("/lib64/ld-linux-x86-64.so.2"),
        root.resolve("lib64").resolve("ld-linux-x86-64.so.2"));
    Path from = unpacked.resolve("lib/modules").resolve(version);
    Path to = root.resolve("modules");
    Files.writeString(to.resolve("now"), String.join("\n", copyModules(from, to, MODULES)));
    for (String later : LATER) {
      List<String> names = copyModules(from, to, List.of(later));
      Files.writeString(to.resolve(later), String.join("\n", names));
    }
    Files.writeString(
        Files.createDirectories(root.resolve("etc")).resolve("passwd"),
        "root:x:0:0:root:/tmp:/bin/sh\n");
    Files.writeString(root.resolve("init"), INIT);
    Shell.run(root, "chmod", "-R", "755", "init", "bin");
    Shell.run(root, "sh", "-c", "find . | cpio -o -H newc --quiet | gzip -1 > " + initrd);
  }

  /**
   * @return their file names, each after those that it needs
   */
  private static List<String> copyModules(Path from, Path to, List<String> wanted)
      throws IOException {
    Map<String, List<String>> needs = new LinkedHashMap<>();
    Map<String, String> byName = new LinkedHashMap<>();
    for (String line : Files.readAllLines(from.resolve("modules.dep"))) {
      String file = line.substring(0, line.indexOf(':'));
      List<String> needed =
          new ArrayList<>(List.of(line.substring(line.indexOf(':') + 1).strip().split(" ")));
      needed.remove("");
      Collections.reverse(needed);
      needs.put(file, needed);
      String name = file.substring(file.lastIndexOf('/') + 1).replaceFirst("\\.ko.*", "");
      byName.put(name.replace('-', '_'), file);
    }
    List<String> all = new ArrayList<>();
    for (String name : wanted) {
      String file = byName.get(name.replace('-', '_'));
      if (file == null) {
        continue; // it is built into the kernel
      }
      all.addAll(needs.get(file));
      all.add(file);
    }
    List<String> names = new ArrayList<>();
    for (String file : all.stream().distinct().toList()) {
      Path module = from.resolve(file);
      copy(module, to.resolve(module.getFileName()));
      names.add(module.getFileName().toString());
    }
    return names;
  }

  private static void copy(Path from, Path to) throws IOException {
    Files.copy(from.toRealPath(), to, StandardCopyOption.REPLACE_EXISTING);
  }

  private static void makeTools(Path root, Path image, List<Path> classes, List<Path> libraries)
      throws IOException {
    Files.createDirectories(root);
    if (!Files.exists(root.resolve("jre"))) {
      Shell.run(
          root,
          "jlink",
          "--add-modules",
          "java.base,java.logging,java.xml,java.naming,java.management,java.net.http,java.sql,"
              + "java.desktop,jdk.unsupported",
          "--strip-debug",
          "--no-header-files",
          "--no-man-pages",
          "--output",
          "jre");
    }
    Shell.run(root, "rm", "-rf", "classes", "lib");
    Files.createDirectories(root.resolve("classes"));
    Files.createDirectories(root.resolve("lib"));
    for (Path folder : classes) {
      Shell.run(root, "cp", "-r", folder + "/.", "classes");
    }
    for (Path folder : libraries) {
      Shell.run(root, "sh", "-c", "cp " + folder + "/*.jar lib");
    }
    Files.deleteIfExists(image);
    Shell.run(
        root.getParent(),
        "/sbin/mke2fs",
        "-q",
        "-t",
        "ext4",
        "-O",
        "^has_journal",
        "-d",
        root.toString(),
        image.toString(),
        "400M");
  }
}

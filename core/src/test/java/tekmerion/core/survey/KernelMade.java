package tekmerion.core.survey;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import tekmerion.core.DebianTool;

/**
 * Images whose tools want devices of a kernel's: Debian's kernel that runs as a program (package
 * user-mode-linux) makes them, on image files as its disks, with the ordinary tools. It has this
 * machine's files for reading only.
 */
final class KernelMade {
  private static final int MEBIBYTES = 64;

  private static final String INIT =
      """
      #!/bin/sh
      export PATH=/usr/sbin:/usr/bin:/sbin:/bin
      trap 'halt -f' EXIT
      set -e
      mount -t proc proc /proc
      mount -t sysfs sys /sys
      mount -t tmpfs tmp /run
      mkdir /run/lvm /run/lock
      for m in dm-mod md-mod raid1; do
        insmod /usr/lib/uml/modules/*/kernel/drivers/md/$m.ko
      done
      disks='devices { types=["ubd",16] } backup { backup=0 archive=0 }
        activation { udev_sync=0 udev_rules=0 }'
      %s
      sync
      echo all made
      """;

  private static final String LVM =
      """
      pvcreate -q --config "$disks" /dev/ubda
      vgcreate -q --config "$disks" HARBOUR /dev/ubda
      lvcreate -q --config "$disks" -y -Zn -Wn -L 32M -n charts HARBOUR
      mkfs.ext4 -q /dev/mapper/HARBOUR-charts
      vgchange -q --config "$disks" -an HARBOUR
      """;

  private static final String MD =
      """
      mdadm --create /dev/md%1$d --metadata=%2$s --level=1 --raid-devices=2 %3$s --run /dev/ubd%4$s missing
      mkfs.ext4 -q /dev/md%1$d
      mdadm --stop /dev/md%1$d
      """;

  private KernelMade() {}

  /** Four in one start of the kernel, in this order: LVM, then md 1.2, 1.0 and 0.90. */
  static List<byte[]> all(Path folder) throws IOException, InterruptedException {
    String name = "--name=HARBOUR --homehost=any";
    String work =
        LVM
            + MD.formatted(0, "1.2", name, "b")
            + MD.formatted(1, "1.0", name, "c")
            + MD.formatted(2, "0.90", "", "d");
    Path init = folder.resolve("init.sh");
    Files.writeString(init, INIT.formatted(work));
    assertThat(init.toFile().setExecutable(true)).isTrue();
    List<String> command = new ArrayList<>(List.of("linux.uml", "mem=192M", "quiet"));
    List<Path> disks = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      Path disk = folder.resolve("kernel%d.img".formatted(i));
      DebianTool.empty(disk, (long) MEBIBYTES << 20);
      disks.add(disk);
      command.add("ubd%d=%s".formatted(i, disk));
    }
    command.addAll(
        List.of(
            "root=/dev/root",
            "rootfstype=hostfs",
            "rootflags=/",
            "ro",
            "init=" + init,
            "con=null",
            "con0=null,fd:1",
            "uml_dir=" + folder));
    Process kernel = new ProcessBuilder(command).redirectErrorStream(true).start();
    kernel.getOutputStream().close();
    String output = new String(kernel.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    kernel.waitFor();
    assertThat(output).contains("all made");
    List<byte[]> images = new ArrayList<>();
    for (Path disk : disks) {
      images.add(Files.readAllBytes(disk));
    }
    return images;
  }
}

package tekmerion.probe.copy;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.probe.linux.SysDrive;

/** A made-up /sys with the system's own disk and two others. */
class ShopsOwnTest {
  @TempDir Path folder;
  private List<SysDrive> drives;

  @BeforeEach
  void bench() throws IOException {
    for (String name : List.of("sda", "sdb", "nvme0n1")) {
      Path real = folder.resolve("sys/devices/pci0000/" + name + "/block/" + name);
      Files.createDirectories(real.resolve("device"));
      Files.createDirectories(real.resolve("queue"));
      Files.writeString(real.resolve("size"), "1000\n");
      Files.writeString(real.resolve("queue/rotational"), "1\n");
      Files.createDirectories(folder.resolve("sys/block"));
      Files.createSymbolicLink(folder.resolve("sys/block/" + name), real);
    }
    Path mounts = Files.writeString(folder.resolve("mounts"), "/dev/nvme0n1p2 / ext4 rw 0 0\n");
    drives = SysDrive.list(folder.resolve("sys"), mounts);
  }

  @Test
  void copiesGoToTheSystemsDiskOrOneThatIsMarked() throws IOException {
    assertThatCode(() -> ShopsOwn.mustHold("/dev/nvme0n1p2", folder, drives))
        .doesNotThrowAnyException();
    assertThatCode(() -> ShopsOwn.mustHold("server:/copies", folder, drives))
        .doesNotThrowAnyException();
    assertThatCode(() -> ShopsOwn.mustHold("/dev/mapper/bench-root", Path.of("/"), drives))
        .doesNotThrowAnyException();
    // An opened encryption or a volume of several disks does not tell whose they are.
    assertThatThrownBy(() -> ShopsOwn.mustHold("/dev/mapper/theirs", folder, drives))
        .hasMessageContaining("/dev/mapper/theirs, which may be a customer's disk");
    assertThatThrownBy(() -> ShopsOwn.mustHold("/dev/sdb1", folder, drives))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("/dev/sdb, which may be a customer's disk")
        .hasMessageContaining(ShopsOwn.MARK);

    Files.createFile(folder.resolve(ShopsOwn.MARK));

    assertThatCode(() -> ShopsOwn.mustHold("/dev/sdb1", folder, drives)).doesNotThrowAnyException();
  }
}

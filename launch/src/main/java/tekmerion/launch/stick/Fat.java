package tekmerion.launch.stick;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Empty file systems of the sort that firmware and every system reads, the same each time. */
final class Fat {
  private Fat() {}

  /**
   * @param bits of an entry in its table: 16 or 32
   * @param serial that tells it from others
   */
  static void make(Path image, int bits, long sectors, String label, int serial)
      throws IOException {
    Files.deleteIfExists(image);
    Files.createFile(image);
    Path folder = image.getParent();
    Tools.run(folder, "truncate", "-s", Long.toString(sectors * 512), image.toString());
    Tools.run(
        folder,
        "mkfs.fat",
        "--invariant",
        "-F",
        Integer.toString(bits),
        "-n",
        label,
        "-i",
        "%08x".formatted(serial),
        image.toString());
  }
}

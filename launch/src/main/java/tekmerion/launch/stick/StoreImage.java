package tekmerion.launch.stick;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import tekmerion.link.stick.StickStore;
import tekmerion.link.stick.StickStore.Head;

/**
 * The partition with the store: a file system that any computer shows, with one file of fixed size
 * in one piece. The stick's own system writes into that file by position and knows no file system;
 * in the shop the file is uploaded.
 */
final class StoreImage {
  private static final long MIB = 1 << 20;
  private static final long STORE_BYTES = 16 * MIB;

  /** Of the partition. */
  static final long SECTORS = 20 * MIB / StickStore.SECTOR;

  private static final String README =
      """
      This stick belongs to a repair shop. It starts a computer with Tekmerion's probe.
      %s holds what it kept where there was no network, sealed to the shop's key.
      In the shop: open Tekmerion in a browser, From a stick, and choose that file.
      """;

  private StoreImage() {}

  /**
   * @param at first sector of the partition on the stick
   * @return its image; empty where the shop gave no key
   */
  static Optional<Path> make(Path work, StickShop shop, long at) throws IOException {
    if (shop.key().isEmpty()) {
      return Optional.empty();
    }
    Path image = work.resolve("store.img");
    Fat.make(image, 16, SECTORS, "TEK-KEPT", shop.id("kept").hashCode());
    Path tree = Tools.fresh(work.resolve("store"));
    Files.writeString(tree.resolve("README.TXT"), README.formatted(StickStore.FILE_NAME));
    Path file = tree.resolve(StickStore.FILE_NAME);
    byte[] mark = new Head(0, STORE_BYTES, shop.key().get()).sector();
    Files.write(file, mark);
    Tools.run(tree, "truncate", "-s", Long.toString(STORE_BYTES), file.toString());
    Tools.run(tree, "sh", "-c", "find . -exec touch -d @%d {} +".formatted(Tools.MOMENT_SECONDS));
    // Into an empty file system: one after the other, each in one piece.
    Tools.run(
        tree, "mcopy", "-i", image.toString(), "-m", StickStore.FILE_NAME, "README.TXT", "::");
    try (RandomAccessFile in = new RandomAccessFile(image.toFile(), "rw")) {
      long inside = find(in, mark);
      in.seek(inside);
      in.write(new Head(at * StickStore.SECTOR + inside, STORE_BYTES, shop.key().get()).sector());
    }
    return Optional.of(image);
  }

  private static long find(RandomAccessFile in, byte[] sector) throws IOException {
    byte[] read = new byte[sector.length];
    for (long place = 0; place + sector.length <= in.length(); place += sector.length) {
      in.seek(place);
      in.readFully(read);
      if (Arrays.equals(read, sector)) {
        return place;
      }
    }
    throw new StickException("The store is not where it was put.");
  }
}

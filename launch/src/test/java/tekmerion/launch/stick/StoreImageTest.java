package tekmerion.launch.stick;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.link.stick.StickOpener;
import tekmerion.link.stick.StickStore;
import tekmerion.link.stick.StoreFullException;

class StoreImageTest {
  private static final long PARTITION_AT = 4096;
  private static final StickOpener SHOP = StickOpener.ofSealKey(new byte[32]);
  private static final StickShop WITH_KEY =
      new StickShop(List.of(), Optional.empty(), Optional.of(SHOP.key()), "en");

  /** The partition as it lies on the stick. */
  private record OnStick(RandomAccessFile file) implements StickStore.Bytes {
    private static final long BEFORE = PARTITION_AT * StickStore.SECTOR;

    @Override
    public byte[] read(long at, int length) throws IOException {
      byte[] bytes = new byte[length];
      file.seek(at - BEFORE);
      file.readFully(bytes);
      return bytes;
    }

    @Override
    public void write(long at, byte[] what) throws IOException {
      file.seek(at - BEFORE);
      file.write(what);
    }
  }

  /**
   * What is written by position until it is full comes out of the file system as that one file: it
   * lies in one piece, and nothing beside it was touched.
   */
  @Test
  void whatIsWrittenByPositionIsTheFileThatIsUploaded(@TempDir Path folder) throws IOException {
    Path image = StoreImage.make(folder, WITH_KEY, PARTITION_AT).orElseThrow();
    byte[] megabyte = new byte[1 << 20];
    int kept = 0;
    try (RandomAccessFile file = new RandomAccessFile(image.toFile(), "rw")) {
      StickStore store = StickStore.on(new OnStick(file), at(file)).orElseThrow();
      assertThat(store.key()).isEqualTo(SHOP.key());
      try {
        while (true) {
          store.keep(
              new StickStore.Kept(UUID.randomUUID(), SHOP.key().seal(megabyte, new byte[0])));
          kept++;
        }
      } catch (StoreFullException full) {
        assertThat(kept).isEqualTo(15); // 16 MiB, less the sectors in front
      }
    }
    Path out = folder.resolve("uploaded");
    Tools.run(folder, "mcopy", "-i", image.toString(), "::" + StickStore.FILE_NAME, out.toString());
    assertThat(StickStore.in(Files.readAllBytes(out)).orElseThrow().kept()).hasSize(15);
    Path text = folder.resolve("text");
    Tools.run(folder, "mcopy", "-i", image.toString(), "::README.TXT", text.toString());
    assertThat(Files.readString(text)).contains(StickStore.FILE_NAME);
  }

  private static long at(RandomAccessFile file) throws IOException {
    byte[] sector = new byte[StickStore.SECTOR];
    for (long at = 0; at < file.length(); at += sector.length) {
      file.seek(at);
      file.readFully(sector);
      Optional<StickStore.Head> head = StickStore.Head.of(sector);
      if (head.isPresent()) {
        assertThat(head.get().at()).isEqualTo(PARTITION_AT * StickStore.SECTOR + at);
        return head.get().at();
      }
    }
    throw new AssertionError("no store");
  }

  @Test
  void aStickWithoutAKeyHasNone(@TempDir Path folder) throws IOException {
    StickShop none = new StickShop(List.of(), Optional.empty(), Optional.empty(), "en");
    assertThat(StoreImage.make(folder, none, PARTITION_AT)).isEmpty();
    assertThat(none.settings()).contains("stick_key=\n");
    assertThat(WITH_KEY.settings()).contains("stick_key=" + SHOP.key() + "\n");
  }
}

package tekmerion.probe.copy;

import java.io.IOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;

/** Whether there is room for a copy. */
public final class Room {
  /** What stays free for the system that the folder lies on. */
  private static final long SPARE = 256L << 20;

  private Room() {}

  /**
   * @param bytes still to be written
   * @throws IOException with both figures, if they do not fit
   */
  public static void check(Path folder, long bytes) throws IOException {
    FileStore store = Files.getFileStore(folder);
    if (store.getUsableSpace() - SPARE < bytes) {
      throw new IOException(
          String.format(
              Locale.ROOT,
              "there is no room: %,d bytes are wanted, %,d are free and %,d of them stay so",
              bytes,
              store.getUsableSpace(),
              SPARE));
    }
  }
}

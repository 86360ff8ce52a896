package tekmerion.probe.copy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;

/** What a copy must never be written to. */
public final class SourceIsNot {
  private SourceIsNot() {}

  /**
   * @param sourceName of the block device that is copied, as in /dev; or a file's name
   * @param folder that exists, where the copy goes
   * @throws IOException if the folder lies on what is copied
   */
  public static void under(String sourceName, Path folder) throws IOException {
    String store = Files.getFileStore(folder).name();
    if (store.matches("/dev/" + Pattern.quote(sourceName) + "p?\\d*")) {
      throw new IOException(
          "the folder of the copies lies on %s, which is to be copied".formatted(sourceName));
    }
  }
}

package tekmerion.probe.copy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.regex.Pattern;

/** Where the copies of one drive of one job go, below the probe's folder of copies. */
public final class CopyFolder {
  private static final Pattern NAME = Pattern.compile("[A-Za-z0-9][A-Za-z0-9-]{0,60}");

  private final Path folder;
  private final String shown;

  private CopyFolder(Path folder, String shown) {
    this.folder = folder;
    this.shown = shown;
  }

  /**
   * @param all the probe's folder of copies; made if it is not there
   * @param driveKey letters, digits and hyphens only, as the job's number
   * @throws IOException if a name would lead elsewhere, or the folder cannot be made
   */
  public static CopyFolder open(Path all, String job, String driveKey) throws IOException {
    if (!NAME.matcher(job).matches() || !NAME.matcher(driveKey).matches()) {
      throw new IOException("no folder is made for " + job + " and " + driveKey);
    }
    Path folder = all.resolve(job).resolve(driveKey);
    Files.createDirectories(folder);
    return new CopyFolder(folder, job + "/" + driveKey);
  }

  public Path path() {
    return folder;
  }

  /** As it is told: without what is the machine's own. */
  public String shown() {
    return shown;
  }

  public Path image() {
    return folder.resolve("drive.img");
  }

  public Path map() {
    return folder.resolve("drive.map");
  }

  /** Files of one volume. */
  public Path files(int volume) {
    return folder.resolve("files-" + volume);
  }

  /**
   * The first drive that is copied into it owns it.
   *
   * @param identity model, serial and size as they are told
   * @throws IOException if it holds another drive's copy
   */
  public void belongTo(String identity) throws IOException {
    Path owner = folder.resolve("drive.txt");
    if (!Files.exists(owner)) {
      Files.writeString(owner, identity + "\n", StandardOpenOption.CREATE_NEW);
    } else if (!Files.readString(owner).strip().equals(identity)) {
      throw new IOException(
          "the folder %s holds the copy of another drive: %s"
              .formatted(shown, Files.readString(owner).strip()));
    }
  }
}

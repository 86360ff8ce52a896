package tekmerion.probe.copy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.RescueMap.Stretch;
import tekmerion.core.rescue.State;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkFormatException;
import tekmerion.link.files.WholeFile;

/** Where the copies of one drive of one job go, below the probe's folder of copies. */
public final class CopyFolder {
  private static final Pattern NAME = Pattern.compile("[A-Za-z0-9][A-Za-z0-9-]{0,60}");

  /** Which drive the copies are of. */
  private static final String OWNER = "drive.json";

  private final Path folder;
  private final String shown;

  private CopyFolder(Path folder, String shown) {
    this.folder = folder;
    this.shown = shown;
  }

  /**
   * @param all the probe's folder of copies; made if it is not there
   * @param partKey letters, digits and hyphens only, as the job's number
   * @throws IOException if a name would lead elsewhere, or the folder cannot be made
   */
  public static CopyFolder open(Path all, String job, String partKey) throws IOException {
    CopyFolder folder = named(all, job, partKey);
    Private.createDirectories(folder.folder);
    WholeFile.deleteLeftParts(folder.folder);
    return folder;
  }

  /**
   * One that is there; empty if it is not.
   *
   * @throws IOException if a name would lead elsewhere
   */
  public static Optional<CopyFolder> existing(Path all, String job, String partKey)
      throws IOException {
    CopyFolder folder = named(all, job, partKey);
    return Files.isDirectory(folder.folder) ? Optional.of(folder) : Optional.empty();
  }

  /** Whether a folder of a job or a drive may be called so. */
  static boolean isName(String name) {
    return NAME.matcher(name).matches();
  }

  private static CopyFolder named(Path all, String job, String partKey) throws IOException {
    if (!isName(job) || !isName(partKey)) {
      throw new IOException("no folder is made for " + job + " and " + partKey);
    }
    return new CopyFolder(all.resolve(job).resolve(partKey), job + "/" + partKey);
  }

  /**
   * What an erasing did.
   *
   * @param bytes that were written over
   * @param left files that are still there
   * @param stopped whether it may not go on
   */
  public record Erased(long files, long bytes, long left, boolean stopped) {}

  /**
   * Writes every file over with zeros, then deletes it, and the folder. What a file system or a
   * solid-state drive keeps of older blocks is beyond this. Which drive they are of goes last, so
   * that what is left can be erased later.
   *
   * @param may asked before each file, whether it may still be erased
   * @throws IOException if the folder cannot be walked through
   */
  public Erased erase(BooleanSupplier may) throws IOException {
    long files = 0;
    long bytes = 0;
    long left = 0;
    List<Path> all;
    try (Stream<Path> walk = Files.walk(folder)) {
      all =
          walk.sorted(
                  Comparator.comparing((Path p) -> p.equals(folder))
                      .thenComparing((Path p) -> p.equals(folder.resolve(OWNER)))
                      .thenComparing(Comparator.reverseOrder()))
              .toList();
    }
    boolean stopped = false;
    List<Stretch> written = written();
    for (Path path : all) {
      boolean file = Files.isRegularFile(path, LinkOption.NOFOLLOW_LINKS);
      files += file ? 1 : 0;
      stopped = stopped || !may.getAsBoolean();
      if (stopped) {
        left += file ? 1 : 0;
        continue;
      }
      try {
        if (file) {
          bytes += path.equals(image()) ? overwritten(path, written) : overwritten(path, List.of());
        }
        Files.delete(path);
      } catch (IOException e) {
        left += file ? 1 : 0;
      }
    }
    return new Erased(files, bytes, left, stopped);
  }

  /** Where the image holds something, by its map: the rest is a hole. Empty if nothing tells. */
  private List<Stretch> written() {
    try {
      return KeptRescue.parse(Files.readString(map())).map().stretches().stream()
          .filter(s -> s.state() == State.READ)
          .toList();
    } catch (IOException | IllegalArgumentException e) {
      return List.of();
    }
  }

  /** All of it, unless it is known where it holds something. */
  private static long overwritten(Path path, List<Stretch> where) throws IOException {
    try (FileChannel channel = FileChannel.open(path, StandardOpenOption.WRITE)) {
      long size = channel.size();
      List<Stretch> all = where.isEmpty() ? List.of(new Stretch(0, size, State.READ)) : where;
      long bytes = 0;
      for (Stretch stretch : all) {
        long to = Math.min(size, stretch.to());
        for (long at = stretch.from(); at < to; ) {
          ByteBuffer zeros = ByteBuffer.allocate((int) Math.min(1 << 20, to - at));
          int n = channel.write(zeros, at);
          at += n;
          bytes += n;
        }
      }
      channel.force(true);
      return bytes;
    }
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

  /** Files that were found by their content. */
  public Path byContent() {
    return folder.resolve("files-by-content");
  }

  /**
   * What was read of the drive, if there is nothing left to try; empty if there is.
   *
   * @throws IOException if the map cannot be read
   */
  public Optional<KeptRescue> rescued() throws IOException {
    if (!Files.exists(map()) || !Files.exists(image())) {
      return Optional.empty();
    }
    KeptRescue kept = KeptRescue.parse(Files.readString(map()));
    boolean through =
        kept.map().bytes(State.UNTRIED)
                + kept.map().bytes(State.FAILED)
                + kept.map().bytes(State.TRIMMED)
            == 0;
    return through ? Optional.of(kept) : Optional.empty();
  }

  /**
   * The first drive that is copied into it owns it.
   *
   * @throws IOException if it holds another drive's copy
   */
  public void belongTo(DriveSeen drive) throws IOException {
    Path file = folder.resolve(OWNER);
    // A file that says nothing was cut off by a fall; before any map there is no copy to protect.
    boolean nothingYet = owner().isEmpty() && !Files.exists(map());
    if (nothingYet) {
      WholeFile.write(file, LinkCodec.encode(drive) + "\n");
    } else if (!owner().equals(Optional.of(drive))) {
      throw new IOException(
          "the folder %s holds the copy of another drive: %s"
              .formatted(shown, Files.readString(file).strip()));
    }
  }

  /** The drive whose copies these are; empty if the folder does not say. */
  public Optional<DriveSeen> owner() throws IOException {
    Path file = folder.resolve(OWNER);
    try {
      return Files.exists(file)
          ? Optional.of(LinkCodec.decode(Files.readString(file), DriveSeen.class))
          : Optional.empty();
    } catch (LinkFormatException e) {
      return Optional.empty();
    }
  }
}

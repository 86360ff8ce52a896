package tekmerion.core.files;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import tekmerion.core.port.ByteSource;
import tekmerion.core.survey.Content;
import tekmerion.core.survey.Window;

/**
 * What a volume holds.
 *
 * @param files folders before what is in them
 * @param troubles what could not be read of the volume's structures, each in a sentence
 */
public record FileList(List<FoundFile> files, List<String> troubles) {
  /** Where files are put whose folder is lost. */
  public static final String FOUND = "found";

  /** More than this is not listed; there is a trouble that says so. */
  static final int MAX = 5_000_000;

  private static final Set<Content> KNOWN =
      Set.of(
          Content.FAT12,
          Content.FAT16,
          Content.FAT32,
          Content.EXFAT,
          Content.NTFS,
          Content.EXT2,
          Content.EXT3,
          Content.EXT4);

  public FileList {
    files = List.copyOf(files);
    troubles = List.copyOf(troubles);
  }

  /** Whether files of this kind of volume can be listed. */
  public static boolean lists(Content content) {
    return KNOWN.contains(content);
  }

  /**
   * @param start first byte of the volume on the source
   * @param bytes its length
   * @return empty if this kind of volume is not read here; never an exception for what is on it
   */
  public static Optional<FileList> of(ByteSource source, long start, long bytes, Content content) {
    if (!lists(content)) {
      return Optional.empty();
    }
    Window w = Window.whole(new CachedBytes(source)).part(start, bytes);
    Found found = new Found();
    switch (content) {
      case FAT12, FAT16, FAT32 -> new FatFiles(w, found).walk();
      case EXFAT -> new ExfatFiles(w, found).walk();
      case NTFS -> new NtfsFiles(w, found).walk();
      default -> new ExtFiles(w, found).walk();
    }
    return Optional.of(found.list());
  }
}

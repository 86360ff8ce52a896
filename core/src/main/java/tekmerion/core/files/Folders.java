package tekmerion.core.files;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** What a volume holds, by folder, for whoever chooses what is to be copied. */
public final class Folders {
  private static final int DEPTH = 2;

  /** What people make or keep, by the ends of names. */
  private static final Set<String> OWNERS =
      Set.of(
          "jpg", "jpeg", "png", "gif", "tif", "tiff", "heic", "raw", "dng", "webp", "svg", "bmp",
          "mp3", "flac", "wav", "ogg", "m4a", "mid", "mscz", "mp4", "mov", "avi", "mkv", "webm",
          "pdf", "doc", "docx", "odt", "rtf", "txt", "md", "tex", "xls", "xlsx", "ods", "csv",
          "ppt", "pptx", "odp", "eml", "mbox", "pst", "ics", "vcf", "db", "sqlite", "zip", "7z",
          "gz", "xml", "html", "dxf", "dwg", "stl", "kdbx");

  private Folders() {}

  /**
   * A folder with all that is below it; the path is empty for the files that lie in the root.
   *
   * @param ownersShare of its bytes that is of sorts that people make, 0 to 1
   * @param proposed whether most of it is
   */
  public record Row(String path, long files, long bytes, double ownersShare, boolean proposed) {}

  /** At most {@code most}, the largest; in order of their paths. */
  public static List<Row> of(FileList list, int most) {
    Map<String, long[]> sums = new TreeMap<>();
    for (FoundFile file : list.files()) {
      if (!file.folder()) {
        for (String folder : above(file.path())) {
          long[] sum = sums.computeIfAbsent(folder, f -> new long[3]);
          sum[0]++;
          sum[1] += file.bytes();
          sum[2] += isOwners(file.path()) ? file.bytes() : 0;
        }
      }
    }
    List<Row> rows = new ArrayList<>();
    sums.forEach(
        (path, s) -> {
          double share = s[1] == 0 ? 0 : (double) s[2] / s[1];
          rows.add(new Row(path, s[0], s[1], share, share >= 0.5));
        });
    return rows.stream()
        .sorted(Comparator.comparingLong(Row::bytes).reversed())
        .limit(most)
        .sorted(Comparator.comparing(Row::path))
        .toList();
  }

  /** The folders down to a depth in which a file counts. */
  private static List<String> above(String path) {
    List<String> above = new ArrayList<>();
    int slash = path.indexOf('/');
    if (slash < 0) {
      return List.of("");
    }
    for (int depth = 0; depth < DEPTH && slash >= 0; depth++) {
      above.add(path.substring(0, slash));
      slash = path.indexOf('/', slash + 1);
    }
    return above;
  }

  static boolean isOwners(String path) {
    int dot = path.lastIndexOf('.');
    return dot > path.lastIndexOf('/')
        && OWNERS.contains(path.substring(dot + 1).toLowerCase(Locale.ROOT));
  }

  /** Whether a file is in one of the chosen folders, or below. */
  public static boolean isChosen(String path, Collection<String> folders) {
    return folders.stream()
        .anyMatch(f -> f.isEmpty() ? path.indexOf('/') < 0 : path.startsWith(f + "/"));
  }
}

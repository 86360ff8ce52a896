package tekmerion.core.permit;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** Holdings in a sentence. */
public final class HoldingWords {
  private static final int MAX_NAMED = 4;

  private HoldingWords() {}

  /** The largest first; the rest is counted. */
  static String list(List<Holding> holdings) {
    String named =
        holdings.stream()
            .sorted((a, b) -> Long.compare(b.bytes(), a.bytes()))
            .limit(MAX_NAMED)
            .map(HoldingWords::of)
            .collect(Collectors.joining(", "));
    int more = holdings.size() - MAX_NAMED;
    return more > 0 ? "%s and %d more".formatted(named, more) : named;
  }

  /** Such as "folder Users of volume 2 (812 files, 80.0 GB)". */
  public static String of(Holding h) {
    return switch (h.kind()) {
      case NOT_SURVEYED -> "the whole drive, which nobody surveyed";
      case WHOLE_DRIVE -> "the whole drive";
      case VOLUME ->
          h.volume() == 0
              ? "all of the drive's one volume"
              : "volume %d".formatted(h.volume()) + " (%s)".formatted(size(h.bytes()));
      case FOLDER ->
          "%s of volume %d (%s, %s)"
              .formatted(
                  h.path().isEmpty() ? "the files in the root" : "folder " + h.path(),
                  h.volume(),
                  files(h.files()),
                  size(h.bytes()));
      case FILES_NOT_LISTED ->
          "%s of volume %d that the list has no room for (%s)"
              .formatted(files(h.files()), h.volume(), size(h.bytes()));
      case LOST_IN_COPY ->
          "%s that could not be read%s"
              .formatted(
                  size(h.bytes()), h.files() == 0 ? "" : " (%s)".formatted(files(h.files())));
    };
  }

  private static String files(long files) {
    return files == 1 ? "1 file" : String.format(Locale.ROOT, "%,d files", files);
  }

  private static String size(long bytes) {
    return bytes >= 1_000_000_000L
        ? String.format(Locale.ROOT, "%.1f GB", bytes / 1e9)
        : bytes >= 1_000_000L
            ? String.format(Locale.ROOT, "%.1f MB", bytes / 1e6)
            : String.format(Locale.ROOT, "%,d bytes", bytes);
  }
}

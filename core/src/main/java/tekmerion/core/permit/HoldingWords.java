package tekmerion.core.permit;

import static tekmerion.words.Words.say;

import java.util.List;
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
    return more > 0 ? say("permit.and-more", "named", named, "more", more) : named;
  }

  /** Such as "folder Users of volume 2 (812 files, 80.0 GB)". */
  public static String of(Holding h) {
    return switch (h.kind()) {
      case NOT_SURVEYED -> say("permit.the-whole-drive-which-nobody-surveyed");
      case WHOLE_DRIVE -> say("permit.the-whole-drive");
      case VOLUME ->
          h.volume() == 0
              ? say("permit.all-of-the-drives-one-volume")
              : say("permit.volume", "volume", h.volume(), "size", size(h.bytes()));
      case FOLDER ->
          say(
              "permit.of-volume",
              "path",
              h.path().isEmpty()
                  ? say("permit.the-files-in-the-root")
                  : say("permit.folder", "path", h.path()),
              "volume",
              h.volume(),
              "files",
              files(h.files()),
              "size",
              size(h.bytes()));
      case FILES_NOT_LISTED ->
          say(
              "permit.of-volume-that-the-list-has",
              "files",
              files(h.files()),
              "volume",
              h.volume(),
              "size",
              size(h.bytes()));
      case LOST_IN_COPY ->
          say(
              "permit.that-could-not-be-read",
              "size",
              size(h.bytes()),
              "files",
              h.files() == 0 ? "" : " (%s)".formatted(files(h.files())));
    };
  }

  private static String files(long files) {
    return say("permit.files", "n", files);
  }

  private static String size(long bytes) {
    return bytes >= 1_000_000_000L
        ? say("permit.gigabytes", "n", bytes / 1e9)
        : bytes >= 1_000_000L
            ? say("permit.megabytes", "n", bytes / 1e6)
            : say("permit.bytes", "n", bytes);
  }
}

package tekmerion.core.files;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What a walk gathers. */
final class Found {
  private final List<FoundFile> files = new ArrayList<>();
  private final Set<String> troubles = new LinkedHashSet<>();

  void add(FoundFile file) {
    if (files.size() < FileList.MOST) {
      files.add(file);
    } else {
      trouble("More than %,d files: the rest is not listed.".formatted(FileList.MOST));
    }
  }

  void trouble(String what) {
    if (troubles.size() < 1_000) {
      troubles.add(what);
    }
  }

  boolean anyTrouble() {
    return !troubles.isEmpty();
  }

  FileList list() {
    files.sort(Comparator.comparing(FoundFile::path));
    return new FileList(files, List.copyOf(troubles));
  }

  static String join(String folder, String name) {
    return folder.isEmpty() ? clean(name) : folder + "/" + clean(name);
  }

  /** No name from a disk leaves its folder or breaks a line. */
  private static String clean(String name) {
    StringBuilder clean = new StringBuilder();
    name.codePoints()
        .forEach(c -> clean.appendCodePoint(c == '/' || Character.isISOControl(c) ? '_' : c));
    String text = clean.toString();
    return text.isBlank() || text.equals(".") || text.equals("..") ? "_" + text.strip() : text;
  }
}

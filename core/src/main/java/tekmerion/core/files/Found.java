package tekmerion.core.files;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What a walk gathers. */
final class Found {
  private final List<FoundFile> files = new ArrayList<>();
  private final Set<String> troubles = new LinkedHashSet<>();

  void add(FoundFile file) {
    if (files.size() < FileList.MAX) {
      files.add(file);
    } else {
      trouble(say("files.more-than-files-the-rest-is", "max", FileList.MAX));
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
    files.sort(Comparator.comparing(FoundFile::path).thenComparingLong(Found::place));
    return new FileList(named(), List.copyOf(troubles));
  }

  /**
   * Each path once: a damaged folder may list a name twice, and two names may differ only in what
   * {@link #clean} replaced. Whoever copies them would write one over the other.
   */
  private List<FoundFile> named() {
    Set<String> taken = new HashSet<>();
    files.forEach(file -> taken.add(file.path()));
    List<FoundFile> named = new ArrayList<>(files.size());
    String before = null;
    for (FoundFile file : files) {
      boolean again = file.path().equals(before) && !file.folder();
      before = file.path();
      if (!again) {
        named.add(file);
        continue;
      }
      int n = 2;
      while (!taken.add(file.path() + " (" + n + ")")) {
        n++;
      }
      named.add(file.at(file.path() + " (" + n + ")"));
    }
    return named;
  }

  private static long place(FoundFile file) {
    return file.pieces().isEmpty() ? -1 : file.pieces().get(0).offset();
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

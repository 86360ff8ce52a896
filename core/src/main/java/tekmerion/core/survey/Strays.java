package tekmerion.core.survey;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Volumes that no entry of a table names: what lies between its partitions is looked at where
 * partitions begin, at every mebibyte and at the sixty-third sector of old.
 */
final class Strays {
  private static final int ALIGNED = 1 << 20;
  private static final int OLD_FIRST = 63 * 512;

  /** Places; what begins far out is found where the one before it ends. */
  private static final int MAX_LOOKS = 2048;

  /** A drive that fails is not worn out by a search. */
  private static final int MAX_FAILED = 4;

  private Strays() {}

  record Stray(long start, long bytes, Volume volume) {}

  /**
   * @param taken start and length of what the table names
   * @return in order of their places
   */
  static List<Stray> find(Window w, List<Table.Entry> taken) {
    List<Table.Entry> sorted =
        taken.stream().sorted(Comparator.comparingLong(Table.Entry::start)).toList();
    List<Stray> found = new ArrayList<>();
    long from = 0;
    for (Table.Entry entry : sorted) {
      between(w, from, Math.min(entry.start(), w.size()), found);
      from = Math.max(from, entry.start() + entry.bytes());
    }
    between(w, from, w.size(), found);
    return found;
  }

  private static void between(Window w, long from, long to, List<Stray> found) {
    int failedBefore = w.failedReads();
    long at = from == 0 ? OLD_FIRST : up(from);
    for (int look = 0; look < MAX_LOOKS && at < to; look++) {
      if (w.failedReads() > failedBefore + MAX_FAILED) {
        return;
      }
      Optional<Stray> stray = at(w, at, to);
      stray.ifPresent(found::add);
      at = up(stray.map(s -> s.start() + s.bytes()).orElse(at + 1));
    }
  }

  private static long up(long at) {
    return (at + ALIGNED - 1) / ALIGNED * ALIGNED;
  }

  private static Optional<Stray> at(Window w, long at, long to) {
    Window stretch = w.part(at, to - at);
    if (stretch.at(0, 512).isEmpty()) {
      return Optional.empty(); // one failed read for a place that fails, not ten
    }
    return BootSectors.recognise(stretch)
        .or(() -> Superblocks.recognise(stretch))
        .filter(v -> v.sizeBytes().orElse(0) <= to - at)
        .map(v -> new Stray(at, v.sizeBytes().orElse(to - at), v));
  }
}

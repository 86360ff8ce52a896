package tekmerion.core.knowhow;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Map;
import tekmerion.core.permit.Load;

/**
 * A level of a finding that says that something must be spared, whoever saw it and however likely
 * its causes are.
 *
 * @param of what must be spared: a drive, or the battery
 * @param words why, in a sentence
 * @param clearedBy levels of other findings, by finding, of which one on the drive itself shows
 *     that it is not this drive
 * @param lookFirst why nothing loads it before somebody has looked for this; empty where that need
 *     not be
 */
public record Hazard(
    String finding,
    String level,
    Load of,
    String words,
    Map<String, String> clearedBy,
    String lookFirst) {
  public Hazard {
    clearedBy = clearedBy == null ? Map.of() : Map.copyOf(clearedBy);
    lookFirst = lookFirst == null ? "" : lookFirst;
  }

  /** Whether what it endangers waits until somebody has looked for it. */
  public boolean isLookedForFirst() {
    return !lookFirst.isEmpty();
  }

  void check(KnowHow knowHow, List<String> mistakes) {
    checkLevel(knowHow, finding, level, mistakes);
    clearedBy.forEach((other, clear) -> checkLevel(knowHow, other, clear, mistakes));
    if (of == Load.MACHINE || words == null || words.isBlank()) {
      mistakes.add(say("knowhow.hazard-is-of-no-drive-and", "finding", finding, "level", level));
    }
  }

  private static void checkLevel(
      KnowHow knowHow, String finding, String level, List<String> mistakes) {
    if (knowHow.finding(finding).flatMap(kind -> kind.levelIndex(level)).isEmpty()) {
      mistakes.add(say("knowhow.a-hazard-is-of-no-known", "finding", finding, "level", level));
    }
  }
}

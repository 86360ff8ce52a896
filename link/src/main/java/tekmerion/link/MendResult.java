package tekmerion.link;

import static tekmerion.words.Words.say;

import java.util.List;
import tekmerion.core.words.Sentences;

/**
 * Boot sectors, superblocks or tables that were put back from their copies, or taken back again.
 *
 * @param phase what it does now, in words
 * @param pieces that were to be written, in order
 * @param written how many of them the drive took and gave back the same
 * @param left what has a copy and was left as it is, in sentences
 * @param keptIn where what stood there before is kept, below the probe's folder of copies
 * @param why what the drive's state is after it, in words
 * @param contentAfter what is on the drive after it, by {@link SurveyResult#contentSha}; null if it
 *     could not be told
 */
public record MendResult(
    String phase,
    List<PieceNote> pieces,
    int written,
    List<String> left,
    String keptIn,
    String why,
    String contentAfter)
    implements RunResult {
  public static final int MAX_PIECES = 100;

  /**
   * @param what was wrong there, in a sentence
   */
  public record PieceNote(String what, long offset, int length) {
    public PieceNote {
      what = RunResult.checked(what);
      RunResult.check(offset >= 0 && length > 0, "piece");
    }
  }

  public MendResult {
    phase = RunResult.checked(phase);
    keptIn = RunResult.checked(keptIn);
    why = RunResult.checked(why);
    RunResult.check(
        contentAfter == null || contentAfter.matches("[0-9a-f]{64}"),
        say("link.content-after-a-mending"));
    pieces = List.copyOf(pieces);
    left = List.copyOf(left);
    left.forEach(RunResult::checked);
    RunResult.check(
        pieces.size() <= MAX_PIECES
            && left.size() <= MAX_PIECES
            && written >= 0
            && written <= pieces.size(),
        "mend");
  }

  /** All that was to be written stands there. */
  public boolean whole() {
    return !pieces.isEmpty() && written == pieces.size();
  }

  @Override
  public String outcome() {
    return whole()
        ? say(
            "link.of-its-pieces-written-now", "written", written, "why", Sentences.lowerFirst(why))
        : say("link.of-pieces-written", "written", written, "count", pieces.size());
  }
}

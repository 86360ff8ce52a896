package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.List;
import tekmerion.core.knowhow.Move;

/** Why a move is worth making, in a plain sentence. */
final class MoveReason {
  private static final double WORTH_NAMING = 5;

  private MoveReason() {}

  /**
   * @param bits what it would tell
   * @param saved minutes that it is expected to save
   * @param failed what broke off half way before it; null if nothing did
   * @param clears whether it would show that a hazard is not of this part
   */
  static String of(Move move, double bits, double saved, Move failed, boolean clears) {
    if (failed != null) {
      return say(
          move.presupposes().isEmpty()
              ? "weigh.broke-off-this-move-comes-next"
              : "weigh.broke-off-and-needs",
          "failed",
          failed.name(),
          "purpose",
          move.purpose(),
          "presupposed",
          String.join(", ", presupposed(move)));
    }
    if (clears) {
      return say("weigh.long-tests-of-this-part-stay", "purpose", move.purpose());
    }
    return say("weigh.this-move", "worth", worth(bits, saved), "purpose", move.purpose());
  }

  /**
   * @param differ whether two looks at it told different things
   */
  static String again(double saved, boolean differ, Move move) {
    return say(
        differ
            ? "weigh.two-looks-showed-different-things-a"
            : "weigh.the-diagnosis-rests-on-one-look",
        "saved",
        saved >= WORTH_NAMING ? say("weigh.this-move-saves-about-minutes", "saved", saved) : "",
        "purpose",
        move.purpose());
  }

  /** What tells little may save much: one look can rule out dear work. */
  private static String worth(double bits, double saved) {
    String tells =
        bits >= 0.5
            ? say("weigh.decides-most-of-what-is-open")
            : bits >= 0.1
                ? say("weigh.tells-much-about-the-cause")
                : bits >= 0.02 ? say("weigh.tells-something-about-the-cause") : "";
    if (saved < WORTH_NAMING) {
      return tells.isEmpty() ? say("weigh.tells-little-about-the-cause") : tells;
    }
    String saves = say("weigh.saves-about-minutes", "saved", saved);
    return tells.isEmpty() ? saves : say("weigh.and", "tells", tells, "saves", saves);
  }

  private static List<String> presupposed(Move move) {
    return move.presupposes().stream()
        .map(
            p ->
                switch (p) {
                  case COPY -> say("weigh.a-verified-copy-or-data-that");
                  case HARDWARE -> say("weigh.hardware-that-is-not-under-suspicion");
                  case MAINS -> say("weigh.the-adapter-plugged-in");
                })
        .toList();
  }
}

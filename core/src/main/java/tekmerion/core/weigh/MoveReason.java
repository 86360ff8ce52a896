package tekmerion.core.weigh;

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
      return "“%s” broke off. This move comes next. %s%s"
          .formatted(
              failed.name(),
              move.purpose(),
              move.presupposes().isEmpty()
                  ? ""
                  : " This move needs %s.".formatted(String.join(", ", presupposed(move))));
    }
    if (clears) {
      return "Long tests of this part stay locked until this move is made. " + move.purpose();
    }
    return "This move %s. %s".formatted(worth(bits, saved), move.purpose());
  }

  /**
   * @param differ whether two looks at it told different things
   */
  static String again(double saved, boolean differ, Move move) {
    return "%s%s %s"
        .formatted(
            differ
                ? "Two looks showed different things. A third look decides."
                : "The diagnosis rests on one look here. A second look makes sure.",
            saved >= WORTH_NAMING ? " This move saves about %.0f minutes.".formatted(saved) : "",
            move.purpose());
  }

  /** What tells little may save much: one look can rule out dear work. */
  private static String worth(double bits, double saved) {
    String tells =
        bits >= 0.5
            ? "decides most of what is open"
            : bits >= 0.1
                ? "tells much about the cause"
                : bits >= 0.02 ? "tells something about the cause" : "";
    if (saved < WORTH_NAMING) {
      return tells.isEmpty() ? "tells little about the cause" : tells;
    }
    String saves = "saves about %.0f minutes".formatted(saved);
    return tells.isEmpty() ? saves : "%s and %s".formatted(tells, saves);
  }

  private static List<String> presupposed(Move move) {
    return move.presupposes().stream()
        .map(
            p ->
                switch (p) {
                  case COPY -> "a verified copy, or data that nobody wants";
                  case HARDWARE -> "hardware that is not under suspicion";
                  case MAINS -> "the adapter plugged in";
                })
        .toList();
  }
}

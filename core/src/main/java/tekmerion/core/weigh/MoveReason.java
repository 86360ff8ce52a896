package tekmerion.core.weigh;

import java.util.List;
import tekmerion.core.knowhow.Move;

/** Why a move is worth making, in a plain sentence. */
final class MoveReason {
  private MoveReason() {}

  /**
   * @param bits what it would tell
   * @param saved minutes that it is expected to save
   * @param failed what broke off half way before it; null if nothing did
   * @param clears whether it would show that a hazard is not of this part
   */
  static String of(Move move, double bits, double saved, Move failed, boolean clears) {
    if (failed != null) {
      return "“%s” broke off half way: this is what comes after it. %s%s"
          .formatted(
              failed.name(),
              move.purpose(),
              move.presupposes().isEmpty()
                  ? ""
                  : " It presupposes %s.".formatted(String.join(", ", presupposed(move))));
    }
    if (clears) {
      return "What would work this part for long stays locked until this was seen. "
          + move.purpose();
    }
    String tells =
        bits >= 0.5
            ? "It settles most of what is open"
            : bits >= 0.1
                ? "It tells much"
                : bits >= 0.02 ? "It tells something" : "It tells little";
    return "%s%s. %s".formatted(tells, saves(saved), move.purpose());
  }

  /**
   * @param differ whether two looks at it told different things
   */
  static String again(double saved, boolean differ, Move move) {
    return "%s%s. %s"
        .formatted(
            differ
                ? "Two looks at it told different things; a third one decides"
                : "Much hangs on what was seen here once; a second look settles it",
            saves(saved),
            move.purpose());
  }

  private static String saves(double saved) {
    return saved >= 5
        ? " and is expected to save %.0f minutes of work or comeback".formatted(saved)
        : "";
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

package tekmerion.server.move;

import java.util.List;
import java.util.Map;
import tekmerion.core.knowhow.Move;
import tekmerion.core.words.Sentences;
import tekmerion.server.job.Changes;

/** What was seen when a move was made: in words, and what it says of the complaint. */
final class OutcomeSeen {
  private OutcomeSeen() {}

  /** What the finding of the cure says about the complaint. */
  static Changes.ComplaintNow complaintNow(Move move, Map<String, String> seen) {
    String cure =
        move.tells().stream()
            .map(Move.Outcomes::id)
            .filter(id -> id.startsWith("cure."))
            .map(seen::get)
            .filter(level -> level != null)
            .findFirst()
            .orElse("");
    return switch (cure) {
      case "gone", "comes" -> Changes.ComplaintNow.GONE;
      case "same" -> Changes.ComplaintNow.SAME;
      case "" -> Changes.ComplaintNow.COULD_NOT_TELL;
      case Move.FAILED -> Changes.ComplaintNow.BROKE_OFF;
      default -> Changes.ComplaintNow.DIFFERENT;
    };
  }

  static String words(Move move, Map<String, String> seen) {
    List<String> parts =
        move.tells().stream()
            .filter(asked -> seen.containsKey(asked.id()))
            .map(asked -> words(asked, seen.get(asked.id())))
            .toList();
    return String.join("; ", parts);
  }

  /** Of one thing that was looked at. */
  static String words(Move move, String finding, String level) {
    return move.tells().stream()
        .filter(asked -> asked.id().equals(finding))
        .map(asked -> words(asked, level))
        .findFirst()
        .orElseThrow();
  }

  private static String words(Move.Outcomes asked, String level) {
    return asked.name() + ": " + Sentences.lowerFirst(asked.levels().get(level));
  }
}

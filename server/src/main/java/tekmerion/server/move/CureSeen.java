package tekmerion.server.move;

import java.util.Map;
import tekmerion.core.knowhow.Move;
import tekmerion.server.job.Changes;

/** What came of a move that was to mend something. */
final class CureSeen {
  private CureSeen() {}

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
      default -> Changes.ComplaintNow.DIFFERENT;
    };
  }
}

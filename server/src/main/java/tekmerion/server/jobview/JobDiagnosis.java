package tekmerion.server.jobview;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import tekmerion.core.knowhow.MakerTopic;
import tekmerion.core.knowhow.Move.By;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.Weighed;
import tekmerion.server.decision.DecisionService.CourseView;
import tekmerion.server.decision.DecisionService.Lock;
import tekmerion.server.job.Job;
import tekmerion.server.maker.MakerNotes;

/**
 * What it could be, what to do next, and what the shop knows to fail on such machines.
 *
 * @param enough whether no further move is worth its minutes: time to decide
 * @param stop the same in a sentence, with what the best of them would cost and save; empty for an
 *     ended job
 * @param turns findings that would change the best plan
 */
record JobDiagnosis(
    Weighed weighing,
    List<Move> moves,
    boolean enough,
    String stop,
    List<TurnView> turns,
    List<MakerNotes.Note> weakPoints) {

  /**
   * @param move its id in the know-how; null for a move that is only shown
   * @param part what it is done to
   * @param by what the probe does for it; null if it is done by hand
   * @param partKey drive that the probe works on, null if it works on none
   * @param changes whether it changes something, so that it is begun before it is told
   * @param handsOn minutes
   * @param waiting minutes
   * @param notes what the shop wrote of such machines that helps here
   * @param lock null if the move can be made now
   */
  record Move(
      String id,
      @Schema(nullable = true) String move,
      String part,
      String title,
      String why,
      @Schema(nullable = true) By by,
      @Schema(nullable = true) String partKey,
      boolean changes,
      Invasiveness invasiveness,
      String invasivenessWords,
      int handsOn,
      int waiting,
      List<String> needs,
      List<Step> steps,
      List<Asked> asks,
      List<MakerNotes.Note> notes,
      @Schema(nullable = true) Lock lock) {}

  /**
   * @param waitSeconds how long to wait after it; 0 for no wait
   */
  @Schema(name = "MoveStep")
  record Step(String words, int waitSeconds) {}

  /** A finding that a move asks for. */
  @Schema(name = "MoveAsk")
  record Asked(String finding, String name, List<Level> levels) {}

  @Schema(name = "MoveAnswer")
  record Level(String id, String words) {}

  /**
   * A finding that would change the best plan.
   *
   * @param move that would find it
   * @param chance that it is found, 0 to 1
   * @param plan what would be best then
   */
  @Schema(name = "Turn")
  record TurnView(String move, String outcome, double chance, String plan) {
    static TurnView of(Advice.Turn turn) {
      return new TurnView(
          turn.move().named(turn.part().name()),
          turn.outcome(),
          turn.chance(),
          turn.plan().words());
    }
  }

  /** Puts it together. */
  @Service
  static class Views {
    private final MakerNotes makers;

    Views(MakerNotes makers) {
      this.makers = makers;
    }

    JobDiagnosis of(
        Job job,
        JobCustody custody,
        JobEvidence evidence,
        Weighed weighed,
        Advice advice,
        List<CourseView> courses) {
      boolean ended = job.endedAt() != null;
      Map<MakerTopic, MakerNotes.Note> notes = makers.of(job.machine());
      return new JobDiagnosis(
          weighed,
          ended
              ? List.of()
              : Moves.of(
                  advice.moves(),
                  custody.bay(),
                  evidence.drives(),
                  evidence.underWay(),
                  courses,
                  notes),
          !ended && advice.enough(),
          ended ? "" : advice.stop().words(),
          advice.turns().stream().map(TurnView::of).toList(),
          notes.values().stream().filter(n -> n.topic() == MakerTopic.WEAK_POINT).toList());
    }
  }
}

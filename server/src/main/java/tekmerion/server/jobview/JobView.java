package tekmerion.server.jobview;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import tekmerion.core.decision.Course;
import tekmerion.core.forecast.Stage;
import tekmerion.core.knowhow.Move.By;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.weigh.NextMoves;
import tekmerion.core.weigh.Plan;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed;
import tekmerion.server.decision.DecisionService.CourseView;
import tekmerion.server.decision.DecisionService.DecisionView;
import tekmerion.server.decision.DecisionService.Lock;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Job;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.maker.MakerNotes;
import tekmerion.server.move.MadeMoves;
import tekmerion.server.permit.DataNotes.DataNote;
import tekmerion.server.photo.Photos;
import tekmerion.server.probe.ProbeViews.ProbeView;
import tekmerion.server.proof.Proofs;

/**
 * Everything that the job's screen shows.
 *
 * @param version what a change must name, so that nobody overwrites another
 * @param bootStage null if not known
 * @param endedAt null while it is in the shop
 * @param openChange null if none waits for its check
 * @param fromCounter whether what was said can be corrected in the conversation
 * @param bay null if the machine is on no bay
 * @param places the machine in checking order
 * @param enough whether no further move is worth its minutes: time to decide
 * @param proof null if nothing was decided that mends
 * @param contradicted why the last decision has to be looked at again; null if nothing speaks
 *     against it
 * @param cameBack an earlier job with the same complaint, if it is less than 90 days ago
 * @param needed the parts that would have to be bought, as the old ones describe them
 * @param unsafe why the battery must be neither loaded nor charged; null if nothing says so
 * @param weakPoints what the shop knows to fail on such machines
 */
record JobView(
    String number,
    long version,
    String machine,
    @Schema(nullable = true) String machineSerial,
    long customerId,
    String customer,
    String complaint,
    @Schema(nullable = true) String errorText,
    List<String> families,
    @Schema(nullable = true) String bootStage,
    List<String> bootStages,
    Instant takenInAt,
    @Schema(nullable = true) Instant promisedAt,
    @Schema(nullable = true) Instant endedAt,
    @Schema(nullable = true) String endedHow,
    Stage stage,
    @Schema(nullable = true) HolderNote holder,
    List<HolderNote> sharedWith,
    @Schema(nullable = true) WaitNote waits,
    @Schema(nullable = true) Changes.Open openChange,
    boolean secretKept,
    boolean fromCounter,
    List<Photos.PhotoNote> photos,
    @Schema(nullable = true) BayNote bay,
    DataNote data,
    List<Place> places,
    List<Drive> drives,
    Weighed weighing,
    List<Pending> pending,
    List<Move> moves,
    List<CourseView> courses,
    List<Course> leaning,
    List<MadeMoves.Made> made,
    boolean enough,
    @Schema(nullable = true) Proofs.ProofView proof,
    List<PlanView> plans,
    List<TurnView> turns,
    String waiver,
    @Schema(nullable = true) String contradicted,
    @Schema(nullable = true) CameBack.Earlier cameBack,
    List<Needed> needed,
    @Schema(nullable = true) String unsafe,
    List<MakerNotes.Note> weakPoints,
    List<DecisionView> decisions,
    List<JournalLine> journal) {

  record HolderNote(long id, String displayName) {}

  /**
   * @param until null if nobody knows
   */
  record WaitNote(
      Job.WaitsFor what,
      String words,
      String note,
      Instant since,
      @Schema(nullable = true) Instant until) {}

  record BayNote(int number, @Schema(nullable = true) ProbeView probe) {}

  /** A part of the machine in checking order; {@code note} says why it stands as it does. */
  record Place(String id, String name, Suspicion suspicion, String note) {}

  /**
   * @param identity model and serial, or why there is none
   * @param metBefore where it was met in another job, null if nowhere
   * @param readingId newest reading in this job, null if there is none
   */
  record Drive(
      String key,
      long partId,
      String name,
      String identity,
      String description,
      Suspicion suspicion,
      String note,
      @Schema(nullable = true) String metBefore,
      @Schema(nullable = true) UUID readingId,
      @Schema(nullable = true) Instant takenAt) {}

  /**
   * A reading that was asked for.
   *
   * @param refusedWhy null while it is under way
   */
  record Pending(
      UUID requestId,
      String partKey,
      Instant askedAt,
      @Schema(nullable = true) String refusedWhy) {}

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

  /**
   * A part to buy.
   *
   * @param place of the old one, "drive A"
   * @param inStock what of the stock fits; null if nothing does
   */
  @Schema(name = "NeededPart")
  record Needed(String place, String words, @Schema(nullable = true) String inStock) {}

  /** A finding that a move asks for. */
  @Schema(name = "MoveAsk")
  record Asked(String finding, String name, List<Level> levels) {}

  @Schema(name = "MoveAnswer")
  record Level(String id, String words) {}

  /**
   * What could be decided now; all costs in minutes of work.
   *
   * @param minutes of work, waiting at a tenth
   * @param parts their price
   * @param comeback what a comeback is expected to cost
   * @param data what lost data is expected to cost
   * @param fails probability that the complaint is not mended, 0 to 1
   */
  @Schema(name = "Plan")
  record PlanView(
      String words,
      List<Course> courses,
      double minutes,
      double parts,
      double comeback,
      double data,
      double fails) {
    static PlanView of(Plan plan) {
      return new PlanView(
          plan.words(),
          plan.courses(),
          plan.minutes(),
          plan.parts(),
          plan.comeback(),
          plan.data(),
          plan.fails());
    }
  }

  /**
   * A finding that would change the best plan.
   *
   * @param move that would find it
   * @param chance that it is found, 0 to 1
   * @param plan what would be best then
   */
  @Schema(name = "Turn")
  record TurnView(String move, String outcome, double chance, String plan) {
    static TurnView of(NextMoves.Turn turn) {
      return new TurnView(
          turn.move().named(turn.part().name()),
          turn.outcome(),
          turn.chance(),
          turn.plan().words());
    }
  }

  record JournalLine(Instant at, JournalEntry.Kind kind, String title, String detail, String who) {
    static JournalLine of(JournalEntry entry) {
      return new JournalLine(entry.at(), entry.kind(), entry.title(), entry.detail(), entry.who());
    }
  }
}

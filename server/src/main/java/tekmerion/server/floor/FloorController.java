package tekmerion.server.floor;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.forecast.LikelyEnd;
import tekmerion.core.forecast.LikelyEnd.Promise;
import tekmerion.core.forecast.Stage;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Suspicion;
import tekmerion.server.person.Person;

/** The floor and the bays of the top band. */
@RestController
public class FloorController {
  private final Lanes lanes;
  private final Backups backups;

  /** How a bay stands with its probe. */
  public enum Link {
    NO_PROBE,
    ONLINE,
    OFFLINE
  }

  /** Who must act next. */
  public enum Acts {
    PERSON,
    RUNNING,
    OUTSIDE
  }

  /** What filled a stretch of a lane. */
  public enum SpanKind {
    TAKEN_IN,
    TEST,
    HANDS,
    WAITS_PERSON,
    WAITS_OUTSIDE
  }

  /**
   * @param to null while it goes on
   */
  @Schema(name = "LaneSpan")
  public record Span(SpanKind kind, Instant from, @Schema(nullable = true) Instant to) {}

  /**
   * @param job null if the bay is free
   */
  public record BayView(int number, Link link, @Schema(nullable = true) BayJob job) {}

  /**
   * @param share of a run that goes on there, 0 to 1; null if none does or it is not known yet
   */
  public record BayJob(
      String number,
      String machine,
      Suspicion suspicion,
      Acts acts,
      String line,
      @Schema(nullable = true) Double share) {}

  /**
   * @param holder null if nobody has it
   * @param mine whether the person looking holds or shares it
   * @param running a run on one of its drives, with how far it is; null if none goes on
   * @param restsOn how many past jobs the likely end rests on; 0 if on judgement
   */
  public record FloorJob(
      String number,
      String machine,
      String customer,
      Suspicion suspicion,
      String headline,
      Stage stage,
      DataStatus dataStatus,
      List<String> families,
      Acts acts,
      String line,
      @Schema(nullable = true) String holder,
      boolean mine,
      Instant takenInAt,
      @Schema(nullable = true) Instant promisedAt,
      Promise promise,
      LikelyEnd likelyEnd,
      int restsOn,
      List<Span> spans,
      @Schema(nullable = true) Integer bay,
      @Schema(nullable = true) String running,
      @Schema(nullable = true) Double runningShare) {}

  /**
   * @param nextFreeBayAt when a bay will likely be free; null if one is
   * @param oldBackup null while there is a good backup that is not old
   */
  public record Floor(
      Instant now,
      String shop,
      @Schema(nullable = true) Instant nextFreeBayAt,
      List<BayView> bays,
      List<FloorJob> jobs,
      List<DueCopy> dueCopies,
      @Schema(nullable = true) OldBackup oldBackup) {}

  /**
   * That it is more than two days since a backup was made that can be restored.
   *
   * @param lastAt when that was; null if none was ever made
   */
  public record OldBackup(@Schema(nullable = true) Instant lastAt) {}

  /**
   * A copy that was promised to be erased by now.
   *
   * @param dueAt thirty days after the machine was handed back
   */
  public record DueCopy(String job, String machine, String partKey, Instant dueAt) {}

  FloorController(Lanes lanes, Backups backups) {
    this.lanes = lanes;
    this.backups = backups;
  }

  @GetMapping("/api/floor")
  @Transactional(readOnly = true)
  public Floor floor(@AuthenticationPrincipal Person person) {
    return lanes.floor(person, backups.old());
  }
}

package tekmerion.server.run;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.UUID;
import tekmerion.link.CarveFinding;
import tekmerion.link.EraseFinding;
import tekmerion.link.FilesFinding;
import tekmerion.link.LinkEvent;
import tekmerion.link.MendFinding;
import tekmerion.link.PartFinding;
import tekmerion.link.RescueFinding;
import tekmerion.link.RunKind;
import tekmerion.link.SurfaceNote;
import tekmerion.link.SurveyFinding;

/**
 * A run as it is shown.
 *
 * @param share 0 to 1; null before the probe told anything
 * @param likelyEnd null while it cannot be told
 * @param spreadSeconds half of the range of the likely end
 * @param atByte where it reads; null if it does not go by position
 * @param waits what it waits for, in a sentence; null if it does not wait
 * @param end null while it goes on
 */
@Schema(name = "DriveRun")
public record RunView(
    UUID id,
    String driveKey,
    RunKind kind,
    String name,
    boolean gentle,
    DriveRun.State state,
    Instant askedAt,
    @Schema(nullable = true) Double share,
    @Schema(nullable = true) Instant likelyEnd,
    @Schema(nullable = true) Double spreadSeconds,
    @Schema(nullable = true) Long atByte,
    @Schema(nullable = true) String waits,
    @Schema(nullable = true) SurfaceNote surface,
    @Schema(nullable = true) PartFinding.MarchFinding march,
    @Schema(nullable = true) PartFinding.DischargeFinding discharge,
    @Schema(nullable = true) PartFinding.ChargeFinding charge,
    @Schema(nullable = true) PartFinding.LoadFinding load,
    @Schema(nullable = true) SurveyFinding survey,
    @Schema(nullable = true) RescueFinding rescue,
    @Schema(nullable = true) FilesFinding files,
    @Schema(nullable = true) EraseFinding erased,
    @Schema(nullable = true) MendFinding mended,
    @Schema(nullable = true) CarveFinding carved,
    @Schema(nullable = true) RunEnd end,
    @Schema(nullable = true) Instant endedAt,
    @Schema(nullable = true) String why,
    @Schema(nullable = true) SelfTest selfTest) {

  /**
   * @param firstFailingSector null if it did not fail at an address
   */
  @Schema(name = "SelfTestOutcome")
  public record SelfTest(
      boolean passed, String words, @Schema(nullable = true) Long firstFailingSector) {
    static SelfTest of(LinkEvent.SelfTestNote note) {
      return note == null
          ? null
          : new SelfTest(note.passed(), note.words(), note.firstFailingSector());
    }
  }

  /** How a run ended: the names of the bench link. */
  public enum RunEnd {
    COMPLETE,
    CANCELLED,
    STOPPED_BY_RULE,
    COULD_NOT_RUN
  }

  public static RunView of(DriveRun run) {
    DriveRun.Result result = run.result();
    boolean known =
        run.state() == DriveRun.State.RUNNING
            && run.waits() == null
            && run.secondsLeft() != null
            && run.secondsLeft() >= 0;
    return new RunView(
        run.id(),
        run.driveKey(),
        run.kind(),
        RunWords.name(run.kind()),
        run.gentle(),
        run.state(),
        run.askedAt(),
        run.share(),
        known ? run.toldAt().plusMillis((long) (run.secondsLeft() * 1000)) : null,
        known ? run.secondsSpread() : null,
        run.atByte() == null || run.atByte() < 0 ? null : run.atByte(),
        run.state() == DriveRun.State.RUNNING ? run.waits() : null,
        run.surface(),
        run.finding() instanceof PartFinding.MarchFinding march ? march : null,
        run.finding() instanceof PartFinding.DischargeFinding discharge ? discharge : null,
        run.finding() instanceof PartFinding.ChargeFinding charge ? charge : null,
        run.finding() instanceof PartFinding.LoadFinding load ? load : null,
        run.finding() instanceof SurveyFinding survey ? survey : null,
        run.finding() instanceof RescueFinding rescue ? rescue : null,
        run.finding() instanceof FilesFinding files ? files : null,
        run.finding() instanceof EraseFinding erased ? erased : null,
        run.finding() instanceof MendFinding mended ? mended : null,
        run.finding() instanceof CarveFinding carved ? carved : null,
        result == null ? null : RunEnd.valueOf(result.end().name()),
        result == null ? null : result.endedAt(),
        result == null || result.why().isEmpty() ? null : result.why(),
        result == null ? null : SelfTest.of(result.selfTest()));
  }
}

package tekmerion.server.run;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.UUID;
import tekmerion.link.RunKind;
import tekmerion.link.RunNames;
import tekmerion.link.RunResult;

/**
 * A run as it is shown.
 *
 * @param share 0 to 1; null before the probe told anything
 * @param likelyEnd null while it cannot be told
 * @param spreadSeconds half of the range of the likely end
 * @param atByte where it reads; null if it does not go by position
 * @param waits what it waits for, in a sentence; null if it does not wait
 * @param result what it found so far or at its end; null if nothing
 * @param end null while it goes on
 */
@Schema(name = "Run")
public record RunView(
    UUID id,
    String partKey,
    RunKind kind,
    String name,
    boolean gentle,
    Run.State state,
    Instant askedAt,
    @Schema(nullable = true) Double share,
    @Schema(nullable = true) Instant likelyEnd,
    @Schema(nullable = true) Double spreadSeconds,
    @Schema(nullable = true) Long atByte,
    @Schema(nullable = true) String waits,
    @Schema(nullable = true) RunResult result,
    @Schema(nullable = true) RunEnd end,
    @Schema(nullable = true) Instant endedAt,
    @Schema(nullable = true) String why) {

  /** How a run ended: the names of the bench link. */
  public enum RunEnd {
    COMPLETE,
    CANCELLED,
    STOPPED_BY_RULE,
    COULD_NOT_RUN
  }

  public static RunView of(Run run) {
    Run.Ending ending = run.ending();
    boolean known =
        run.state() == Run.State.RUNNING
            && run.waits() == null
            && run.secondsLeft() != null
            && run.secondsLeft() >= 0;
    return new RunView(
        run.id(),
        run.partKey(),
        run.kind(),
        RunNames.name(run.kind()),
        run.gentle(),
        run.state(),
        run.askedAt(),
        run.share(),
        known ? run.toldAt().plusMillis((long) (run.secondsLeft() * 1000)) : null,
        known ? run.secondsSpread() : null,
        run.atByte() == null || run.atByte() < 0 ? null : run.atByte(),
        run.state() == Run.State.RUNNING ? run.waits() : null,
        run.result(),
        ending == null ? null : RunEnd.valueOf(ending.end().name()),
        ending == null ? null : ending.endedAt(),
        ending == null || ending.why().isEmpty() ? null : ending.why());
  }
}

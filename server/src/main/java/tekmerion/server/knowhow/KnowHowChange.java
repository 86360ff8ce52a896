package tekmerion.server.knowhow;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.Edit.EntryKind;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.Load;
import tekmerion.server.problem.Refusal;

/**
 * A change of one entry as a browser sends it and as it is kept: one of the parts is there, as
 * {@code what} says.
 *
 * @param what which sort of change it is
 * @param subject of what; for {@code AS_SHIPPED}, else it follows
 */
@Schema(name = "KnowHowChange")
public record KnowHowChange(
    @NotNull What what,
    @NotBlank @Size(max = 60) @Pattern(regexp = "[a-z0-9.-]+") String id,
    @Schema(nullable = true) EntryKind subject,
    @Schema(nullable = true) @Valid LikelihoodEdit likelihood,
    @Schema(nullable = true) @Valid FindingEdit finding,
    @Schema(nullable = true) @Valid CauseEdit cause,
    @Schema(nullable = true) @Valid MoveEdit move,
    @Schema(nullable = true) @Valid RemedyEdit remedy,
    @Schema(nullable = true) @Valid OwnMoveEdit ownMove) {

  /** Sorts of change. */
  @Schema(name = "KnowHowChangeSort")
  public enum What {
    LIKELIHOOD,
    FINDING,
    CAUSE,
    MOVE,
    REMEDY,
    OWN_MOVE,
    ASIDE,
    AS_SHIPPED
  }

  /**
   * @param jobs of the shop that it rests on; null if it rests on judgement
   */
  @Schema(name = "LikelihoodEdit")
  public record LikelihoodEdit(
      @NotBlank @Size(max = 60) String cause,
      @NotNull @Size(max = 20) List<Double> link,
      @Schema(nullable = true) Integer jobs) {}

  @Schema(name = "FindingEdit")
  public record FindingEdit(
      @NotBlank @Size(max = 120) String name,
      @NotNull @Size(max = 20) List<Double> leak,
      @NotNull @Size(max = 80) Map<String, List<Double>> links) {}

  @Schema(name = "CauseEdit")
  public record CauseEdit(
      @NotBlank @Size(max = 120) String name,
      @NotNull @Size(max = 40) Map<String, Double> prior,
      double dataRisk) {}

  @Schema(name = "MoveEdit")
  public record MoveEdit(
      @NotBlank @Size(max = 120) String name,
      @NotBlank @Size(max = 300) String purpose,
      @Min(0) @Max(1440) int handsOnMinutes,
      @Min(0) @Max(14_400) int waitingMinutes,
      @NotNull @Size(max = 20) List<@NotBlank String> families,
      @NotNull @Size(max = 20) List<@NotBlank @Size(max = 120) String> needs,
      @NotNull @Size(min = 1, max = 40) List<@NotBlank @Size(max = 400) String> steps) {}

  @Schema(name = "RemedyEdit")
  public record RemedyEdit(
      @NotBlank @Size(max = 120) String name,
      @Min(0) @Max(1440) int handsOnMinutes,
      @Min(0) @Max(14_400) int waitingMinutes,
      @Min(0) @Max(10_000) int partsMinutes,
      @NotNull @Size(max = 80) Map<String, Double> cures) {}

  @Schema(name = "OwnMoveEdit")
  public record OwnMoveEdit(
      @NotNull @Valid MoveEdit words,
      @NotNull Move.Act act,
      @NotNull @Pattern(regexp = "power|memory|drive|link|system") String place,
      @NotNull @Pattern(regexp = "machine|drive") String of,
      @NotBlank @Size(max = 20) String bootStage,
      @NotNull Invasiveness invasiveness,
      @NotNull @Size(max = 3) List<@NotNull Load> loads,
      @NotBlank @Size(max = 120) String looksAt,
      @NotNull @Size(min = 2, max = 8) List<@NotBlank @Size(max = 80) String> levels,
      @NotNull @Size(max = 8) List<Double> leak,
      @NotNull @Size(min = 1, max = 80) Map<String, List<Double>> links) {}

  /** One likelihood, as proven jobs propose it. */
  public static KnowHowChange likelihood(
      String finding, String cause, List<Double> link, int jobs) {
    return new KnowHowChange(
        What.LIKELIHOOD,
        finding,
        null,
        new LikelihoodEdit(cause, link, jobs),
        null,
        null,
        null,
        null,
        null);
  }

  /**
   * How common a cause is.
   *
   * @param prior by complaint family; "any" for the rest
   */
  public static KnowHowChange howCommon(Cause cause, Map<String, Double> prior) {
    CauseEdit edit = new CauseEdit(cause.name(), prior, cause.dataRisk());
    return new KnowHowChange(What.CAUSE, cause.id(), null, null, null, edit, null, null, null);
  }

  /** A move of the shop's own. */
  static KnowHowChange ownMove(String id, OwnMoveEdit move) {
    return new KnowHowChange(What.OWN_MOVE, id, null, null, null, null, null, null, move);
  }

  /**
   * @throws Refusal 400 if the part that it names is not there
   */
  public Edit edit() {
    return switch (what) {
      case LIKELIHOOD -> {
        LikelihoodEdit e = there(likelihood);
        yield new Edit.Likelihood(id, e.cause(), e.link());
      }
      case FINDING -> {
        FindingEdit e = there(finding);
        yield new Edit.OfFinding(id, e.name().strip(), e.leak(), e.links());
      }
      case CAUSE -> {
        CauseEdit e = there(cause);
        yield new Edit.OfCause(id, e.name().strip(), e.prior(), e.dataRisk());
      }
      case MOVE -> new Edit.OfMove(id, words(there(move)));
      case REMEDY -> {
        RemedyEdit e = there(remedy);
        yield new Edit.OfRemedy(
            id,
            e.name().strip(),
            List.of(e.handsOnMinutes(), e.waitingMinutes()),
            e.partsMinutes(),
            e.cures());
      }
      case OWN_MOVE -> own(there(ownMove));
      case ASIDE -> new Edit.Aside(id);
      case AS_SHIPPED -> new Edit.AsShipped(id, there(subject));
    };
  }

  private static Edit.MoveWords words(MoveEdit e) {
    return new Edit.MoveWords(
        e.name().strip(),
        e.purpose().strip(),
        List.of(e.handsOnMinutes(), e.waitingMinutes()),
        e.families(),
        e.needs(),
        e.steps());
  }

  private Edit own(OwnMoveEdit e) {
    return new Edit.OwnMove(
        id,
        words(e.words()),
        new Edit.OwnMove.Manner(
            e.act(), e.place(), e.of(), e.bootStage(), e.invasiveness(), e.loads()),
        new Edit.OwnMove.Look(e.looksAt().strip(), e.levels(), e.leak(), e.links()));
  }

  private <T> T there(T part) {
    if (part == null) {
      throw Refusal.badRequest(
          say("knowhow.the-change-says-and-does-not", "what", what),
          say("knowhow.load-the-page-again"));
    }
    return part;
  }
}

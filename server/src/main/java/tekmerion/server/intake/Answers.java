package tekmerion.server.intake;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import tekmerion.core.knowhow.Question.Subject;

/**
 * What the counter has written down so far. Everything may be missing: what nobody asked and what
 * the owner does not know is null, never "no".
 *
 * @param families complaint families that the counter chose; null leaves it to what was heard
 * @param said options chosen, by question; an empty list is "none of these"
 * @param unknown questions that the owner could not answer
 * @param times how often it happens, with {@code per}
 * @param per "start", "hour", "day", "week" or "month"
 * @param lastBackup "never", "days", "weeks", "months" or "longer"
 * @param keyHolder who holds the recovery key: "owner", "work" or "nobody"
 * @param waiver the owner's signature that everything may be erased
 * @param leftWithUs what stays in the shop beside the machine
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Answers(
    @Schema(nullable = true) Subject subject,
    @Schema(nullable = true) Long customerId,
    @Schema(nullable = true) @Size(max = 200) String customerName,
    @Schema(nullable = true) @Size(max = 60) String phone,
    @Schema(nullable = true) @Size(max = 200) String email,
    @Schema(nullable = true) Long machineId,
    @Schema(nullable = true) @Size(max = 120) String maker,
    @Schema(nullable = true) @Size(max = 200) String model,
    @Schema(nullable = true) @Size(max = 120) String serial,
    @Schema(nullable = true) @Size(max = 2000) String complaint,
    @Schema(nullable = true) @Size(max = 12) List<@Size(max = 40) String> families,
    @Schema(nullable = true) @Size(max = 2000) String errorText,
    @Schema(nullable = true) @Size(max = 40) Map<String, List<@Size(max = 40) String>> said,
    @Schema(nullable = true) @Size(max = 40) List<@Size(max = 40) String> unknown,
    @Schema(nullable = true) @Min(1) @Max(999) Integer times,
    @Schema(nullable = true) @Size(max = 10) String per,
    @Schema(nullable = true) Boolean dataWanted,
    @Schema(nullable = true) @Size(max = 10) String lastBackup,
    @Schema(nullable = true) Boolean encrypted,
    @Schema(nullable = true) @Size(max = 10) String keyHolder,
    @Schema(nullable = true) Waiver waiver,
    @Schema(nullable = true) @Size(max = 20) List<@Size(max = 60) String> leftWithUs,
    @Schema(nullable = true) Instant promisedAt) {

  public static final Answers NOTHING =
      new Answers(
          null, null, null, null, null, null, null, null, null, null, null, null, null, null, null,
          null, null, null, null, null, null, null, null);

  /**
   * An owner's signature: name and, if drawn, the pen's path.
   *
   * @param strokes path in a field of 600 by 160, as SVG path data of M and L only; null if typed
   * @param wording what was shown when it was signed
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record Waiver(
      String name, @Schema(nullable = true) String strokes, String wording, Instant signedAt) {}

  public Subject subjectOrMachine() {
    return subject == null ? Subject.MACHINE : subject;
  }

  String complaintOrEmpty() {
    return complaint == null ? "" : complaint;
  }

  String errorTextOrEmpty() {
    return errorText == null ? "" : errorText;
  }

  List<String> answered(String question) {
    return said == null ? null : said.get(question);
  }

  String bootStage() {
    List<String> chosen = answered("boot-stage");
    return chosen == null || chosen.isEmpty() ? null : chosen.get(0);
  }
}

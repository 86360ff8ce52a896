package tekmerion.server.decision;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.decision.Course;
import tekmerion.core.permit.DataStatus;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;

/** Saying what becomes of the data, and signing decisions. */
@RestController
@RequestMapping("/api/jobs/{number}")
class DecisionController {
  private final DecisionService service;
  private final DataSaid data;

  record DataStatusSaid(long version, @NotNull DataStatus dataStatus) {}

  /**
   * Either a plan or courses.
   *
   * @param remedies of the plan, by id and in order; empty for handing it back; null if courses are
   *     named
   * @param courses in order; null if a plan is named
   */
  record DecisionSigned(
      long version,
      @Schema(nullable = true) @Size(max = 4) List<@NotBlank @Size(max = 60) String> remedies,
      @Schema(nullable = true) @Size(min = 1, max = 9) List<@NotNull Course> courses,
      @NotBlank @Size(max = 4000) String reason) {}

  DecisionController(DecisionService service, DataSaid data) {
    this.service = service;
    this.data = data;
  }

  @PostMapping("/data-status")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void take(
      @PathVariable String number,
      @Valid @RequestBody DataStatusSaid said,
      @AuthenticationPrincipal Person person) {
    data.take(number, said.version(), said.dataStatus(), person);
  }

  @PostMapping("/decisions")
  @ResponseStatus(HttpStatus.CREATED)
  void sign(
      @PathVariable String number,
      @Valid @RequestBody DecisionSigned signed,
      @AuthenticationPrincipal Person person) {
    if ((signed.remedies() == null) == (signed.courses() == null)) {
      throw Refusal.badRequest(
          say("decision.a-decision-names-a-plan-or"), say("decision.choose-a-plan-then-sign-it"));
    }
    if (signed.remedies() != null) {
      service.sign(number, signed.version(), signed.remedies(), signed.reason(), person);
    } else {
      service.signCourses(number, signed.version(), signed.courses(), signed.reason(), person);
    }
  }
}

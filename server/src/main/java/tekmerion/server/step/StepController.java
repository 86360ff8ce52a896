package tekmerion.server.step;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.permit.NamedDrive;
import tekmerion.server.person.Person;

/** Steps of a signed plan. */
@RestController
@RequestMapping("/api/jobs/{number}/steps")
class StepController {
  private final PlanSteps steps;

  /**
   * @param drive that is erased, as somebody typed it; null for what erases nothing
   */
  record StepBegun(long version, @Schema(nullable = true) NamedDrive drive) {}

  record StepNotDone(long version, @NotBlank @Size(max = 1000) String why) {}

  StepController(PlanSteps steps) {
    this.steps = steps;
  }

  @PostMapping("/{remedy}/begin")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void begin(
      @PathVariable String number,
      @PathVariable String remedy,
      @Valid @RequestBody StepBegun begun,
      @AuthenticationPrincipal Person by) {
    steps.begin(number, begun.version(), remedy, begun.drive(), by);
  }

  @PostMapping("/{remedy}/not-done")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void notDone(
      @PathVariable String number,
      @PathVariable String remedy,
      @Valid @RequestBody StepNotDone said,
      @AuthenticationPrincipal Person by) {
    steps.notDone(number, said.version(), remedy, said.why(), by);
  }
}

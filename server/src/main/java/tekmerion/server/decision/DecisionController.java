package tekmerion.server.decision;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
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

/** Saying what becomes of the data, and signing decisions. */
@RestController
@RequestMapping("/api/jobs/{number}")
class DecisionController {
  private final DecisionService service;

  record DataStatusSaid(long version, @NotNull DataStatus dataStatus) {}

  record DecisionSigned(
      long version,
      @NotEmpty @Size(max = 9) List<@NotNull Course> courses,
      @NotBlank @Size(max = 4000) String reason) {}

  DecisionController(DecisionService service) {
    this.service = service;
  }

  @PostMapping("/data-status")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void say(
      @PathVariable String number,
      @Valid @RequestBody DataStatusSaid said,
      @AuthenticationPrincipal Person person) {
    service.say(number, said.version(), said.dataStatus(), person);
  }

  @PostMapping("/decisions")
  @ResponseStatus(HttpStatus.CREATED)
  void finding(
      @PathVariable String number,
      @Valid @RequestBody DecisionSigned signed,
      @AuthenticationPrincipal Person person) {
    service.finding(number, signed.version(), signed.courses(), signed.reason(), person);
  }
}

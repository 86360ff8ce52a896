package tekmerion.server.ruling;

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
import tekmerion.core.permit.DataStatus;
import tekmerion.core.ruling.Course;
import tekmerion.server.account.Person;

/** Saying what becomes of the data, and signing rulings. */
@RestController
@RequestMapping("/api/jobs/{number}")
class RulingController {
  private final RulingService service;

  record StanceSaid(long version, @NotNull DataStatus stance) {}

  record RulingSigned(
      long version,
      @NotEmpty @Size(max = 9) List<@NotNull Course> courses,
      @NotBlank @Size(max = 4000) String reason) {}

  RulingController(RulingService service) {
    this.service = service;
  }

  @PostMapping("/stance")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void say(
      @PathVariable String number,
      @Valid @RequestBody StanceSaid said,
      @AuthenticationPrincipal Person person) {
    service.say(number, said.version(), said.stance(), person);
  }

  @PostMapping("/rulings")
  @ResponseStatus(HttpStatus.CREATED)
  void sign(
      @PathVariable String number,
      @Valid @RequestBody RulingSigned signed,
      @AuthenticationPrincipal Person person) {
    service.sign(number, signed.version(), signed.courses(), signed.reason(), person);
  }
}

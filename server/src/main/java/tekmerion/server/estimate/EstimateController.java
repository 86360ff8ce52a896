package tekmerion.server.estimate;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.person.Person;

/** Estimates of a job, and the owner's answers. */
@RestController
@RequestMapping("/api/jobs/{number}/estimates")
class EstimateController {
  private final Estimates estimates;

  /**
   * @param remedies of the plan, by id and in order; none for handing it back
   */
  record EstimateAsked(
      long version, @NotNull @Size(max = 4) List<@NotBlank @Size(max = 60) String> remedies) {}

  record EstimateMade(long id) {}

  /**
   * @param upTo what they agree to pay at most; null if they refuse
   */
  record EstimateAnswered(
      long version,
      @NotNull EstimateView.How how,
      @NotBlank @Size(max = 200) String signer,
      @Schema(nullable = true) @DecimalMin("0") @Digits(integer = 8, fraction = 3) BigDecimal upTo,
      @NotNull @Size(max = 1000) String note) {}

  EstimateController(Estimates estimates) {
    this.estimates = estimates;
  }

  @GetMapping
  List<EstimateView> estimates(@PathVariable String number) {
    return estimates.of(number);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  EstimateMade make(
      @PathVariable String number,
      @Valid @RequestBody EstimateAsked asked,
      @AuthenticationPrincipal Person by) {
    return new EstimateMade(estimates.make(number, asked.version(), asked.remedies(), by));
  }

  @PostMapping("/{id}/answers")
  @ResponseStatus(HttpStatus.CREATED)
  void answer(
      @PathVariable String number,
      @PathVariable long id,
      @Valid @RequestBody EstimateAnswered said,
      @AuthenticationPrincipal Person by) {
    estimates.answer(
        number, said.version(), id, said.how(), said.signer(), said.upTo(), said.note(), by);
  }
}

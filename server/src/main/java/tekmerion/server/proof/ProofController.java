package tekmerion.server.proof;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.person.Person;

/** Trials after a decision, and the owner's signature instead of them. */
@RestController
@RequestMapping("/api/jobs/{number}")
@ResponseStatus(HttpStatus.NO_CONTENT)
class ProofController {
  private final Proofs proofs;

  /**
   * @param failed whether the complaint came again
   */
  record Tried(long version, boolean failed, @NotNull @Size(max = 400) String note) {}

  /**
   * @param signer name typed by the owner
   */
  record ProofWaived(long version, @NotNull @Size(max = 200) String signer) {}

  ProofController(Proofs proofs) {
    this.proofs = proofs;
  }

  @PostMapping("/trials")
  void tried(
      @PathVariable String number,
      @Valid @RequestBody Tried tried,
      @AuthenticationPrincipal Person by) {
    proofs.tried(number, tried.version(), tried.failed(), tried.note(), by);
  }

  @PostMapping("/proof-waiver")
  void waive(
      @PathVariable String number,
      @Valid @RequestBody ProofWaived waived,
      @AuthenticationPrincipal Person by) {
    proofs.waive(number, waived.version(), waived.signer(), by);
  }
}

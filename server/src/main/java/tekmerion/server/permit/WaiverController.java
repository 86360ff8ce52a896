package tekmerion.server.permit;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
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
import tekmerion.core.permit.Holding;
import tekmerion.core.permit.WaiverScope;
import tekmerion.server.person.Person;

/** What owners sign about the data on their drives. */
@RestController
@RequestMapping("/api/jobs/{number}/waivers")
class WaiverController {
  private final Signing signing;

  /**
   * @param signer the owner's name, typed by the owner
   * @param signature what the owner drew on the screen, as the path of an SVG; null if somebody of
   *     the shop writes down what the owner said, which a second person then confirms
   */
  record WaiverSigned(
      long version,
      @NotBlank @Size(max = 200) String signer,
      @Schema(nullable = true)
          @Size(min = 40, max = 60_000)
          @Pattern(regexp = "[ML0-9 ]+", message = "is no drawing")
          String signature,
      @NotEmpty @Size(max = 50) List<@Valid @NotNull DriveSigned> drives) {}

  /**
   * @param holdings as they were shown; none if all of the drive is signed for
   */
  record DriveSigned(
      @NotBlank @Size(max = 60) String partKey,
      @NotNull WaiverScope scope,
      @NotNull @Size(max = 500) List<@NotNull Holding> holdings) {}

  record WaiverSeen(long version) {}

  WaiverController(Signing signing) {
    this.signing = signing;
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  void sign(
      @PathVariable String number,
      @Valid @RequestBody WaiverSigned signed,
      @AuthenticationPrincipal Person by) {
    signing.sign(
        number,
        signed.version(),
        signed.signer(),
        signed.signature(),
        signed.drives().stream()
            .map(d -> new Signing.Signed(d.partKey(), d.scope(), d.holdings()))
            .toList(),
        by);
  }

  @PostMapping("/{id}/confirm")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void confirm(
      @PathVariable String number,
      @PathVariable long id,
      @Valid @RequestBody WaiverSeen seen,
      @AuthenticationPrincipal Person by) {
    signing.confirm(number, seen.version(), id, by);
  }

  @PostMapping("/{id}/revoke")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void revoke(
      @PathVariable String number,
      @PathVariable long id,
      @Valid @RequestBody WaiverSeen seen,
      @AuthenticationPrincipal Person by) {
    signing.revoke(number, seen.version(), id, by);
  }
}

package tekmerion.server.knock;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.link.BenchLink;
import tekmerion.link.Knock;
import tekmerion.link.MachineNote;
import tekmerion.server.person.Person;
import tekmerion.server.web.ClientAddress;

/** Knocking, from both sides of the door. */
@RestController
class KnockController {
  private static final String HEX = "[0-9a-f]{64}";

  private final Door door;
  private final KnockDesk desk;
  private final ClientAddress addresses;

  /** As {@link Knock.Request}, checked. */
  record KnockRequest(
      @NotNull @Pattern(regexp = HEX) String commitment,
      @NotBlank @Size(max = 40) String probeVersion,
      @NotNull UUID outboxId,
      @NotNull MachineNote machine) {}

  /** As {@link Knock.Opening}, checked. */
  record KnockOpening(@NotNull @Pattern(regexp = HEX) String nonce) {}

  /**
   * @param digits as they stand on the machine's screen
   * @param job whose machine it is, where it is in no bay yet; null for none
   */
  record LetIn(
      @NotBlank @Size(max = 20) String digits,
      @NotNull Integer bay,
      @Schema(nullable = true) @Size(max = 20) String job) {}

  KnockController(Door door, KnockDesk desk, ClientAddress addresses) {
    this.door = door;
    this.desk = desk;
    this.addresses = addresses;
  }

  @PostMapping(BenchLink.KNOCK_PATH)
  Knock.Heard knock(@Valid @RequestBody KnockRequest request, HttpServletRequest http) {
    return door.knock(
        new Knock.Request(
            request.commitment(), request.probeVersion(), request.outboxId(), request.machine()),
        addresses.of(http));
  }

  @PostMapping(BenchLink.KNOCK_PATH + "/{id}")
  Knock.Answer answer(
      @PathVariable UUID id, @Valid @RequestBody KnockOpening opening, HttpServletRequest http) {
    return door.answer(id, HexFormat.of().parseHex(opening.nonce()), addresses.of(http));
  }

  @GetMapping("/api/knocks")
  List<KnockDesk.KnockView> waiting() {
    return desk.waiting();
  }

  @PostMapping("/api/knocks/{id}/let-in")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void letIn(
      @PathVariable UUID id,
      @Valid @RequestBody LetIn how,
      @AuthenticationPrincipal Person person) {
    desk.letIn(id, how.digits(), how.bay(), how.job(), person)
        .ifPresent(
            refusal -> {
              throw refusal;
            });
  }

  @PostMapping("/api/knocks/{id}/turn-away")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void turnAway(@PathVariable UUID id, @AuthenticationPrincipal Person person) {
    desk.turnAway(id, person);
  }
}

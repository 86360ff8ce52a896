package tekmerion.server.inbox;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.link.BenchLink;
import tekmerion.link.Enrolment;
import tekmerion.link.MachineNote;
import tekmerion.server.person.Person;
import tekmerion.server.web.ClientAddress;

/** Putting probes on bays and taking them off. */
@RestController
public class EnrolmentController {
  private final EnrolmentService service;
  private final LinkSocket socket;
  private final ClientAddress addresses;

  /** As {@link Enrolment.Request}, checked. */
  record EnrolmentRequest(
      @NotBlank @Size(max = 40) String code,
      @NotBlank @Size(max = 40) String probeVersion,
      @NotNull UUID outboxId,
      @NotNull MachineNote machine) {}

  EnrolmentController(EnrolmentService service, LinkSocket socket, ClientAddress addresses) {
    this.addresses = addresses;
    this.service = service;
    this.socket = socket;
  }

  @PostMapping("/api/bays/{number}/enrolment-codes")
  EnrolmentService.Code newCode(@PathVariable int number, @AuthenticationPrincipal Person person) {
    return service.newCode(number, person);
  }

  @DeleteMapping("/api/bays/{number}/probe")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void revoke(@PathVariable int number, @AuthenticationPrincipal Person person) {
    service.revoke(number, person).forEach(socket::dismiss);
  }

  @PostMapping(BenchLink.ENROLMENT_PATH)
  Enrolment.Granted enrol(@Valid @RequestBody EnrolmentRequest request, HttpServletRequest http) {
    return service.enrol(
        new Enrolment.Request(
            request.code(), request.probeVersion(), request.outboxId(), request.machine()),
        addresses.of(http));
  }
}

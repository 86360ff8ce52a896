package tekmerion.server.exchange;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.link.stick.StickKey;
import tekmerion.server.person.Person;

/** What sticks kept without a network. The body of a request is the file from the stick. */
@RestController
class StickController {
  private final StickVisits visits;
  private final StickOpening opening;

  /**
   * @param key that sticks of this shop are made with; null if the server has no seal key
   */
  record StickMaking(@Schema(nullable = true) String key) {}

  StickController(StickVisits visits, StickOpening opening) {
    this.visits = visits;
    this.opening = opening;
  }

  @GetMapping("/api/stick")
  StickMaking making() {
    return new StickMaking(opening.key().map(StickKey::toString).orElse(null));
  }

  /** Looks what is in it; keeps nothing. */
  @PostMapping(path = "/api/stick/visits", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  StickVisits.StickContent look(@RequestBody byte[] store) {
    return visits.look(store);
  }

  /** Takes one visit into a job; what is in a job already stays where it is. */
  @PostMapping(
      path = "/api/jobs/{number}/stick-visits/{id}",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  CaptureTaking.CaptureCounts takeIn(
      @PathVariable String number,
      @PathVariable UUID id,
      @RequestBody byte[] store,
      @AuthenticationPrincipal Person person) {
    return visits.takeIn(store, id, number, person);
  }
}

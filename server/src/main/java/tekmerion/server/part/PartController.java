package tekmerion.server.part;

import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.person.Person;

/** Knowing again, and lives of parts. */
@RestController
@RequestMapping("/api")
class PartController {
  private final Known known;
  private final PartHistory history;

  PartController(Known known, PartHistory history) {
    this.known = known;
    this.history = history;
  }

  @GetMapping("/known")
  Known.Things known(@RequestParam String serial) {
    return known.bySerial(serial);
  }

  @GetMapping("/parts/{id}")
  PartHistory.View part(@PathVariable long id) {
    return history.of(id);
  }

  @PutMapping("/parts/{id}/same/{other}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void same(
      @PathVariable long id, @PathVariable long other, @AuthenticationPrincipal Person person) {
    history.same(id, other, person);
  }

  @DeleteMapping("/parts/{id}/same/{other}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void apart(
      @PathVariable long id, @PathVariable long other, @AuthenticationPrincipal Person person) {
    history.apart(id, other, person);
  }
}

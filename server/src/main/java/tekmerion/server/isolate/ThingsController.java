package tekmerion.server.isolate;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.server.person.Person;

/** Isolation of whatever can be put in and out of play. */
@RestController
@RequestMapping("/api/jobs/{number}/things/{sort}")
class ThingsController {
  private final ThingsIsolation isolation;

  /**
   * @param kind of a chain: drive, cable, port or machine; else empty
   */
  record ThingSaid(
      @NotNull @Pattern(regexp = "|drive|cable|port|machine") String kind,
      @NotNull @Size(min = 1, max = 60) String name) {}

  record ThingsSaid(
      long version, @NotNull @Size(min = 2, max = 64) List<@Valid @NotNull ThingSaid> things) {}

  /**
   * @param inPlay indexes of the things
   */
  record ThingTried(
      long version,
      @NotNull @Size(max = 64) List<@NotNull @Min(0) @Max(63) Integer> inPlay,
      @NotNull StartOutcome outcome,
      @NotNull @Size(max = 300) String note) {}

  record Seen(long version) {}

  ThingsController(ThingsIsolation isolation) {
    this.isolation = isolation;
  }

  @GetMapping
  ThingsIsolation.View view(@PathVariable String number, @PathVariable Sort sort) {
    return isolation.of(number, sort);
  }

  @PutMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void setUp(
      @PathVariable String number,
      @PathVariable Sort sort,
      @Valid @RequestBody ThingsSaid said,
      @AuthenticationPrincipal Person by) {
    isolation.setUp(
        number,
        sort,
        said.version(),
        said.things().stream().map(t -> new ThingsIsolation.Named(t.kind(), t.name())).toList(),
        by);
  }

  @PostMapping("/starts")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void started(
      @PathVariable String number,
      @PathVariable Sort sort,
      @Valid @RequestBody ThingTried tried,
      @AuthenticationPrincipal Person by) {
    isolation.started(
        number, sort, tried.version(), tried.inPlay(), tried.outcome(), tried.note(), by);
  }

  @PostMapping("/starts/{start}/take-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(
      @PathVariable String number,
      @PathVariable Sort sort,
      @PathVariable long start,
      @Valid @RequestBody Seen seen,
      @AuthenticationPrincipal Person by) {
    isolation.takeBack(number, sort, seen.version(), start, by);
  }
}

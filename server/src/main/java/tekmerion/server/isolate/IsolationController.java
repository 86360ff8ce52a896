package tekmerion.server.isolate;

import io.swagger.v3.oas.annotations.media.Schema;
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
import tekmerion.server.isolate.Layout.Thing;
import tekmerion.server.person.Person;

/** Isolation of memory, and of whatever else can be put in and out of play. */
@RestController
@RequestMapping("/api/jobs/{number}")
class IsolationController {
  private final IsolationSession session;
  private final MemoryViews memory;

  /**
   * @param kind of a chain: drive, cable, port or machine; of memory: module or slot; else empty
   */
  record ThingSaid(
      @NotNull @Pattern(regexp = "|drive|cable|port|machine|module|slot") String kind,
      @NotNull @Size(min = 1, max = 60) String name) {
    Thing thing() {
      return new Thing(kind, name.strip(), null);
    }
  }

  record ThingsSaid(
      long version, @NotNull @Size(min = 2, max = 64) List<@Valid @NotNull ThingSaid> things) {}

  /**
   * @param arrangement of memory the module by slot, from 0, -1 for empty; else the indexes of the
   *     things in play
   */
  record StartMade(
      long version,
      @NotNull @Size(max = 64) List<@NotNull @Min(-1) @Max(63) Integer> arrangement,
      @NotNull StartOutcome outcome,
      @NotNull @Size(max = 300) String note) {}

  @Schema(name = "IsolationSeen")
  record Seen(long version) {}

  IsolationController(IsolationSession session, MemoryViews memory) {
    this.session = session;
    this.memory = memory;
  }

  @GetMapping("/memory")
  MemoryView memory(@PathVariable String number) {
    return memory.of(number);
  }

  @GetMapping("/isolations/{sort}")
  IsolationView view(@PathVariable String number, @PathVariable Sort sort) {
    return session.view(number, sort);
  }

  @PutMapping("/isolations/{sort}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void setUp(
      @PathVariable String number,
      @PathVariable Sort sort,
      @Valid @RequestBody ThingsSaid said,
      @AuthenticationPrincipal Person by) {
    session.setUp(
        number, sort, said.version(), said.things().stream().map(ThingSaid::thing).toList(), by);
  }

  @PostMapping("/isolations/{sort}/starts")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void started(
      @PathVariable String number,
      @PathVariable Sort sort,
      @Valid @RequestBody StartMade made,
      @AuthenticationPrincipal Person by) {
    session.started(
        number, sort, made.version(), made.arrangement(), made.outcome(), made.note(), by);
  }

  @PostMapping("/isolations/{sort}/starts/{start}/take-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(
      @PathVariable String number,
      @PathVariable Sort sort,
      @PathVariable long start,
      @Valid @RequestBody Seen seen,
      @AuthenticationPrincipal Person by) {
    session.takeBack(number, sort, seen.version(), start, by);
  }
}

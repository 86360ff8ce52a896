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

/** Isolation of memory by swapping. */
@RestController
@RequestMapping("/api/jobs/{number}/memory")
class MemoryController {
  private static final String NAME = "[^|]{1,40}";
  private final MemoryIsolation isolation;

  record SwapSetup(
      long version,
      @NotNull @Size(min = 1, max = 4) List<@Pattern(regexp = NAME) String> modules,
      @NotNull @Size(min = 1, max = 4) List<@Pattern(regexp = NAME) String> slots) {}

  /**
   * @param placement module by slot, from 0; -1 for empty
   */
  record SwapStarted(
      long version,
      @NotNull @Size(min = 1, max = 4) List<@Min(-1) @Max(3) Integer> placement,
      @NotNull StartOutcome outcome,
      @NotNull @Size(max = 300) String note) {}

  record Seen(long version) {}

  MemoryController(MemoryIsolation isolation) {
    this.isolation = isolation;
  }

  @GetMapping
  MemoryIsolation.View view(@PathVariable String number) {
    return isolation.of(number);
  }

  @PutMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void setUp(
      @PathVariable String number,
      @Valid @RequestBody SwapSetup setup,
      @AuthenticationPrincipal Person by) {
    isolation.setUp(number, setup.version(), setup.modules(), setup.slots(), by);
  }

  @PostMapping("/starts")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void started(
      @PathVariable String number,
      @Valid @RequestBody SwapStarted start,
      @AuthenticationPrincipal Person by) {
    isolation.started(
        number, start.version(), start.placement(), start.outcome(), start.note(), by);
  }

  @PostMapping("/starts/{start}/take-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(
      @PathVariable String number,
      @PathVariable long start,
      @Valid @RequestBody Seen seen,
      @AuthenticationPrincipal Person by) {
    isolation.takeBack(number, seen.version(), start, by);
  }
}

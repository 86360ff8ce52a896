package tekmerion.server.jobview;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.ask.AskReading;
import tekmerion.server.job.JobAspect;
import tekmerion.server.person.Person;

/** One job, and asking its drives. */
@RestController
@RequestMapping("/api/jobs/{number}")
class JobController {
  private final JobViews views;
  private final AskReading ask;

  record ReadingAsked(@NotBlank @Size(max = 60) String partKey) {}

  record RequestNote(UUID requestId) {}

  JobController(JobViews views, AskReading ask) {
    this.views = views;
    this.ask = ask;
  }

  @GetMapping
  JobView job(@PathVariable String number) {
    return views.of(number);
  }

  /** What a change named: one answer of one moment, so that no two parts of it can disagree. */
  @GetMapping("/aspects")
  JobAspects aspects(@PathVariable String number, @RequestParam Set<JobAspect> of) {
    return views.of(number, of);
  }

  /**
   * What can be decided, side by side.
   *
   * @param own remedies of a plan of one's own, by id and in order
   */
  @GetMapping("/plans")
  PlansView plans(
      @PathVariable String number,
      @RequestParam(required = false) @Size(max = 4) List<String> own) {
    return views.plans(number, Optional.ofNullable(own).filter(list -> !list.isEmpty()));
  }

  @PostMapping("/readings")
  @ResponseStatus(HttpStatus.ACCEPTED)
  RequestNote read(
      @PathVariable String number,
      @Valid @RequestBody ReadingAsked asked,
      @AuthenticationPrincipal Person person) {
    return new RequestNote(ask.ask(number, asked.partKey(), person));
  }
}

package tekmerion.server.ask;

import static tekmerion.words.Words.say;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.link.RunKind;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.RunView;

/** Runs, for technicians and leads. */
@RestController
public class RunController {
  private final AskRun ask;

  record RunAsked(@NotNull RunKind kind) {}

  record RunNote(UUID id) {}

  RunController(AskRun ask) {
    this.ask = ask;
  }

  @PostMapping("/api/jobs/{number}/parts/{partKey}/runs")
  @ResponseStatus(HttpStatus.ACCEPTED)
  RunNote start(
      @PathVariable String number,
      @PathVariable String partKey,
      @Valid @RequestBody RunAsked asked,
      @AuthenticationPrincipal Person person) {
    person.must(Role.TECHNICIAN, Role.LEAD);
    if (asked.kind() == RunKind.ERASE_COPY) {
      throw Refusal.badRequest(say("ask.a-copy-is-erased-in-the"), say("ask.open-it-there"));
    }
    if (asked.kind() == RunKind.ERASE || asked.kind().mends()) {
      throw Refusal.badRequest(
          say("ask.a-drive-is-written-to-only"), say("ask.name-it-in-the-drives-data"));
    }
    if (asked.kind() == RunKind.FILE_COPY) {
      throw Refusal.badRequest(
          say("ask.a-copy-of-files-needs-to"), say("ask.choose-folders-in-the-drives-copies"));
    }
    return new RunNote(ask.ask(number, partKey, asked.kind(), null, person));
  }

  @GetMapping("/api/runs/{id}")
  RunView run(@PathVariable UUID id) {
    return RunView.of(ask.find(id));
  }

  @PostMapping("/api/runs/{id}/pause")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void pause(@PathVariable UUID id, @AuthenticationPrincipal Person person) {
    person.must(Role.TECHNICIAN, Role.LEAD);
    ask.pause(id, person);
  }

  @PostMapping("/api/runs/{id}/resume")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void goOn(@PathVariable UUID id, @AuthenticationPrincipal Person person) {
    person.must(Role.TECHNICIAN, Role.LEAD);
    ask.goOn(id, person);
  }

  @PostMapping("/api/runs/{id}/end")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(@PathVariable UUID id, @AuthenticationPrincipal Person person) {
    person.must(Role.TECHNICIAN, Role.LEAD);
    ask.end(id, person);
  }
}

package tekmerion.server.data;

import static tekmerion.words.Words.say;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.permit.NamedDrive;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyResult;
import tekmerion.server.ask.AskRun;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.CopiesOfJob;
import tekmerion.server.run.RunView;

/** The data on a drive, and copies of its files. */
@RestController
@RequestMapping("/api/jobs/{number}/parts/{partKey}")
class DataController {
  private final DataViews views;
  private final AskRun ask;
  private final CopiesOfJob copies;

  /**
   * @param volume number that the survey named
   * @param folders of that volume, as the survey named them
   */
  record FilesAsked(int volume, @NotEmpty @Size(max = 300) List<@NotNull String> folders) {}

  /** The drive as it was typed by whoever has it in hand. */
  record NamedAsked(
      long version,
      @NotNull @Size(max = 40) String size,
      @NotNull @Size(max = 100) String model,
      @NotNull @Size(max = 10) String lastFour) {}

  record CopyBegun(UUID run) {}

  DataController(DataViews views, AskRun ask, CopiesOfJob copies) {
    this.views = views;
    this.ask = ask;
    this.copies = copies;
  }

  @GetMapping("/data")
  DataView data(@PathVariable String number, @PathVariable String partKey) {
    return views.of(number, partKey);
  }

  @PostMapping("/files")
  @ResponseStatus(HttpStatus.ACCEPTED)
  CopyBegun copy(
      @PathVariable String number,
      @PathVariable String partKey,
      @Valid @RequestBody FilesAsked asked,
      @AuthenticationPrincipal Person person) {
    person.must(Role.TECHNICIAN, Role.LEAD);
    SurveyResult.VolumeNote volume = volume(views.of(number, partKey).survey(), asked.volume());
    List<String> known = volume.folders().stream().map(SurveyResult.FolderNote::path).toList();
    if (!known.containsAll(asked.folders())) {
      throw Refusal.badRequest(say("data.a-folder-is-not-in-the"), say("data.load-the-view-again"));
    }
    return new CopyBegun(
        ask.ask(
            number,
            partKey,
            RunKind.FILE_COPY,
            new AskRun.FilesWanted(asked.volume(), List.copyOf(asked.folders())),
            person));
  }

  @PostMapping("/copy/erase")
  @ResponseStatus(HttpStatus.ACCEPTED)
  CopyBegun eraseCopy(
      @PathVariable String number,
      @PathVariable String partKey,
      @AuthenticationPrincipal Person person) {
    person.must(Role.TECHNICIAN, Role.LEAD);
    return new CopyBegun(ask.eraseCopy(number, partKey, copies, person));
  }

  @PostMapping("/erase")
  @ResponseStatus(HttpStatus.ACCEPTED)
  CopyBegun erase(
      @PathVariable String number,
      @PathVariable String partKey,
      @Valid @RequestBody NamedAsked asked,
      @AuthenticationPrincipal Person person) {
    return write(number, partKey, RunKind.ERASE, asked, person);
  }

  @PostMapping("/mend")
  @ResponseStatus(HttpStatus.ACCEPTED)
  CopyBegun mend(
      @PathVariable String number,
      @PathVariable String partKey,
      @Valid @RequestBody NamedAsked asked,
      @AuthenticationPrincipal Person person) {
    return write(number, partKey, RunKind.MEND, asked, person);
  }

  @PostMapping("/mend/take-back")
  @ResponseStatus(HttpStatus.ACCEPTED)
  CopyBegun takeBack(
      @PathVariable String number,
      @PathVariable String partKey,
      @Valid @RequestBody NamedAsked asked,
      @AuthenticationPrincipal Person person) {
    return write(number, partKey, RunKind.TAKE_BACK, asked, person);
  }

  private CopyBegun write(
      String number, String partKey, RunKind kind, NamedAsked asked, Person person) {
    person.must(Role.TECHNICIAN, Role.LEAD);
    NamedDrive named = new NamedDrive(asked.size(), asked.model(), asked.lastFour());
    return new CopyBegun(ask.write(number, partKey, kind, asked.version(), named, person));
  }

  private static SurveyResult.VolumeNote volume(RunView survey, int number) {
    if (survey == null || !(survey.result() instanceof SurveyResult found)) {
      throw Refusal.notPossibleNow(
          say("data.the-drive-was-not-surveyed-yet"), say("data.survey-it-first"));
    }
    return found.volumes().stream()
        .filter(v -> v.number() == number && v.listed())
        .findFirst()
        .orElseThrow(
            () ->
                Refusal.badRequest(
                    say("data.that-volumes-files-are-not-listed"), say("data.choose-another")));
  }
}

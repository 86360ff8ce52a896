package tekmerion.server.editing;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.knowhow.Edit.EntryKind;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.server.knowhow.KnowHowChange;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;

/** Entries of the know-how: anybody reads them, the lead changes them. */
@RestController
@RequestMapping("/api/know-how")
class EditingController {
  private final Entries entries;
  private final KnowHowEdits edits;
  private final LastJobs lastJobs;
  private final ShopKnowHow knowHow;
  private final MovesFromElsewhere fromElsewhere;

  /** What an entry may name. */
  @Schema(name = "KnowHowChoices")
  record Choices(List<Choice> causes, List<Choice> families, List<String> bootStages) {}

  @Schema(name = "KnowHowChoice")
  record Choice(String id, String name) {}

  /**
   * @param version of the entry that was opened
   * @param reason in the lead's words
   */
  @Schema(name = "KnowHowChangeAsked")
  record Asked(
      @NotNull @Valid KnowHowChange change,
      @Min(0) int version,
      @NotBlank @Size(max = 500) String reason) {}

  EditingController(
      Entries entries,
      KnowHowEdits edits,
      LastJobs lastJobs,
      ShopKnowHow knowHow,
      MovesFromElsewhere fromElsewhere) {
    this.entries = entries;
    this.edits = edits;
    this.lastJobs = lastJobs;
    this.knowHow = knowHow;
    this.fromElsewhere = fromElsewhere;
  }

  @GetMapping("/entries/{subject}/{id}")
  Entries.Entry entry(@PathVariable EntryKind subject, @PathVariable String id) {
    return entries.of(subject, id);
  }

  @GetMapping("/choices")
  Choices choices() {
    KnowHow now = knowHow.now();
    return new Choices(
        now.causes().stream().map(c -> new Choice(c.id(), c.name())).toList(),
        now.families().stream().map(f -> new Choice(f.id(), f.name())).toList(),
        now.finding("boot-stage").map(FindingKind::levels).orElse(List.of()));
  }

  /** Other shops' own moves that came with jobs and are not in force here. */
  @GetMapping("/from-elsewhere")
  List<MovesFromElsewhere.FromElsewhere> fromElsewhere() {
    return fromElsewhere.all();
  }

  /** What the change would have made of the last jobs; changes nothing. */
  @PostMapping("/preview")
  LastJobs.Preview preview(
      @Valid @RequestBody KnowHowChange change, @AuthenticationPrincipal Person person) {
    person.must(Role.LEAD);
    return lastJobs.by(edits.with(change));
  }

  @PostMapping("/changes")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(@Valid @RequestBody Asked asked, @AuthenticationPrincipal Person person) {
    person.must(Role.LEAD);
    edits.keep(asked.change(), asked.version(), asked.reason().strip(), person);
  }
}

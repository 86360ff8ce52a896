package tekmerion.server.intake;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.identity.LabelCode;
import tekmerion.core.knowhow.Family;
import tekmerion.core.knowhow.Question;
import tekmerion.core.weigh.Suspicion;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tekmerion.words.Words;
import tools.jackson.databind.JsonNode;

/** The conversation at the counter. */
@RestController
@RequestMapping("/api")
class IntakeController {
  private static final DateTimeFormatter PROMISED = DateTimeFormatter.ofPattern("EEE d MMM HH:mm");
  private static final int CAUSES_SHOWN = 6;
  private final Drafts drafts;
  private final Understanding understanding;
  private final TakeIn takeIn;
  private final Secret secret;
  private final Jobs jobs;
  private final ShopKnowHow knowHow;
  private final ZoneId zone;

  /** What the view asks with. */
  record Script(List<FamilyNote> families, List<Question> questions, String waiver) {}

  record FamilyNote(String id, String name, String says) {}

  record DraftNote(UUID id, String customer, String machine, String complaint, Instant changedAt) {}

  /** Words that gave a family away. */
  record HeardFamily(String id, int from, int to) {}

  record CauseLine(String name, double probability, Suspicion suspicion) {}

  record AskNext(String question, double bits) {}

  /**
   * @param families that hold: chosen, or else heard
   * @param missing what a job cannot do without, null if nothing
   * @param job number, null while it is a draft
   * @param corrected whether something was changed since it was taken in
   */
  record IntakeView(
      UUID id,
      long version,
      Answers answers,
      List<HeardFamily> heard,
      List<String> families,
      List<CauseLine> causes,
      double none,
      List<AskNext> ask,
      boolean secretKept,
      @Schema(nullable = true) String missing,
      @Schema(nullable = true) String job,
      boolean corrected) {}

  /**
   * @param changes answers by name; null takes one back
   */
  @Schema(name = "IntakeChanges")
  record Changes(long version, @NotNull @Size(max = 40) Map<String, JsonNode> changes) {}

  record Signature(
      long version,
      @NotBlank @Size(max = 200) String name,
      @Schema(nullable = true) @Size(max = 40_000) String strokes) {}

  record SecretSaid(@NotBlank @Size(max = 200) String secret) {}

  @Schema(name = "DraftSeen")
  record Seen(long version) {}

  record TakenIn(String number) {}

  IntakeController(
      Drafts drafts,
      Understanding understanding,
      TakeIn takeIn,
      Secret secret,
      Jobs jobs,
      ShopKnowHow knowHow,
      OpenHours hours) {
    this.drafts = drafts;
    this.understanding = understanding;
    this.takeIn = takeIn;
    this.secret = secret;
    this.jobs = jobs;
    this.knowHow = knowHow;
    this.zone = hours.zone();
  }

  @GetMapping("/questions")
  Script script() {
    return new Script(
        knowHow.now().families().stream().map(IntakeController::note).toList(),
        knowHow.now().questions(),
        DecisionService.waiverWording());
  }

  private static FamilyNote note(Family family) {
    return new FamilyNote(family.id(), family.name(), family.says());
  }

  @GetMapping("/intakes")
  List<DraftNote> open() {
    return drafts.open().stream()
        .map(
            intake -> {
              Answers a = drafts.answers(intake);
              String machine = "%s %s".formatted(orEmpty(a.maker()), orEmpty(a.model())).strip();
              return new DraftNote(
                  intake.getId(),
                  orEmpty(a.customerName()),
                  machine,
                  orEmpty(a.complaint()),
                  intake.changedAt());
            })
        .toList();
  }

  @PostMapping("/intakes")
  IntakeView begin(@AuthenticationPrincipal Person person) {
    return view(drafts.begin(person));
  }

  @GetMapping("/intakes/{id}")
  @Transactional(readOnly = true)
  public IntakeView intake(@PathVariable UUID id) {
    return view(drafts.of(id));
  }

  /** The conversation that a job came from. */
  @GetMapping("/jobs/{number}/intake")
  @Transactional(readOnly = true)
  public IntakeView ofJob(@PathVariable String number) {
    return view(
        drafts
            .ofJob(job(number).id())
            .orElseThrow(() -> Refusal.notFound(say("intake.this-job-was-not-taken-in"))));
  }

  @PatchMapping("/intakes/{id}")
  IntakeView change(
      @PathVariable UUID id,
      @Valid @RequestBody Changes changes,
      @AuthenticationPrincipal Person person) {
    return view(drafts.change(id, changes.version(), changes.changes(), person));
  }

  @PostMapping("/intakes/{id}/waiver")
  IntakeView sign(
      @PathVariable UUID id,
      @Valid @RequestBody Signature signature,
      @AuthenticationPrincipal Person person) {
    return view(
        drafts.sign(id, signature.version(), signature.name(), signature.strokes(), person));
  }

  @PutMapping("/intakes/{id}/secret")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(
      @PathVariable UUID id,
      @Valid @RequestBody SecretSaid said,
      @AuthenticationPrincipal Person person) {
    drafts.of(id);
    secret.keep(id, said.secret(), person);
  }

  @DeleteMapping("/intakes/{id}/secret")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable UUID id, @AuthenticationPrincipal Person person) {
    secret.forget(id, person);
  }

  @DeleteMapping("/intakes/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void drop(@PathVariable UUID id) {
    drafts.drop(id, true);
  }

  @PostMapping("/intakes/{id}/bring-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void bringBack(@PathVariable UUID id) {
    drafts.drop(id, false);
  }

  @PostMapping("/intakes/{id}/take-in")
  TakenIn takeIn(
      @PathVariable UUID id,
      @Valid @RequestBody Seen seen,
      @AuthenticationPrincipal Person person) {
    return new TakenIn(takeIn.takeIn(id, seen.version(), person));
  }

  @GetMapping(path = "/jobs/{number}/label.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  @Transactional(readOnly = true)
  public ResponseEntity<byte[]> label(@PathVariable String number) {
    Job job = job(number);
    String promised =
        job.promisedAt() == null
            ? say("intake.no-time-promised")
            : say(
                "intake.for",
                "time",
                PROMISED
                    .withLocale(Words.speaking().language().locale())
                    .format(job.promisedAt().atZone(zone)));
    String serial = job.machine().serial();
    byte[] pdf =
        Label.pdf(
            LabelCode.of(number),
            number,
            job.machine().name(),
            serial == null ? say("intake.serial-not-known") : serial,
            job.customer().displayName(),
            promised);
    return ResponseEntity.ok()
        .header("Content-Disposition", "inline; filename=\"%s.pdf\"".formatted(number))
        .contentType(MediaType.APPLICATION_PDF)
        .body(pdf);
  }

  private Job job(String number) {
    return jobs.named(number);
  }

  private IntakeView view(Intake intake) {
    Answers answers = drafts.answers(intake);
    Understanding.Told told = understanding.told(answers);
    Understanding.Understood understood = understanding.of(answers, told);
    String number =
        intake.jobId() == null ? null : jobs.findById(intake.jobId()).map(Job::number).orElse(null);
    return new IntakeView(
        intake.getId(),
        intake.version(),
        answers,
        told.heard().families().stream()
            .map(f -> new HeardFamily(f.id(), f.from(), f.to()))
            .toList(),
        told.families(),
        understood.weighed().causes().stream()
            .limit(CAUSES_SHOWN)
            .map(c -> new CauseLine(c.name(), c.probability(), c.suspicion()))
            .toList(),
        understood.weighed().noneProbability(),
        understood.ask().stream().map(a -> new AskNext(a.question(), a.bits())).toList(),
        secret.isKept(intake.getId()),
        TakeIn.missing(answers),
        number,
        intake.applied() != null && !answers.equals(drafts.applied(intake)));
  }

  private static String orEmpty(String text) {
    return text == null ? "" : text;
  }
}

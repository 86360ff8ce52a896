package tekmerion.server.intake;

import static tekmerion.words.Words.say;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.account.Account;
import tekmerion.server.account.Accounts;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.permit.Strokes;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Drafts at the counter. Answers are changed one by one: two people at one draft both keep theirs
 * unless they change the same answer, and then the second is told and chooses.
 */
@Service
public class Drafts {
  private static final Duration SHOWN = Duration.ofDays(14);
  private static final Set<String> NOT_BY_HAND = Set.of("waiver");

  private final Intakes intakes;
  private final Accounts accounts;
  private final Validator validator;
  private final LiveEvents live;
  private final JsonMapper json;
  private final Clock clock;

  /** At which version an answer was last changed, and by whom. */
  record FieldVersion(long version, long by) {}

  Drafts(
      Intakes intakes,
      Accounts accounts,
      Validator validator,
      LiveEvents live,
      JsonMapper json,
      Clock clock) {
    this.intakes = intakes;
    this.accounts = accounts;
    this.validator = validator;
    this.live = live;
    this.json = json.rebuild().enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();
    this.clock = clock;
  }

  /** Keeps what was said for a job that came in another way than over the counter's screen. */
  @Transactional
  public void keepFor(long jobId, Answers answers, long by, Instant when) {
    Intake intake = new Intake(UUID.randomUUID(), by, when);
    intake.changed(json.writeValueAsString(answers), "{}", when);
    intake.taken(jobId);
    intakes.save(intake);
  }

  @Transactional
  Intake begin(Person by) {
    return intakes.save(new Intake(UUID.randomUUID(), by.id(), clock.instant()));
  }

  @Transactional(readOnly = true)
  List<Intake> open() {
    return intakes.findTop30ByJobIdIsNullAndDroppedAtIsNullAndChangedAtAfterOrderByChangedAtDesc(
        clock.instant().minus(SHOWN));
  }

  @Transactional(readOnly = true)
  Intake of(UUID id) {
    return intakes.findById(id).orElseThrow(Drafts::gone);
  }

  @Transactional(readOnly = true)
  Optional<Intake> ofJob(long jobId) {
    return intakes.findByJobId(jobId);
  }

  Answers answers(Intake intake) {
    return json.readValue(intake.answers(), Answers.class);
  }

  /** As last taken in or corrected; nothing before that. */
  Answers applied(Intake intake) {
    return intake.applied() == null
        ? Answers.NOTHING
        : json.readValue(intake.applied(), Answers.class);
  }

  /**
   * @param seen version that the person was looking at
   * @param changes new answers by field; null takes an answer back
   * @throws Refusal 409 if somebody else has changed one of the same answers since
   */
  @Transactional
  Intake change(UUID id, long seen, Map<String, JsonNode> changes, Person by) {
    for (String field : changes.keySet()) {
      if (NOT_BY_HAND.contains(field) && !changes.get(field).isNull()) {
        throw Refusal.badRequest(
            say("intake.a-signature-is-not-typed-in"), say("intake.have-the-owner-sign"));
      }
    }
    return merge(intakes.lock(id).orElseThrow(Drafts::gone), seen, changes, by);
  }

  /** The owner's signature under the wording that was shown; time and wording are the server's. */
  @Transactional
  Intake sign(UUID id, long seen, String name, String strokes, Person by) {
    if (strokes != null && !Strokes.isPath(strokes)) {
      throw Refusal.badRequest(
          say("intake.the-drawn-signature-cannot-be-read"), say("intake.draw-it-again-or-type-it"));
    }
    Intake intake = intakes.lock(id).orElseThrow(Drafts::gone);
    Answers.Waiver waiver =
        new Answers.Waiver(name.strip(), strokes, DecisionService.waiverWording(), clock.instant());
    Map<String, JsonNode> changes = new LinkedHashMap<>();
    changes.put("waiver", json.valueToTree(waiver));
    changes.put("dataWanted", json.valueToTree(false));
    return merge(intake, seen, changes, by);
  }

  private Intake merge(Intake intake, long seen, Map<String, JsonNode> changes, Person by) {
    if (intake.isDropped()) {
      throw Refusal.notPossibleNow(
          say("intake.this-draft-was-put-aside"), say("intake.begin-a-new-one-or-bring"));
    }
    ObjectNode answers = (ObjectNode) json.readTree(intake.answers());
    Map<String, FieldVersion> versions =
        json.readValue(intake.fieldVersions(), new TypeReference<Map<String, FieldVersion>>() {});
    long next = intake.version() + 1;
    boolean anything = false;
    for (Map.Entry<String, JsonNode> change : changes.entrySet()) {
      String field = change.getKey();
      JsonNode before = answers.get(field);
      boolean same = change.getValue().isNull() ? before == null : change.getValue().equals(before);
      if (same) {
        continue;
      }
      FieldVersion last = versions.get(field);
      if (last != null && last.version() > seen && last.by() != by.id()) {
        throw Refusal.conflict(
            say("intake.has-changed-the-same-answer-meanwhile", "nameOf", nameOf(last.by())),
            say("intake.look-at-it-change-it-again"));
      }
      if (change.getValue().isNull()) {
        answers.remove(field);
      } else {
        answers.set(field, change.getValue());
      }
      versions.put(field, new FieldVersion(next, by.id()));
      anything = true;
    }
    if (anything) {
      checked(answers);
      intake.changed(
          json.writeValueAsString(answers), json.writeValueAsString(versions), clock.instant());
      live.changed("intake:" + intake.getId());
    }
    return intake;
  }

  private void checked(ObjectNode answers) {
    Answers read;
    try {
      read = json.treeToValue(answers, Answers.class);
    } catch (JacksonException e) {
      throw Refusal.badRequest(
          say("intake.an-answer-is-not-of-a"), say("intake.load-the-page-again"));
    }
    Set<ConstraintViolation<Answers>> wrong = validator.validate(read);
    if (!wrong.isEmpty()) {
      ConstraintViolation<Answers> first = wrong.iterator().next();
      throw Refusal.badRequest(
          "%s: %s.".formatted(first.getPropertyPath(), first.getMessage()),
          say("intake.change-it"));
    }
  }

  @Transactional
  void drop(UUID id, boolean dropped) {
    Intake intake = intakes.lock(id).orElseThrow(Drafts::gone);
    if (intake.jobId() != null) {
      throw Refusal.notPossibleNow(say("intake.it-is-taken-in-already"), say("intake.use-the-job"));
    }
    Instant when = dropped ? clock.instant() : null;
    intake.drop(when);
    live.changed("intake:" + id);
  }

  @Transactional
  Intake lock(UUID id) {
    return intakes.lock(id).orElseThrow(Drafts::gone);
  }

  private String nameOf(long account) {
    return accounts.findById(account).map(Account::displayName).orElse(say("intake.somebody"));
  }

  private static Refusal gone() {
    return Refusal.notFound(say("intake.there-is-no-such-draft"));
  }
}

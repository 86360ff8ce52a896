package tekmerion.server.step;

import static tekmerion.words.Words.say;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.replace.OldPartFate;
import tekmerion.core.replace.Supply.Happened;
import tekmerion.server.job.Hands;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.stock.Stock;
import tekmerion.server.stock.StockView.StockItem;
import tekmerion.server.supply.PartSupplies;
import tekmerion.server.weighing.WeighingService;
import tekmerion.server.weighing.WeighingService.Evidence;
import tekmerion.words.Words;

/** Gets the part that a step needs, and keeps what became of the old one. */
@Service
public class StepSupply {
  private final JobLock lock;
  private final PlanSteps steps;
  private final StepParts parts;
  private final TakenOut takenOut;
  private final Stock stock;
  private final Hands hands;
  private final WeighingService weighing;
  private final JobPermissions permissions;
  private final OpenHours hours;
  private final Tell tell;

  StepSupply(
      JobLock lock,
      PlanSteps steps,
      StepParts parts,
      TakenOut takenOut,
      Stock stock,
      Hands hands,
      WeighingService weighing,
      JobPermissions permissions,
      OpenHours hours,
      Tell tell) {
    this.lock = lock;
    this.steps = steps;
    this.parts = parts;
    this.takenOut = takenOut;
    this.stock = stock;
    this.hands = hands;
    this.weighing = weighing;
    this.permissions = permissions;
    this.hours = hours;
    this.tell = tell;
  }

  /**
   * Sets a part of the stock aside.
   *
   * @throws Refusal 409 if there is none left, or the step has its part
   */
  @Transactional
  public void take(String number, long version, String remedyId, long stockId, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Remedy remedy = steps.replacing(job, remedyId);
    StockItem item =
        stock.items().stream()
            .filter(i -> i.id() == stockId)
            .findFirst()
            .orElseThrow(() -> Refusal.notFound(say("step.there-is-no-such-item-in")));
    stock.move(stockId, -1, say("step.for", "job", number), by);
    keep(
        job,
        remedy,
        new PartSupplies.Now(Happened.TAKEN_FROM_STOCK, "", item.model(), stockId, null, null),
        by);
    tell.journal(
        job,
        JournalEntry.Kind.CHANGE,
        () -> say("step.from-stock", "item", item.model()),
        () -> say("step.for-2", "nameOf", steps.nameOf(job, remedy)),
        by);
  }

  /**
   * @param words which part
   * @param expectedOn null if nobody knows
   */
  @Transactional
  public void order(
      String number,
      long version,
      String remedyId,
      String words,
      String supplier,
      LocalDate expectedOn,
      Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Remedy remedy = steps.replacing(job, remedyId);
    boolean itsTurn = steps.isItsTurn(job, permissions.of(job), remedyId);
    keep(
        job,
        remedy,
        new PartSupplies.Now(
            Happened.ORDERED, "", words.strip(), null, supplier.strip(), expectedOn),
        by);
    String note =
        Words.kept(() -> say("step.from", "words", words.strip(), "supplier", supplier.strip()));
    tell.journal(job, JournalEntry.Kind.CHANGE, () -> say("step.ordered"), () -> note, by);
    if (itsTurn) {
      Instant until =
          Optional.ofNullable(expectedOn)
              .map(day -> hours.whenOpen(day.atStartOfDay(hours.zone()).toInstant()))
              .orElse(null);
      hands.waits(job, Job.WaitsFor.PART, note, until, by);
    }
  }

  /** What was ordered is here, or called off. */
  @Transactional
  public void ordered(String number, long version, String remedyId, boolean came, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Remedy remedy = steps.replacing(job, remedyId);
    Happened what = came ? Happened.CAME : Happened.CALLED_OFF;
    keep(job, remedy, new PartSupplies.Now(what, "", "", null, null, null), by);
    tell.journal(
        job,
        JournalEntry.Kind.CHANGE,
        () -> came ? say("step.the-part-has-come") : say("step.called-off"),
        () -> say("step.for-2", "nameOf", steps.nameOf(job, remedy)),
        by);
    if (job.waitsFor() == Job.WaitsFor.PART) {
      hands.waits(job, null, "", null, by);
    }
  }

  /** What was set aside goes back to where it came from: to stock, or to nobody's use. */
  @Transactional
  public void putBack(String number, long version, String remedyId, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Remedy remedy = steps.replacing(job, remedyId);
    if (steps.begun(job, remedyId).isPresent()) {
      throw Refusal.notPossibleNow(
          say("step.the-step-was-begun-with-it"), say("step.say-first-what-came-of-the"));
    }
    Optional<PartSupplies.Standing> standing =
        Optional.ofNullable(parts.standing(job).get(remedyId));
    keep(job, remedy, new PartSupplies.Now(Happened.PUT_BACK, "", "", null, null, null), by);
    standing
        .flatMap(PartSupplies.Standing::stock)
        .ifPresent(id -> stock.move(id, 1, say("step.back-from", "number", number), by));
    tell.journal(
        job,
        JournalEntry.Kind.CHANGE,
        () ->
            say(
                "step.put-back",
                "standing",
                standing.map(PartSupplies.Standing::words).orElse("a part")),
        () -> "",
        by);
  }

  /**
   * Keeps what became of the part that a step took out.
   *
   * @param note the certificate's number, or who took it
   * @throws Refusal 423 if scrapping it is locked
   */
  @Transactional
  public void sayOld(
      String number, long version, String remedyId, OldPartFate fate, String note, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Remedy remedy = steps.replacing(job, remedyId);
    String which =
        takenOut.note(job, permissions.of(job), remedy, steps.begun(job, remedyId), fate, note, by);
    tell.journal(
        job,
        JournalEntry.Kind.CHANGE,
        () -> say("step.taken-out", "which", which),
        () -> note.isBlank() ? fate.words() : fate.words() + ": " + note.strip(),
        by);
  }

  private void keep(Job job, Remedy remedy, PartSupplies.Now now, Person by) {
    Evidence evidence = weighing.weigh(job);
    parts.happened(job, evidence, remedy, now, by);
  }
}

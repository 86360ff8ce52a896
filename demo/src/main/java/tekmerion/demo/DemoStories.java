package tekmerion.demo;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.core.permit.WaiverScope;
import tekmerion.server.account.Account;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.estimate.EstimateView.How;
import tekmerion.server.estimate.Estimates;
import tekmerion.server.isolate.IsolationSession;
import tekmerion.server.isolate.Layout.Thing;
import tekmerion.server.isolate.Sort;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Changes.ComplaintNow;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.move.MadeMoves;
import tekmerion.server.permit.Signing;
import tekmerion.server.permit.Waivers;
import tekmerion.server.person.Person;
import tekmerion.server.proof.Proofs;
import tekmerion.server.step.PlanSteps;
import tekmerion.server.step.StepSupply;

/**
 * What was done this morning, through the very services that a technician uses: every gate is
 * asked, every decision is signed. A plan waits for its part, one has it, one waits for its owner,
 * one is in proof, one broke off, a reset failed; an isolation is in its third start.
 */
@Component
class DemoStories {
  private static final String MACHINE = "machine";
  private static final String VERIFY_FILES = "system-file-verify";

  private final Jobs jobs;
  private final MadeMoves moves;
  private final DecisionService decisions;
  private final Estimates estimates;
  private final PlanSteps steps;
  private final StepSupply supply;
  private final Changes changes;
  private final Proofs proofs;
  private final IsolationSession isolations;
  private final Signing signing;
  private final Waivers waivers;
  private final BenchReadings bench;
  private final DemoClock clock;

  DemoStories(
      Jobs jobs,
      MadeMoves moves,
      DecisionService decisions,
      Estimates estimates,
      PlanSteps steps,
      StepSupply supply,
      Changes changes,
      Proofs proofs,
      IsolationSession isolations,
      Signing signing,
      Waivers waivers,
      BenchReadings bench,
      DemoClock clock) {
    this.jobs = jobs;
    this.moves = moves;
    this.decisions = decisions;
    this.estimates = estimates;
    this.steps = steps;
    this.supply = supply;
    this.changes = changes;
    this.proofs = proofs;
    this.isolations = isolations;
    this.signing = signing;
    this.waivers = waivers;
    this.bench = bench;
    this.clock = clock;
  }

  void tell(Map<String, Account> people, Instant now) {
    Person ines = person(people.get("ines"));
    Person bo = person(people.get("bo"));
    waitsForItsPart(new Morning("J-2290", ines, now));
    hasItsPart(new Morning("J-2270", ines, now));
    waitsForItsOwner(new Morning("J-2293", bo, now));
    isInProof(new Morning("J-2289", bo, now));
    brokeOff(new Morning("J-2284", ines, now));
    resetFailed(new Morning("J-2287", bo, now), ines);
    isIsolated(new Morning("J-2294", bo, now));
  }

  private static Person person(Account account) {
    return new Person(account.id(), account.signInName(), account.displayName(), account.role());
  }

  private void waitsForItsPart(Morning m) {
    m.at(
        51,
        job ->
            m.made(
                job,
                "battery-report",
                Map.of("battery.health", "spent", "battery.cycles", "many")));
    m.at(
        27,
        job ->
            m.made(
                job,
                "battery-discharge",
                Map.of("discharge.capacity", "spent", "discharge.gauge", "agrees")));
    m.at(24, job -> estimates.make(job.number(), job.version(), List.of("replace-battery"), m.by));
    m.at(21, job -> m.agreed(job, "Karin Lot, the pilots' office"));
    m.at(
        19,
        job ->
            m.sign(
                job,
                List.of("replace-battery"),
                "Under half of its charge, by its own count and by ours."));
    m.at(
        17,
        job ->
            supply.order(
                job.number(),
                job.version(),
                "replace-battery",
                "Pack for Norrvik 13",
                "Kvist parts",
                m.day(2),
                m.by));
  }

  private void hasItsPart(Morning m) {
    m.at(70, job -> m.made(job, "memory-one-module", Map.of("module.alone", "one-fails")));
    m.at(58, job -> m.made(job, "memory-known-good", Map.of("known-good.memory", "gone")));
    m.at(
        54,
        job ->
            m.sign(
                job,
                List.of("replace-memory"),
                "The one in slot 2 fails alone; ours in its place runs."));
    m.at(
        54,
        job ->
            supply.order(
                job.number(),
                job.version(),
                "replace-memory",
                "SLIP 8G3200",
                "Kvist parts",
                m.day(0),
                m.by));
    m.at(8, job -> supply.ordered(job.number(), job.version(), "replace-memory", true, m.by));
  }

  private void waitsForItsOwner(Morning m) {
    m.at(19, job -> estimates.make(job.number(), job.version(), List.of("replace-board"), m.by));
  }

  private void isInProof(Morning m) {
    m.at(
        47,
        job ->
            m.sign(
                job,
                List.of("set-profile"),
                "It slows its processor when the mains is off; the timers follow."));
    m.at(46, job -> steps.begin(job.number(), job.version(), "set-profile", null, m.by));
    m.at(
        42,
        job ->
            changes.check(
                job.number(), job.version(), ComplaintNow.GONE, "an hour of lessons played", m.by));
    m.at(31, job -> proofs.tried(job.number(), job.version(), false, "", m.by));
    m.at(16, job -> proofs.tried(job.number(), job.version(), false, "", m.by));
  }

  private void brokeOff(Morning m) {
    m.at(
        39,
        job ->
            m.sign(
                job,
                List.of("restart-service"),
                "The list hangs, and its service does not answer."));
    m.at(38, job -> steps.begin(job.number(), job.version(), "restart-service", null, m.by));
    m.at(
        35,
        job ->
            changes.check(
                job.number(),
                job.version(),
                ComplaintNow.BROKE_OFF,
                "it froze while the service stopped",
                m.by));
  }

  /** What its owner does not need is signed by two; what wrote to the drive broke off. */
  private void resetFailed(Morning m, Person second) {
    m.at(79, job -> bench.readNow(job, "sim:stuck-update,0"));
    m.at(
        77,
        job ->
            signing.sign(
                job.number(),
                job.version(),
                job.customer().displayName(),
                null,
                List.of(new Signing.Signed("drive-a", WaiverScope.ALL_DATA, List.of())),
                m.by));
    m.at(75, job -> signing.confirm(job.number(), job.version(), m.waiver(), second));
    m.at(70, job -> m.made(job, "bench-start", Map.of("bench-start.runs", "runs")));
    m.at(68, job -> moves.begin(job.number(), job.version(), VERIFY_FILES, MACHINE, null, m.by));
    m.at(
        46,
        job ->
            m.made(
                job,
                VERIFY_FILES,
                Map.of("system-files.verified", "not-mended", "cure.system-files", "same")));
    m.at(
        44,
        job ->
            m.sign(
                job,
                List.of("reset-keeping"),
                "Its files cannot be mended, the hardware is sound; nothing on it is wanted."));
    m.at(43, job -> steps.begin(job.number(), job.version(), "reset-keeping", null, m.by));
    m.at(
        9,
        job ->
            changes.check(
                job.number(),
                job.version(),
                ComplaintNow.BROKE_OFF,
                "it stopped at a third and undid itself",
                m.by));
  }

  /** Two modules, two slots; which start comes next is not said here. */
  private void isIsolated(Morning m) {
    m.at(
        66,
        job ->
            isolations.setUp(
                job.number(),
                Sort.MEMORY,
                job.version(),
                List.of(
                    new Thing("module", "SLIP 8G, left", null),
                    new Thing("module", "SLIP 8G, right", null),
                    new Thing("slot", "Slot 1", null),
                    new Thing("slot", "Slot 2", null)),
                m.by));
    m.at(55, job -> m.started(job, List.of(0, 1), StartOutcome.FAIL));
    m.at(33, job -> m.started(job, List.of(0, -1), StartOutcome.PASS));
  }

  /** One job's morning. */
  private final class Morning {
    private final String number;
    private final Person by;
    private final Instant now;

    Morning(String number, Person by, Instant now) {
      this.number = number;
      this.by = by;
      this.now = now;
    }

    void at(int minutesAgo, Consumer<Job> what) {
      clock.showing(
          now.minus(Duration.ofMinutes(minutesAgo)), () -> what.accept(jobs.named(number)));
      jobs.flush();
    }

    void made(Job job, String move, Map<String, String> levels) {
      moves.made(number, job.version(), move, MACHINE, levels, "", by);
    }

    void sign(Job job, List<String> remedies, String reason) {
      decisions.sign(number, job.version(), remedies, reason, by);
    }

    void agreed(Job job, String who) {
      var estimate = estimates.of(number).get(0);
      BigDecimal most = estimate.atMost();
      estimates.answer(number, job.version(), estimate.id(), How.PHONE, who, most, "", by);
    }

    void started(Job job, List<Integer> arrangement, StartOutcome outcome) {
      isolations.started(number, Sort.MEMORY, job.version(), arrangement, outcome, "", by);
    }

    /** The newest that its owner signed. */
    long waiver() {
      return waivers.ofJob(jobs.named(number).id()).get(0).id();
    }

    LocalDate day(int ahead) {
      return LocalDate.ofInstant(now.plus(Duration.ofDays(ahead)), ZoneOffset.UTC);
    }
  }
}

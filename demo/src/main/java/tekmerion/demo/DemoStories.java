package tekmerion.demo;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tekmerion.demo.Mornings.Morning;
import tekmerion.server.account.Account;
import tekmerion.server.estimate.Estimates;
import tekmerion.server.job.Changes.ComplaintNow;
import tekmerion.server.person.Person;
import tekmerion.server.proof.Proofs;
import tekmerion.server.step.PlanSteps;
import tekmerion.server.step.StepSupply;

/**
 * What was done this morning, through the very services that a technician uses: every gate is
 * asked, every decision is signed. A plan waits for its part, one has it, one waits for its owner,
 * one is in proof, one broke off.
 */
@Component
class DemoStories {
  private final Estimates estimates;
  private final PlanSteps steps;
  private final StepSupply supply;
  private final Proofs proofs;
  private final Mornings mornings;
  private final BenchStories benchStories;

  DemoStories(
      Estimates estimates,
      PlanSteps steps,
      StepSupply supply,
      Proofs proofs,
      Mornings mornings,
      BenchStories benchStories) {
    this.estimates = estimates;
    this.steps = steps;
    this.supply = supply;
    this.proofs = proofs;
    this.mornings = mornings;
    this.benchStories = benchStories;
  }

  void tell(Map<String, Account> people, Instant now) {
    Person ines = person(people.get("ines"));
    Person bo = person(people.get("bo"));
    waitsForItsPart(mornings.of("J-2290", ines, now));
    hasItsPart(mornings.of("J-2270", ines, now));
    waitsForItsOwner(mornings.of("J-2293", bo, now));
    isInProof(mornings.of("J-2289", bo, now));
    brokeOff(mornings.of("J-2284", ines, now));
    benchStories.tell(bo, ines, now);
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
    m.at(42, job -> m.check(job, ComplaintNow.GONE, "an hour of lessons played"));
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
    m.at(35, job -> m.check(job, ComplaintNow.BROKE_OFF, "it froze while the service stopped"));
  }
}

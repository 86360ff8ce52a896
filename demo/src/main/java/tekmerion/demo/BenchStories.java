package tekmerion.demo;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.core.permit.WaiverScope;
import tekmerion.demo.Mornings.Morning;
import tekmerion.server.isolate.IsolationSession;
import tekmerion.server.isolate.Layout.Thing;
import tekmerion.server.isolate.Sort;
import tekmerion.server.job.Changes.ComplaintNow;
import tekmerion.server.job.Job;
import tekmerion.server.permit.Signing;
import tekmerion.server.permit.Waivers;
import tekmerion.server.person.Person;
import tekmerion.server.step.PlanSteps;

/** The like of {@link DemoStories}: a reset that failed, and an isolation in its third start. */
@Component
class BenchStories {
  private static final String VERIFY_FILES = "system-file-verify";

  private final PlanSteps steps;
  private final IsolationSession isolations;
  private final Signing signing;
  private final Waivers waivers;
  private final BenchReadings bench;
  private final Mornings mornings;

  BenchStories(
      PlanSteps steps,
      IsolationSession isolations,
      Signing signing,
      Waivers waivers,
      BenchReadings bench,
      Mornings mornings) {
    this.steps = steps;
    this.isolations = isolations;
    this.signing = signing;
    this.waivers = waivers;
    this.bench = bench;
    this.mornings = mornings;
  }

  void tell(Person bo, Person ines, Instant now) {
    resetFailed(mornings.of("J-2287", bo, now), ines);
    isIsolated(mornings.of("J-2294", bo, now));
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
    m.at(
        75,
        job ->
            signing.confirm(
                job.number(), job.version(), waivers.ofJob(job.id()).get(0).id(), second));
    m.at(70, job -> m.made(job, "bench-start", Map.of("bench-start.runs", "runs")));
    m.at(68, job -> m.begin(job, VERIFY_FILES));
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
    m.at(9, job -> m.check(job, ComplaintNow.BROKE_OFF, "it stopped at a third and undid itself"));
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
    m.at(55, job -> started(m, job, List.of(0, 1), StartOutcome.FAIL));
    m.at(33, job -> started(m, job, List.of(0, -1), StartOutcome.PASS));
  }

  private void started(Morning m, Job job, List<Integer> arrangement, StartOutcome outcome) {
    isolations.started(m.number, Sort.MEMORY, job.version(), arrangement, outcome, "", m.by);
  }
}

package tekmerion.server.isolate;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.finding.Finding;
import tekmerion.core.isolate.HowOften;
import tekmerion.core.isolate.Hypothesis;
import tekmerion.core.isolate.Isolation;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.core.weigh.Suspicion;
import tekmerion.server.isolate.IsolationView.Option;
import tekmerion.server.isolate.IsolationView.Suspect;
import tekmerion.server.isolate.Layout.Proposal;
import tekmerion.server.isolate.Layout.Thing;
import tekmerion.server.isolate.Starts.Setup;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobFinding;
import tekmerion.server.job.JobFindings;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Shown;
import tekmerion.server.job.Tell;
import tekmerion.server.part.PartPlace;
import tekmerion.server.part.PartService;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.weighing.WeighingService;
import tekmerion.words.Words;

/**
 * Keeps the starts of a job's isolations, of memory as of all else, and asks core what they mean.
 * What is named becomes a finding of the job.
 */
@Service
public class IsolationSession implements Shown {
  /** How often an innocent one may be named. */
  private static final double ERROR = 0.05;

  private static final int SUSPECTS_SHOWN = 8;
  private static final int OPTIONS_SHOWN = 4;

  private final Jobs jobs;
  private final JobLock lock;
  private final JobFindings findings;
  private final PartService parts;
  private final WeighingService weighing;
  private final MemorySeen memory;
  private final Starts starts;
  private final Tell tell;
  private final Clock clock;

  IsolationSession(
      Jobs jobs,
      JobLock lock,
      JobFindings findings,
      PartService parts,
      WeighingService weighing,
      MemorySeen memory,
      Starts starts,
      Tell tell,
      Clock clock) {
    this.jobs = jobs;
    this.lock = lock;
    this.findings = findings;
    this.parts = parts;
    this.weighing = weighing;
    this.memory = memory;
    this.starts = starts;
    this.tell = tell;
    this.clock = clock;
  }

  /** What the starts of a job say so far. */
  record Progress(Setup setup, List<Start> starts, Isolation isolation) {
    Optional<Hypothesis> named() {
      return isolation.named(ERROR);
    }
  }

  /** Empty until somebody said what there is. */
  Optional<Progress> progress(Job job, Sort sort) {
    return starts.setup(job.id(), sort).map(setup -> progress(job, setup));
  }

  private Progress progress(Job job, Setup setup) {
    List<Start> made = starts.of(setup);
    Isolation isolation = new Isolation(setup.layout().hypotheses(), often(job.id()));
    for (Start start : made) {
      if (!setup.layout().isPossible(start.arrangement())) {
        // Only an archive could bring one: it is refused then, see Shown.
        throw new IllegalStateException("start %d cannot be arranged so".formatted(start.id()));
      }
      isolation.observe(setup.layout().bits(start.arrangement()), start.outcome());
    }
    return new Progress(setup, made, isolation);
  }

  /** What the owner said of how often it comes. */
  private HowOften often(Long jobId) {
    return HowOften.of(
        findings.standing(jobId).stream()
            .filter(s -> s.id().equals("often"))
            .map(Finding::level)
            .findFirst()
            .orElse(""));
  }

  @Override
  @Transactional(readOnly = true)
  public void mustShow(String jobNumber) {
    for (Sort sort : Sort.values()) {
      view(jobNumber, sort);
    }
  }

  @Transactional(readOnly = true)
  public IsolationView view(String number, Sort sort) {
    Job job = jobs.named(number);
    return view(job, sort, progress(job, sort));
  }

  IsolationView view(Job job, Sort sort, Optional<Progress> progress) {
    return new IsolationView(
        job.number(),
        job.version(),
        job.machine().name(),
        sort,
        sort.title(),
        progress.map(p -> p.setup().layout().things()).orElse(List.of()),
        progress.map(Progress::starts).orElse(List.of()),
        progress.map(IsolationSession::suspects).orElse(List.of()),
        progress.flatMap(Progress::named).map(Hypothesis::words).orElse(null),
        progress.filter(p -> p.named().isEmpty()).map(IsolationSession::options).orElse(List.of()),
        ERROR);
  }

  private static List<Suspect> suspects(Progress progress) {
    boolean anyStart = !progress.starts().isEmpty();
    return progress.isolation().suspicions().stream()
        .limit(SUSPECTS_SHOWN)
        .map(
            x ->
                new Suspect(
                    x.hypothesis().words(), x.probability(), suspicion(x.probability(), anyStart)))
        .toList();
  }

  /** As for causes; below two hundredths it is cleared. */
  private static Suspicion suspicion(double probability, boolean anyStart) {
    if (probability >= 1 - ERROR) {
      return Suspicion.IMPLICATED;
    }
    if (probability >= 0.35) {
      return Suspicion.LEANING;
    }
    if (!anyStart) {
      return Suspicion.UNKNOWN;
    }
    if (probability >= 0.1) {
      return Suspicion.OPEN;
    }
    return probability < 0.02 ? Suspicion.CLEARED : Suspicion.LEANING_CLEAR;
  }

  /** What tells most for its minutes first. Nothing was tried yet: as it came. */
  private static List<Option> options(Progress progress) {
    Layout layout = progress.setup().layout();
    List<Start> made = progress.starts();
    if (made.isEmpty()) {
      List<Integer> asItCame = layout.asItCame();
      return List.of(
          option(
              layout,
              new Proposal(
                  asItCame,
                  progress.isolation().bits(layout.bits(asItCame)),
                  progress.setup().sort().startMinutes())));
    }
    return layout
        .proposals(progress.isolation(), made.get(made.size() - 1).arrangement())
        .sorted(Comparator.comparingDouble(Proposal::bitsPerMinute).reversed())
        .limit(OPTIONS_SHOWN)
        .map(p -> option(layout, p))
        .toList();
  }

  private static Option option(Layout layout, Proposal proposal) {
    return new Option(
        proposal.arrangement(),
        layout.words(proposal.arrangement()),
        proposal.bits(),
        proposal.minutes());
  }

  /**
   * Says what there is; starts that were made before count no more.
   *
   * @throws Refusal 400 if that cannot be isolated
   */
  @Transactional
  public void setUp(String number, Sort sort, long version, List<Thing> said, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    List<Thing> things = sort == Sort.MEMORY ? memory.of(job).knownAgain(said) : said;
    Layout layout;
    try {
      layout = sort.layout(things);
    } catch (IllegalArgumentException e) {
      throw Refusal.badRequest(sort.takes(), say("isolate.name-what-is-there"));
    }
    starts.setUp(job.id(), sort, things, by);
    judged(job, mustBeSetUp(job, sort));
    journal(
        job,
        () -> say("isolate.isolation", "title", Words.lowerFirst(sort.title())),
        layout::size,
        by);
  }

  /**
   * @throws Refusal 400 if it cannot be arranged so, 409 before anybody said what there is
   */
  @Transactional
  public void started(
      String number,
      Sort sort,
      long version,
      List<Integer> arrangement,
      StartOutcome outcome,
      String note,
      Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Setup setup = mustBeSetUp(job, sort);
    if (!setup.layout().isPossible(arrangement)) {
      throw Refusal.badRequest(say("isolate.it-cannot-be-arranged-like-that"), sort.arrangedSo());
    }
    starts.add(setup, arrangement, outcome, note, null, by);
    judged(job, setup);
    journal(
        job,
        () -> say("isolate.started-with", "arrangement", setup.layout().words(arrangement)),
        () -> sort.words(outcome) + (note.isBlank() ? "" : ": " + note.strip()),
        by);
  }

  /** Undo of a slip: the start counts no more. */
  @Transactional
  public void takeBack(String number, Sort sort, long version, long start, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Setup setup = mustBeSetUp(job, sort);
    Start slip =
        starts.of(setup).stream()
            .filter(s -> s.id() == start)
            .findFirst()
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        say("isolate.this-start-counts-no-more"),
                        say("isolate.load-the-job-again")));
    starts.add(setup, slip.arrangement(), slip.outcome(), "", start, by);
    judged(job, setup);
    journal(
        job,
        () -> say("isolate.start-taken-back"),
        () -> setup.layout().words(slip.arrangement()),
        by);
  }

  /** What is named, or no longer is, becomes a finding; of a chain it is one of its drive. */
  private void judged(Job job, Setup setup) {
    Optional<Hypothesis> named = progress(job, setup).named();
    String part =
        setup.sort() != Sort.CHAIN
            ? Finding.MACHINE
            : parts.inMachine(job.machine().id()).stream()
                .findFirst()
                .map(PartPlace::partKey)
                .orElse("drive-a");
    findings.save(
        JobFinding.ofMove(
            job.id(),
            part,
            setup.sort().finding(),
            named.map(setup.layout()::level).orElse(null),
            Words.kept(
                () ->
                    named
                        .map(h -> say("isolate.isolation-2", "h", h.words()))
                        .orElse(say("isolate.not-named"))),
            clock.instant()));
    weighing.reweigh(job);
  }

  private void journal(Job job, Supplier<String> title, Supplier<String> detail, Person by) {
    tell.journal(job, JournalEntry.Kind.MOVE, title, detail, by);
  }

  private Setup mustBeSetUp(Job job, Sort sort) {
    return starts
        .setup(job.id(), sort)
        .orElseThrow(
            () ->
                Refusal.notPossibleNow(
                    say("isolate.nobody-said-yet-what-there-is"),
                    say("isolate.name-the-things-first")));
  }
}

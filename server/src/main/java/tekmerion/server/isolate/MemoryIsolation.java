package tekmerion.server.isolate;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.finding.Finding;
import tekmerion.core.isolate.Hypothesis;
import tekmerion.core.isolate.Isolation;
import tekmerion.core.isolate.Slots;
import tekmerion.core.isolate.Slots.Placement;
import tekmerion.core.isolate.Slots.Proposed;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.core.weigh.Suspicion;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobFinding;
import tekmerion.server.job.JobFindings;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.RunView;
import tekmerion.server.weighing.WeighingService;

/** Keeps the starts of a job and asks core what they mean. */
@Service
public class MemoryIsolation {
  private static final String FINDING = "isolation.memory";

  private static final double MEANWHILE_SURE = 0.9;
  private static final int OPTIONS_SHOWN = 4;

  /** A start with a test, and opening the case for it: judgement, range half to double. */
  private static final double START_MINUTES = 6;

  private static final double OPEN_MINUTES = 5;

  private final Jobs jobs;
  private final JobLock lock;
  private final JobFindings findings;
  private final WeighingService weighing;
  private final MemorySeen memory;
  private final Tell tell;
  private final JdbcClient jdbc;
  private final Clock clock;

  /**
   * A start that was made and stands.
   *
   * @param placement module by slot, from 0; -1 for empty
   */
  @Schema(name = "SwapStart")
  public record Start(
      long id, List<Integer> placement, StartOutcome outcome, String note, String by, Instant at) {}

  /**
   * A slot as the firmware tells of it.
   *
   * @param module in words; null if it is empty
   * @param serial null if not reported
   */
  @Schema(name = "SlotSeen")
  public record Seen(
      String slot,
      @Schema(nullable = true) String module,
      @Schema(nullable = true) String serial) {}

  /** Somebody under suspicion. */
  @Schema(name = "SwapSuspect")
  public record Suspect(String words, double probability, Suspicion suspicion) {}

  /**
   * An arrangement that could be tried.
   *
   * @param minutes to place and start it so
   */
  @Schema(name = "SwapOption")
  public record Option(List<Integer> placement, String words, double bits, double minutes) {}

  /**
   * @param seen what the machine itself last told of its slots; empty if nobody read it
   * @param seenAt null if nobody read it
   * @param placedNow modules by slot as they sit now by their serials, as in a start; null if they
   *     are not known or no longer the same
   * @param runs marches, newest first
   * @param canTestMemory null if a memory test can be started now, else why not
   * @param replacement what to buy for the module that is named; null if that is not known
   * @param modules empty until somebody said what there is
   * @param suspects likeliest first
   * @param named who is to blame, if that is sure enough
   * @param options what tells most for its minutes first; empty when somebody is named
   * @param meanwhile with what it may go home until the part comes; null if that is not sure
   * @param error how often an innocent one may be named
   */
  @Schema(name = "MemoryView")
  public record View(
      String number,
      long version,
      String machine,
      List<Seen> seen,
      @Schema(nullable = true) Instant seenAt,
      @Schema(nullable = true) List<Integer> placedNow,
      List<RunView> runs,
      @Schema(nullable = true) String canTestMemory,
      @Schema(nullable = true) String replacement,
      List<String> modules,
      List<String> slots,
      List<Start> starts,
      List<Suspect> suspects,
      @Schema(nullable = true) String named,
      List<Option> options,
      @Schema(nullable = true) String meanwhile,
      double error) {}

  private record Setup(long id, List<String> modules, List<String> slots, List<String> serials) {
    Slots slotsOf() {
      return new Slots(modules, slots, START_MINUTES, OPEN_MINUTES);
    }
  }

  MemoryIsolation(
      Jobs jobs,
      JobLock lock,
      JobFindings findings,
      WeighingService weighing,
      MemorySeen memory,
      Tell tell,
      JdbcClient jdbc,
      Clock clock) {
    this.jobs = jobs;
    this.lock = lock;
    this.findings = findings;
    this.weighing = weighing;
    this.memory = memory;
    this.tell = tell;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public View of(String number) {
    Job job =
        jobs.findByNumber(number)
            .orElseThrow(() -> Refusal.notFound("There is no job %s.".formatted(number)));
    Optional<Setup> setup = setup(job);
    MemorySeen.Look look = memory.of(job);
    if (setup.isEmpty()) {
      return new View(
          number,
          job.version(),
          job.machine().name(),
          look.slots(),
          look.at(),
          null,
          look.runs(),
          look.canTestMemory(),
          null,
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          null,
          List.of(),
          null,
          Suspicions.ERROR);
    }
    Setup s = setup.get();
    Slots slots = s.slotsOf();
    List<Start> starts = starts(s);
    Isolation isolation = isolation(job, slots, starts);
    Optional<Hypothesis> named = isolation.named(Suspicions.ERROR);
    return new View(
        number,
        job.version(),
        job.machine().name(),
        look.slots(),
        look.at(),
        look.placement(s.serials(), s.slots().size()),
        look.runs(),
        look.canTestMemory(),
        named.map(h -> replacement(s, h, look)).orElse(null),
        s.modules(),
        s.slots(),
        starts,
        isolation.suspicions().stream()
            .map(
                x ->
                    new Suspect(
                        x.hypothesis().words(),
                        x.probability(),
                        Suspicions.suspicion(x.probability(), !starts.isEmpty())))
            .toList(),
        named.map(Hypothesis::words).orElse(null),
        named.isPresent() ? List.of() : options(s, slots, isolation, starts),
        slots.meanwhile(isolation, MEANWHILE_SURE).map(p -> words(s, p)).orElse(null),
        Suspicions.ERROR);
  }

  /** What to buy for the one module that is named. */
  private static String replacement(Setup setup, Hypothesis named, MemorySeen.Look look) {
    int module = Long.numberOfTrailingZeros(named.needs());
    return Long.bitCount(named.needs()) == 1 && module < setup.serials().size()
        ? look.replacement(setup.serials().get(module))
        : null;
  }

  /**
   * Says what there is to swap; starts that were made before count no more. Modules that the
   * machine itself told of are known again by their serials.
   */
  @Transactional
  public void setUp(
      String number, long version, List<String> modules, List<String> slots, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    try {
      new Slots(modules, slots, START_MINUTES, OPEN_MINUTES);
    } catch (IllegalArgumentException e) {
      throw Refusal.badRequest(
          "Swapping takes one to four modules, and as many slots or more, up to four.",
          "Name what is there.");
    }
    jdbc.sql(
            "INSERT INTO swap_setup (job_id, modules, slots, serials, set_by, set_at)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            String.join("|", modules),
            String.join("|", slots),
            memory.of(job).serialsOf(modules.size()),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
    judged(job);
    tell.journal(
        job,
        JournalEntry.Kind.MOVE,
        "Isolation of memory",
        "%d modules, %d slots".formatted(modules.size(), slots.size()),
        by);
  }

  /**
   * @param placement module by slot, from 0; -1 for empty
   * @throws Refusal 400 if that cannot be placed, 409 before anybody said what there is
   */
  @Transactional
  public void started(
      String number,
      long version,
      List<Integer> placement,
      StartOutcome outcome,
      String note,
      Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Setup setup = mustBeSetUp(job);
    boolean possible =
        placement.size() == setup.slots().size()
            && placement.stream().allMatch(m -> m >= -1 && m < setup.modules().size())
            && placement.stream().anyMatch(m -> m >= 0)
            && placement.stream().filter(m -> m >= 0).distinct().count()
                == placement.stream().filter(m -> m >= 0).count();
    if (!possible) {
      throw Refusal.badRequest(
          "The modules cannot be placed like that.",
          "One module sits in one slot, and one at least is in.");
    }
    keep(setup, placement, outcome, note, null, by);
    judged(job);
    tell.journal(
        job,
        JournalEntry.Kind.MOVE,
        "Started with " + words(setup, new Placement(placement)),
        words(outcome) + (note.isBlank() ? "" : ": " + note.strip()),
        by);
  }

  /** Undo of a slip: the start counts no more. */
  @Transactional
  public void takeBack(String number, long version, long start, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Setup setup = mustBeSetUp(job);
    Start slip =
        starts(setup).stream()
            .filter(s -> s.id() == start)
            .findFirst()
            .orElseThrow(
                () -> Refusal.notPossibleNow("This start counts no more.", "Load the job again."));
    keep(setup, slip.placement(), slip.outcome(), "", start, by);
    judged(job);
    tell.journal(
        job,
        JournalEntry.Kind.MOVE,
        "Start taken back",
        words(setup, new Placement(slip.placement())),
        by);
  }

  /** What is named, or no longer is, becomes a finding. */
  private void judged(Job job) {
    Setup setup = mustBeSetUp(job);
    Isolation isolation = isolation(job, setup.slotsOf(), starts(setup));
    Optional<Hypothesis> named = isolation.named(Suspicions.ERROR);
    findings.save(
        JobFinding.ofMove(
            job.id(),
            Finding.MACHINE,
            FINDING,
            named.map(h -> level(setup, h)).orElse(null),
            named.map(h -> "Isolation by swapping: " + h.words()).orElse("not named"),
            clock.instant()));
    weighing.reweigh(job);
  }

  private static String level(Setup setup, Hypothesis named) {
    int first = Long.numberOfTrailingZeros(named.needs());
    int modules = setup.modules().size();
    if (named.isNoneOfThese()) {
      return "none-of-these";
    }
    if (Long.bitCount(named.needs()) > 1) {
      return "pair";
    }
    return first < modules ? "module" : first < modules + setup.slots().size() ? "slot" : "contact";
  }

  private Isolation isolation(Job job, Slots slots, List<Start> starts) {
    Isolation isolation = new Isolation(slots.hypotheses(), Suspicions.often(findings, job.id()));
    starts.forEach(
        s -> isolation.observe(slots.arrangement(new Placement(s.placement())), s.outcome()));
    return isolation;
  }

  /** Those that tell most for their minutes, the best first. */
  private List<Option> options(Setup setup, Slots slots, Isolation isolation, List<Start> starts) {
    Placement now =
        starts.isEmpty()
            ? asItCame(setup)
            : new Placement(starts.get(starts.size() - 1).placement());
    return slots.proposals(isolation, now).stream()
        .sorted(Comparator.comparingDouble((Proposed p) -> p.start().bitsPerMinute()).reversed())
        .limit(OPTIONS_SHOWN)
        .map(
            p ->
                new Option(
                    p.placement().moduleIn(),
                    words(setup, p.placement()),
                    p.start().bits(),
                    p.start().minutes()))
        .toList();
  }

  private static Placement asItCame(Setup setup) {
    List<Integer> placed = new ArrayList<>();
    for (int slot = 0; slot < setup.slots().size(); slot++) {
      placed.add(slot < setup.modules().size() ? slot : -1);
    }
    return new Placement(placed);
  }

  private static String words(Setup setup, Placement placement) {
    List<String> placed = new ArrayList<>();
    for (int slot = 0; slot < setup.slots().size(); slot++) {
      int module = placement.moduleIn().get(slot);
      if (module >= 0) {
        placed.add("%s in %s".formatted(setup.modules().get(module), setup.slots().get(slot)));
      }
    }
    return placed.size() == 1 ? "only " + placed.get(0) : String.join(", ", placed);
  }

  private static String words(StartOutcome outcome) {
    return switch (outcome) {
      case PASS -> "passed";
      case FAIL -> "failed";
      case INCONCLUSIVE -> "nobody could tell";
    };
  }

  private Optional<Setup> setup(Job job) {
    return jdbc.sql(
            "SELECT id, modules, slots, serials FROM swap_setup WHERE job_id = ? ORDER BY id DESC LIMIT 1")
        .param(job.id())
        .query(
            (rs, n) ->
                new Setup(
                    rs.getLong(1),
                    List.of(rs.getString(2).split("\\|")),
                    List.of(rs.getString(3).split("\\|")),
                    rs.getString(4) == null ? List.of() : List.of(rs.getString(4).split("\\|"))))
        .optional();
  }

  private Setup mustBeSetUp(Job job) {
    return setup(job)
        .orElseThrow(
            () ->
                Refusal.notPossibleNow(
                    "Nobody said yet which modules and slots there are.", "Name them first."));
  }

  private List<Start> starts(Setup setup) {
    record Row(Start start, Long takesBack) {}
    List<Row> rows =
        jdbc.sql(
                "SELECT s.id, s.placement, s.outcome, s.note, a.display_name, s.made_at,"
                    + " s.takes_back FROM swap_start s JOIN account a ON a.id = s.made_by"
                    + " WHERE s.setup_id = ? ORDER BY s.id")
            .param(setup.id())
            .query(
                (rs, n) ->
                    new Row(
                        new Start(
                            rs.getLong(1),
                            Arrays.stream(rs.getString(2).split(","))
                                .map(Integer::valueOf)
                                .toList(),
                            StartOutcome.valueOf(rs.getString(3)),
                            rs.getString(4),
                            rs.getString(5),
                            rs.getTimestamp(6).toInstant()),
                        rs.getObject(7, Long.class)))
            .list();
    List<Long> back = rows.stream().map(Row::takesBack).filter(id -> id != null).toList();
    return rows.stream()
        .filter(row -> row.takesBack() == null && !back.contains(row.start().id()))
        .map(Row::start)
        .toList();
  }

  private void keep(
      Setup setup,
      List<Integer> placement,
      StartOutcome outcome,
      String note,
      Long back,
      Person by) {
    jdbc.sql(
            "INSERT INTO swap_start (setup_id, placement, outcome, note, takes_back, made_by,"
                + " made_at) VALUES (?, ?, ?, ?, ?, ?, ?)")
        .params(
            setup.id(),
            placement.stream().map(String::valueOf).collect(Collectors.joining(",")),
            outcome.name(),
            note.strip(),
            back,
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }
}

package tekmerion.server.isolate;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.finding.Finding;
import tekmerion.core.isolate.Hypothesis;
import tekmerion.core.isolate.Isolation;
import tekmerion.core.isolate.NextStart;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.server.isolate.MemoryIsolation.Suspect;
import tekmerion.server.isolate.Things.Thing;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobFinding;
import tekmerion.server.job.JobFindings;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.part.PartPlace;
import tekmerion.server.part.PartService;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.weighing.WeighingService;
import tools.jackson.databind.json.JsonMapper;

/** Keeps the starts of an isolation by putting things in and out of play; core says the rest. */
@Service
public class ThingsIsolation {
  private static final int SUSPECTS_SHOWN = 8;

  private final Jobs jobs;
  private final JobLock lock;
  private final JobFindings findings;
  private final PartService parts;
  private final WeighingService weighing;
  private final Tell tell;
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  /**
   * @param kind empty unless it is of a chain
   */
  @Schema(name = "ThingNamed")
  public record Named(String kind, String name) {}

  /**
   * A start that was made and stands.
   *
   * @param inPlay indexes of the things
   */
  @Schema(name = "ThingStart")
  public record Start(
      long id, List<Integer> inPlay, StartOutcome outcome, String note, String by, Instant at) {}

  /** What to try next. */
  @Schema(name = "ThingProposal")
  public record Proposal(List<Integer> inPlay, String words, double bits, double minutes) {}

  /**
   * @param things empty until somebody said what there is
   * @param suspects likeliest first
   * @param named what is to blame, if that is sure enough
   * @param next null when something is named
   * @param error how often an innocent one may be named
   */
  @Schema(name = "ThingsView")
  public record View(
      String number,
      long version,
      String machine,
      Sort sort,
      String title,
      List<Named> things,
      List<Start> starts,
      List<Suspect> suspects,
      @Schema(nullable = true) String named,
      @Schema(nullable = true) Proposal next,
      double error) {}

  private record Setup(long id, Things things, List<Thing> named) {}

  ThingsIsolation(
      Jobs jobs,
      JobLock lock,
      JobFindings findings,
      PartService parts,
      WeighingService weighing,
      Tell tell,
      JdbcClient jdbc,
      JsonMapper json,
      Clock clock) {
    this.jobs = jobs;
    this.lock = lock;
    this.findings = findings;
    this.parts = parts;
    this.weighing = weighing;
    this.tell = tell;
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public View of(String number, Sort sort) {
    Job job =
        jobs.findByNumber(number)
            .orElseThrow(() -> Refusal.notFound("There is no job %s.".formatted(number)));
    Optional<Setup> setup = setup(job, sort);
    if (setup.isEmpty()) {
      return new View(
          number,
          job.version(),
          job.machine().name(),
          sort,
          sort.title(),
          List.of(),
          List.of(),
          List.of(),
          null,
          null,
          Suspicions.ERROR);
    }
    Setup s = setup.get();
    List<Start> starts = starts(s);
    Isolation isolation = isolation(job, s, starts);
    Optional<Hypothesis> named = isolation.named(Suspicions.ERROR);
    return new View(
        number,
        job.version(),
        job.machine().name(),
        sort,
        sort.title(),
        s.named().stream().map(t -> new Named(t.kind(), t.name())).toList(),
        starts,
        isolation.suspicions().stream()
            .limit(SUSPECTS_SHOWN)
            .map(
                x ->
                    new Suspect(
                        x.hypothesis().words(),
                        x.probability(),
                        Suspicions.suspicion(x.probability(), !starts.isEmpty())))
            .toList(),
        named.map(Hypothesis::words).orElse(null),
        named.isPresent() ? null : next(s, isolation, starts),
        Suspicions.ERROR);
  }

  private static Proposal next(Setup setup, Isolation isolation, List<Start> starts) {
    Things things = setup.things();
    long now =
        starts.isEmpty() ? things.asItCame() : Things.mask(starts.get(starts.size() - 1).inPlay());
    NextStart next =
        starts.isEmpty()
            ? new NextStart(things.asItCame(), isolation.bits(things.asItCame()), 1)
            : things.next(isolation, now);
    return new Proposal(
        Things.indexes(next.arrangement()),
        things.words(next.arrangement()),
        next.bits(),
        next.minutes());
  }

  /** Says what there is; starts that were made before count no more. */
  @Transactional
  public void setUp(String number, Sort sort, long version, List<Named> named, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    List<Thing> things = named.stream().map(n -> new Thing(n.kind(), n.name().strip())).toList();
    try {
      new Things(sort, things);
    } catch (IllegalArgumentException e) {
      throw Refusal.badRequest(
          sort == Sort.CHAIN
              ? "A chain has two kinds at least, each with what it came with first."
              : "Isolation takes 2 to 64 things.",
          "Name what is there.");
    }
    jdbc.sql(
            "INSERT INTO thing_setup (job_id, sort, things, set_by, set_at) VALUES (?, ?, ?, ?, ?)")
        .params(
            job.id(),
            sort.name(),
            json.writeValueAsString(things),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
    judged(job, sort);
    tell.journal(
        job,
        JournalEntry.Kind.MOVE,
        "Isolation: " + sort.title().toLowerCase(Locale.ROOT),
        "%d things".formatted(things.size()),
        by);
  }

  /**
   * @param inPlay indexes of the things
   * @throws Refusal 400 if that cannot be, 409 before anybody said what there is
   */
  @Transactional
  public void started(
      String number,
      Sort sort,
      long version,
      List<Integer> inPlay,
      StartOutcome outcome,
      String note,
      Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Setup setup = mustBeSetUp(job, sort);
    long mask = Things.mask(inPlay);
    if (inPlay.stream().anyMatch(i -> i >= setup.named().size())
        || !setup.things().isPossible(mask)) {
      throw Refusal.badRequest(
          "They cannot be put in play like that.",
          sort == Sort.CHAIN ? "Exactly one of each kind is in play." : "Load the job again.");
    }
    keep(setup, mask, outcome, note, null, by);
    judged(job, sort);
    tell.journal(
        job,
        JournalEntry.Kind.MOVE,
        "Tried with " + setup.things().words(mask),
        words(outcome) + (note.isBlank() ? "" : ": " + note.strip()),
        by);
  }

  /** Undo of a slip: the start counts no more. */
  @Transactional
  public void takeBack(String number, Sort sort, long version, long start, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    Setup setup = mustBeSetUp(job, sort);
    Start slip =
        starts(setup).stream()
            .filter(s -> s.id() == start)
            .findFirst()
            .orElseThrow(
                () -> Refusal.notPossibleNow("This start counts no more.", "Load the job again."));
    keep(setup, Things.mask(slip.inPlay()), slip.outcome(), "", start, by);
    judged(job, sort);
    tell.journal(
        job,
        JournalEntry.Kind.MOVE,
        "Try taken back",
        setup.things().words(Things.mask(slip.inPlay())),
        by);
  }

  /** What is named, or no longer is, becomes a finding; of a chain it is one of its drive. */
  private void judged(Job job, Sort sort) {
    Setup setup = mustBeSetUp(job, sort);
    Optional<Hypothesis> named = isolation(job, setup, starts(setup)).named(Suspicions.ERROR);
    String part =
        sort != Sort.CHAIN
            ? Finding.MACHINE
            : parts.inMachine(job.machine().id()).stream()
                .findFirst()
                .map(PartPlace::partKey)
                .orElse("drive-a");
    findings.save(
        JobFinding.ofMove(
            job.id(),
            part,
            sort.finding(),
            named.map(setup.things()::level).orElse(null),
            named.map(h -> "Isolation by halves and swaps: " + h.words()).orElse("not named"),
            clock.instant()));
    weighing.reweigh(job);
  }

  private Isolation isolation(Job job, Setup setup, List<Start> starts) {
    Isolation isolation =
        new Isolation(setup.things().hypotheses(), Suspicions.often(findings, job.id()));
    starts.forEach(s -> isolation.observe(Things.mask(s.inPlay()), s.outcome()));
    return isolation;
  }

  private static String words(StartOutcome outcome) {
    return switch (outcome) {
      case PASS -> "it ran";
      case FAIL -> "it failed";
      case INCONCLUSIVE -> "nobody could tell";
    };
  }

  private Optional<Setup> setup(Job job, Sort sort) {
    return jdbc.sql(
            "SELECT id, things FROM thing_setup WHERE job_id = ? AND sort = ? ORDER BY id DESC"
                + " LIMIT 1")
        .params(job.id(), sort.name())
        .query(
            (rs, n) -> {
              List<Thing> things = Arrays.asList(json.readValue(rs.getString(2), Thing[].class));
              return new Setup(rs.getLong(1), new Things(sort, things), things);
            })
        .optional();
  }

  private Setup mustBeSetUp(Job job, Sort sort) {
    return setup(job, sort)
        .orElseThrow(
            () ->
                Refusal.notPossibleNow("Nobody said yet what there is.", "Name the things first."));
  }

  private List<Start> starts(Setup setup) {
    record Row(Start start, Long takesBack) {}
    List<Row> rows =
        jdbc.sql(
                "SELECT s.id, s.in_play, s.outcome, s.note, a.display_name, s.made_at, s.takes_back"
                    + " FROM thing_start s JOIN account a ON a.id = s.made_by"
                    + " WHERE s.setup_id = ? ORDER BY s.id")
            .param(setup.id())
            .query(
                (rs, n) ->
                    new Row(
                        new Start(
                            rs.getLong(1),
                            Things.indexes(rs.getLong(2)),
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
      Setup setup, long mask, StartOutcome outcome, String note, Long back, Person by) {
    jdbc.sql(
            "INSERT INTO thing_start (setup_id, in_play, outcome, note, takes_back, made_by,"
                + " made_at) VALUES (?, ?, ?, ?, ?, ?, ?)")
        .params(
            setup.id(),
            mask,
            outcome.name(),
            note.strip(),
            back,
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }
}

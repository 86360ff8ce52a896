package tekmerion.server.floor;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import tekmerion.core.forecast.LikelyEnd;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.words.Sentences;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.floor.FloorController.Acts;
import tekmerion.server.floor.FloorController.BayJob;
import tekmerion.server.floor.FloorController.BayView;
import tekmerion.server.floor.FloorController.DueCopy;
import tekmerion.server.floor.FloorController.Floor;
import tekmerion.server.floor.FloorController.FloorJob;
import tekmerion.server.floor.FloorController.Link;
import tekmerion.server.floor.FloorController.OldBackup;
import tekmerion.server.floor.FloorController.Span;
import tekmerion.server.floor.FloorController.SpanKind;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Shown;
import tekmerion.server.person.Person;
import tekmerion.server.probe.ProbeViews;
import tekmerion.server.probe.ProbeViews.ProbeView;
import tekmerion.server.run.CopiesOfJob;
import tekmerion.server.run.DataRuns;
import tekmerion.server.run.Run;
import tekmerion.server.run.RunWords;
import tekmerion.server.run.Runs;
import tekmerion.server.supply.PartSupplies;
import tekmerion.server.transaction.DatabaseGone;

/** Puts the floor together: a fixed number of statements, however many jobs are in the shop. */
@Service
class Lanes implements Shown {
  private static final Logger LOG = LoggerFactory.getLogger(Lanes.class);
  private static final int MAX_DUE_COPIES = 12;
  private static final Duration INTAKE_SHOWN = Duration.ofMinutes(15);
  private final Jobs jobs;
  private final Bays bays;
  private final ProbeViews probes;
  private final Typicals typicals;
  private final Runs runs;
  private final DataRuns dataRuns;
  private final OpenHours hours;
  private final PartSupplies supplies;
  private final WorkLines work;
  private final FloorRows rows;
  private final Clock clock;
  private final String shop;

  Lanes(
      Jobs jobs,
      Bays bays,
      ProbeViews probes,
      Typicals typicals,
      Runs runs,
      DataRuns dataRuns,
      OpenHours hours,
      PartSupplies supplies,
      WorkLines work,
      FloorRows rows,
      Clock clock,
      TekmerionProperties properties) {
    this.jobs = jobs;
    this.bays = bays;
    this.probes = probes;
    this.typicals = typicals;
    this.runs = runs;
    this.dataRuns = dataRuns;
    this.hours = hours;
    this.supplies = supplies;
    this.work = work;
    this.rows = rows;
    this.clock = clock;
    this.shop = properties.shop().name();
  }

  @Override
  public void mustShow(String jobNumber) {
    Job job = jobs.findByNumber(jobNumber).orElseThrow();
    if (job.endedAt() == null) {
      view(
          job,
          rows.families().getOrDefault(job.id(), List.of()),
          rows.stretches().getOrDefault(job.id(), List.of()),
          null,
          false,
          null,
          outlook(clock.instant()));
    }
  }

  private Outlook outlook(Instant now) {
    return new Outlook(typicals.now(), supplies.expected(), work.now(), hours, now);
  }

  Floor floor(Person person, Optional<OldBackup> oldBackup) {
    Instant now = clock.instant();
    Map<Long, ProbeView> probeByBay = probes.all();
    List<Job> open = jobs.findByEndedAtIsNullOrderByTakenInAt();
    Map<Long, List<Span>> spans = rows.stretches();
    Map<Long, List<String>> families = rows.families();
    Set<Long> shared = rows.sharedWith(person);
    Map<Long, Integer> bayByJob = new HashMap<>();
    List<Bay> all = bays.findAllByOrderByNumber();
    all.stream()
        .filter(bay -> bay.job() != null)
        .forEach(bay -> bayByJob.put(bay.job().id(), bay.number()));
    Map<Long, Run> running =
        runs.running().stream()
            .collect(Collectors.toMap(Run::jobId, Function.identity(), (one, other) -> one));
    Outlook outlook = outlook(now);
    Map<Long, FloorJob> views = new HashMap<>();
    List<FloorJob> lanes = new ArrayList<>();
    for (Job job : open) {
      boolean mine =
          shared.contains(job.id()) || (job.holder() != null && job.holder().id() == person.id());
      FloorJob view =
          viewOrNote(
              job,
              families.getOrDefault(job.id(), List.of()),
              spans.getOrDefault(job.id(), List.of()),
              bayByJob.get(job.id()),
              mine,
              running.get(job.id()),
              outlook);
      views.put(job.id(), view);
      lanes.add(view);
    }
    List<BayView> bayViews =
        all.stream()
            .map(
                bay ->
                    new BayView(
                        bay.number(),
                        link(probeByBay.get(bay.id())),
                        bay.job() == null || !views.containsKey(bay.job().id())
                            ? null
                            : inBay(views.get(bay.job().id()))))
            .toList();
    return new Floor(
        now,
        shop,
        nextFree(bayViews, lanes),
        bayViews,
        lanes,
        dueCopies(now),
        oldBackup.orElse(null));
  }

  /** What is due longest first; the others come when these are done. */
  private List<DueCopy> dueCopies(Instant now) {
    List<DataRuns.LeftCopy> left =
        dataRuns.copiesOfJobsEndedBefore(now.minus(CopiesOfJob.KEPT), MAX_DUE_COPIES);
    Map<Long, Job> ended =
        jobs.findAllById(left.stream().map(DataRuns.LeftCopy::jobId).toList()).stream()
            .collect(Collectors.toMap(Job::id, Function.identity()));
    return left.stream()
        .map(
            copy -> {
              Job job = ended.get(copy.jobId());
              return new DueCopy(
                  job.number(),
                  job.machine().name(),
                  copy.partKey(),
                  job.endedAt().plus(CopiesOfJob.KEPT));
            })
        .toList();
  }

  private static Instant nextFree(List<BayView> bays, List<FloorJob> lanes) {
    if (bays.stream().anyMatch(bay -> bay.job() == null)) {
      return null;
    }
    return lanes.stream()
        .filter(job -> job.bay() != null)
        .map(job -> job.likelyEnd().likely())
        .min(Comparator.naturalOrder())
        .orElse(null);
  }

  /** A job that cannot be shown stands there as that, and takes nothing else with it. */
  private FloorJob viewOrNote(
      Job job,
      List<String> families,
      List<Span> work,
      Integer bay,
      boolean mine,
      Run run,
      Outlook outlook) {
    try {
      return view(job, families, work, bay, mine, run, outlook);
    } catch (RuntimeException e) {
      if (DatabaseGone.isBehind(e)) {
        throw e; // nothing is wrong with the job
      }
      LOG.error("job {} cannot be shown on the floor", job.number(), e);
      Instant now = outlook.now();
      LikelyEnd unknown = outlook.unknown();
      return new FloorJob(
          job.number(),
          job.machine().name(),
          job.customer().displayName(),
          job.suspicion(),
          job.headline(),
          job.stage(),
          job.dataStatus(),
          families,
          Acts.PERSON,
          say("floor.something-kept-of-it-cannot-be"),
          null,
          mine,
          job.takenInAt(),
          job.promisedAt(),
          unknown.against(null, now),
          unknown,
          0,
          List.of(),
          bay,
          null,
          null);
    }
  }

  private FloorJob view(
      Job job,
      List<String> families,
      List<Span> work,
      Integer bay,
      boolean mine,
      Run run,
      Outlook outlook) {
    Acts acts = acts(job, work);
    Instant now = outlook.now();
    LikelyEnd end = outlook.end(job, run);
    return new FloorJob(
        job.number(),
        job.machine().name(),
        job.customer().displayName(),
        job.suspicion(),
        job.headline(),
        job.stage(),
        job.dataStatus(),
        families,
        acts,
        line(job, acts, work, run, outlook),
        job.holder() == null ? null : job.holder().displayName(),
        mine,
        job.takenInAt(),
        job.promisedAt(),
        end.against(job.promisedAt(), now),
        end,
        outlook.typical().jobs(job.stage()),
        whole(job, work, acts, now),
        bay,
        run == null ? null : RunWords.brief(run),
        run == null ? null : run.share());
  }

  private static Acts acts(Job job, List<Span> work) {
    if (work.stream().anyMatch(span -> span.kind() == SpanKind.TEST && span.to() == null)) {
      return Acts.RUNNING;
    }
    return job.waitsFor() != null ? Acts.OUTSIDE : Acts.PERSON;
  }

  private static String line(Job job, Acts acts, List<Span> work, Run run, Outlook outlook) {
    if (acts == Acts.RUNNING) {
      return run == null ? say("floor.reading-a-drive") : RunWords.brief(run);
    }
    if (acts == Acts.OUTSIDE) {
      return say(
          "floor.waits-for", "waitsFor", job.waitsFor().words(), "waitsNote", job.waitsNote());
    }
    if (work.stream().anyMatch(span -> span.kind() == SpanKind.HANDS && span.to() == null)) {
      return say("floor.look-whether-the-complaint-is-gone");
    }
    if (job.contradicted() != null) {
      return say(
          "floor.look-at-the-decision-again",
          "contradicted",
          Sentences.lowerFirst(job.contradicted()));
    }
    String begun = outlook.atWork().get(job.id());
    return switch (job.stage()) {
      case READ -> begun == null ? say("floor.read-its-drive") : begun;
      case DECIDE -> begun == null ? say("floor.weigh-it-up-and-decide") : begun;
      case WORK -> begun == null ? WorkLines.begin() : begun;
      case HAND_BACK -> say("floor.ready-call-the-owner-hand-it");
    };
  }

  private static BayJob inBay(FloorJob job) {
    String line =
        switch (job.acts()) {
          case RUNNING -> job.running() == null ? say("floor.reading") : job.running();
          case OUTSIDE -> say("floor.waits");
          case PERSON ->
              switch (job.stage()) {
                case READ -> say("floor.needs-you");
                case DECIDE -> say("floor.to-decide");
                case WORK -> say("floor.decided");
                case HAND_BACK -> say("floor.ready");
              };
        };
    return new BayJob(
        job.number(), job.machine(), job.suspicion(), job.acts(), line, job.runningShare());
  }

  /** What was done, and between it waiting for a person. */
  private static List<Span> whole(Job job, List<Span> work, Acts acts, Instant now) {
    List<Span> all = new ArrayList<>();
    Instant shown = job.takenInAt().plus(INTAKE_SHOWN);
    Instant at = shown.isBefore(now) ? shown : now;
    all.add(new Span(SpanKind.TAKEN_IN, job.takenInAt(), at));
    for (Span span : work) {
      if (span.from().isAfter(at)) {
        all.add(new Span(SpanKind.WAITS_PERSON, at, span.from()));
      }
      all.add(span);
      Instant to = span.to() == null ? now : span.to();
      at = to.isAfter(at) ? to : at;
    }
    if (acts == Acts.PERSON && at.isBefore(now)) {
      all.add(new Span(SpanKind.WAITS_PERSON, at, null));
    }
    return all;
  }

  private static Link link(ProbeView probe) {
    if (probe == null) {
      return Link.NO_PROBE;
    }
    return probe.online() ? Link.ONLINE : Link.OFFLINE;
  }
}

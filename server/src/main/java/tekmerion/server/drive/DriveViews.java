package tekmerion.server.drive;

import static tekmerion.words.Words.say;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.DriveNumbers;
import tekmerion.core.drive.DriveNumbers.Number;
import tekmerion.core.drive.DriveVisit;
import tekmerion.core.drive.DriveWords;
import tekmerion.core.drive.OutlookBook;
import tekmerion.core.drive.PartReading;
import tekmerion.core.finding.Finding;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.knowhow.Hazards;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.Permissions;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.trend.KaplanMeier;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighed.FindingWeight;
import tekmerion.link.RunKind;
import tekmerion.link.RunNames;
import tekmerion.link.SurfaceScanResult;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.drive.DriveView.PageNote;
import tekmerion.server.drive.DriveView.Row;
import tekmerion.server.drive.DriveView.Stand;
import tekmerion.server.drive.DriveView.Start;
import tekmerion.server.drive.DriveView.When;
import tekmerion.server.evidence.PartNumbers;
import tekmerion.server.evidence.PartNumbers.Standing;
import tekmerion.server.evidence.ReadRequests;
import tekmerion.server.evidence.Reading;
import tekmerion.server.evidence.Visit;
import tekmerion.server.evidence.Visits;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.part.Part;
import tekmerion.server.part.PartHistory;
import tekmerion.server.part.PartPlace;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.probe.ProbeViews;
import tekmerion.server.probe.ProbeViews.ProbeView;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.Run;
import tekmerion.server.run.RunView;
import tekmerion.server.run.Runs;
import tekmerion.server.weighing.WeighingService;
import tekmerion.server.weighing.WeighingService.Evidence;

/** Puts a drive's view together. */
@Service
class DriveViews {
  private static final int MIN_LIVES = 20;
  private static final int MAX_VISITS_SHOWN = 5;
  private final Jobs jobs;
  private final Bays bays;
  private final ProbeViews probes;
  private final WeighingService weighing;
  private final Visits visits;
  private final PartNumbers numbers;
  private final PartHistory history;
  private final ReadRequests requests;
  private final Runs runs;
  private final JobPermissions permissions;
  private final ShopKnowHow knowHow;
  private final ZoneId zone;

  DriveViews(
      Jobs jobs,
      Bays bays,
      ProbeViews probes,
      WeighingService weighing,
      Visits visits,
      PartNumbers numbers,
      PartHistory history,
      ReadRequests requests,
      Runs runs,
      JobPermissions permissions,
      ShopKnowHow knowHow,
      OpenHours hours) {
    this.jobs = jobs;
    this.bays = bays;
    this.probes = probes;
    this.weighing = weighing;
    this.visits = visits;
    this.numbers = numbers;
    this.history = history;
    this.requests = requests;
    this.runs = runs;
    this.permissions = permissions;
    this.knowHow = knowHow;
    this.zone = hours.zone();
  }

  @Transactional(readOnly = true)
  DriveView of(String number, String partKey) {
    Job job = jobs.named(number);
    Evidence evidence = weighing.weigh(job);
    PartPlace place =
        evidence.drives().stream()
            .filter(p -> p.partKey().equals(partKey))
            .findFirst()
            .orElseThrow(() -> Refusal.notFound(say("drive.no-drive-of-that-name-has")));
    Part part = place.part();
    List<Visit> all = visits.of(part.id());
    Optional<PartReading> report = Optional.ofNullable(evidence.reports().get(partKey));
    Optional<DriveIdentity> identity = report.flatMap(DriveIdentity::of);
    Map<String, Number> now = all.isEmpty() ? Map.of() : all.get(all.size() - 1).said().numbers();
    OptionalDouble hours = DriveNumbers.hours(now);
    List<Finding> findings =
        evidence.findings().stream().filter(s -> s.part().equals(partKey)).toList();
    Map<String, Standing> standings =
        identity.isEmpty() || hours.isEmpty()
            ? Map.of()
            : numbers.standings(part.id(), identity.get(), now, hours.getAsDouble());
    List<KaplanMeier.Life> lives = identity.map(numbers::lives).orElse(List.of());
    Optional<ProbeView> probe =
        bays.findByJobId(job.id()).map(Bay::id).flatMap(probes::on).filter(ProbeView::online);
    List<Run> ofDrive = runs.ofDrive(part.id(), job.id(), partKey);
    Optional<CauseShare> worst = worst(evidence, c -> c.part().equals(partKey) && isDrive(c));
    Optional<CauseShare> worstHere = worst(evidence, c -> c.part().equals(partKey));
    return new DriveView(
        job.number(),
        job.machine().name(),
        partKey,
        part.id(),
        place.slot(),
        part.model(),
        part.serial(),
        identity
            .map(
                id ->
                    say(
                        "drive.firmware",
                        "describe",
                        DriveWords.describe(id, Optional.empty()),
                        "firmware",
                        id.firmware()))
            .orElse(say("drive.not-read-yet")),
        worst.map(CauseShare::suspicion).orElse(Suspicion.UNKNOWN),
        finding(
            ofDrive,
            worstHere,
            findings,
            Hazards.of(knowHow.now(), findings).decisive(partKey).isPresent()),
        permissions.of(job, evidence).drive(partKey).failing().orElse(null),
        history.metBefore(List.of(part.id()), job.id()).get(part.id()),
        probe.isPresent(),
        requests.pending(job.id()).stream()
            .anyMatch(r -> r.partKey().equals(partKey) && r.refusedWhy() == null),
        shown(all).stream().map(v -> new When(v.readingId(), v.said().takenAt(), v.job())).toList(),
        rows(shown(all), standings, identity, graveKeys(now, findings)),
        Followed.of(all.stream().map(Visit::said).toList(), graveKeys(now, findings), zone),
        now.isEmpty() ? null : OutlookBook.shipped().outlook(hours.orElse(-1), findings),
        lives.size() < MIN_LIVES ? List.of() : KaplanMeier.of(lives),
        survivalNote(lives),
        ofDrive.stream()
            .filter(r -> !r.kind().isAboutData() || isOpen(r))
            .map(RunView::of)
            .toList(),
        surveyed(ofDrive),
        starts(partKey, evidence, job, report),
        Optional.ofNullable(evidence.latest().get(partKey)).map(Reading::getId).orElse(null),
        report.map(DriveViews::pages).orElse(List.of()));
  }

  private static boolean isOpen(Run run) {
    return run.state() != Run.State.ENDED;
  }

  private static RunView surveyed(List<Run> runs) {
    return runs.stream()
        .filter(r -> r.kind() == RunKind.SURVEY && r.result() != null)
        .findFirst()
        .map(RunView::of)
        .orElse(null);
  }

  private static boolean isDrive(CauseShare cause) {
    return cause.place().equals("drive");
  }

  private static Optional<CauseShare> worst(Evidence evidence, Predicate<CauseShare> which) {
    return evidence.weighed().causes().stream()
        .filter(which)
        .max(Comparator.comparingDouble(CauseShare::probability));
  }

  /** The first, and the newest ones: what lies between is in the trends. */
  private static List<Visit> shown(List<Visit> all) {
    if (all.size() <= MAX_VISITS_SHOWN) {
      return all;
    }
    List<Visit> shown = new ArrayList<>();
    shown.add(all.get(0));
    shown.addAll(all.subList(all.size() - MAX_VISITS_SHOWN + 1, all.size()));
    return shown;
  }

  /** Numbers on whose bytes a finding rests that is not at its first, harmless level. */
  private Set<String> graveKeys(Map<String, Number> now, List<Finding> findings) {
    return now.values().stream()
        .filter(
            number ->
                findings.stream()
                    .filter(s -> s.basis().page().equals(number.page()))
                    .filter(s -> isWithin(number.offset(), s.basis()))
                    .anyMatch(
                        s ->
                            knowHow
                                    .now()
                                    .finding(s.id())
                                    .flatMap(k -> k.levelIndex(s.level()))
                                    .orElse(0)
                                > 0))
        .map(Number::key)
        .collect(Collectors.toSet());
  }

  private static boolean isWithin(int offset, Finding.Basis basis) {
    return offset >= basis.offset() && offset < basis.offset() + basis.length();
  }

  private String finding(
      List<Run> runs, Optional<CauseShare> worst, List<Finding> findings, boolean decisive) {
    if (decisive) {
      return findings.stream()
          .filter(s -> knowHow.now().decisive(s).isPresent())
          .map(Finding::words)
          .findFirst()
          .orElseThrow();
    }
    Optional<SurfaceScanResult> surface =
        runs.stream()
            .map(Run::result)
            .filter(SurfaceScanResult.class::isInstance)
            .map(SurfaceScanResult.class::cast)
            .findFirst();
    if (surface.isPresent()) {
      long bad = surface.get().badSectors();
      int slow = surface.get().slowZones().size();
      if (bad > 0) {
        return say("drive.sectors-unreadable", "n", bad);
      }
      return slow > 0
          ? say("drive.slow-nothing-unreadable-so-far", "n", slow)
          : say("drive.nothing-unreadable-so-far");
    }
    List<FindingWeight> direct =
        worst.stream().flatMap(w -> w.weights().stream()).filter(FindingWeight::direct).toList();
    return direct.stream()
        .filter(w -> w.decibans() > 0)
        .findFirst()
        .or(() -> direct.stream().findFirst())
        .map(w -> w.finding().words())
        .orElse(say("drive.nothing-known-yet"));
  }

  private List<Row> rows(
      List<Visit> visits,
      Map<String, Standing> standings,
      Optional<DriveIdentity> identity,
      Set<String> grave) {
    if (visits.isEmpty()) {
      return List.of();
    }
    DriveVisit last = visits.get(visits.size() - 1).said();
    List<Row> rows = new ArrayList<>();
    for (Number number : last.numbers().values()) {
      List<Double> values = new ArrayList<>();
      for (Visit visit : visits) {
        Number then = visit.said().numbers().get(number.key());
        values.add(then == null ? null : then.value());
      }
      Double first = visits.size() < 2 ? null : values.get(0);
      String change =
          first == null
              ? null
              : Followed.change(
                  first, number.value(), visits.get(0).said().takenAt(), last.takenAt());
      boolean bad =
          grave.contains(number.key())
              || number.harm() && (first == null ? number.value() : number.value() - first) > 0;
      rows.add(
          new Row(
              number.key(),
              number.label(),
              number.name(),
              number.unit(),
              number.rule().isEmpty() ? null : number.rule(),
              values,
              change,
              bad,
              Optional.ofNullable(standings.get(number.key()))
                  .map(s -> stand(s, identity.orElseThrow()))
                  .orElse(null),
              number.page(),
              number.offset(),
              number.length()));
    }
    rows.sort(
        Comparator.comparing((Row r) -> !r.bad())
            .thenComparing(r -> r.change() == null || r.change().equals("same"))
            .thenComparing(r -> !last.numbers().get(r.key()).harm()));
    return rows;
  }

  private static Stand stand(Standing standing, DriveIdentity identity) {
    var cohort = standing.cohort();
    String among =
        standing.among().equals("model")
            ? say(
                "drive.of-the-model-at-similar-hours",
                "others",
                cohort.others(),
                "identity",
                identity.model())
            : say(
                "drive.at-similar-hours",
                "others",
                cohort.others(),
                "solidState",
                identity.solidState().orElse(false) ? say("drive.solid-state-drives") : "disks");
    return new Stand(
        among,
        cohort.others(),
        cohort.lower(),
        cohort.median(),
        cohort.upper(),
        cohort.highest(),
        cohort.share());
  }

  private static String survivalNote(List<KaplanMeier.Life> lives) {
    long failed = lives.stream().filter(KaplanMeier.Life::failed).count();
    return lives.size() < MIN_LIVES
        ? say("drive.of-this-model-met-so-far", "count", lives.size())
        : say("drive.of-this-model-met-of-them", "count", lives.size(), "failed", failed);
  }

  private List<Start> starts(
      String partKey, Evidence evidence, Job job, Optional<PartReading> report) {
    // NVM Express 2.0, 5.9: a device self-test is short or extended; conveyance is ATA's.
    boolean nvme = report.flatMap(r -> r.answer(PageKind.NVME_SMART)).isPresent();
    Permissions permitted = permissions.of(job, evidence);
    List<Start> starts = new ArrayList<>();
    for (RunKind kind : RunKind.values()) {
      if (!kind.isOfDrive() || kind.isAboutData()) {
        continue; // what is done about the data has a view of its own
      }
      if (nvme && kind == RunKind.SELF_TEST_CONVEYANCE) {
        continue;
      }
      Permission.Locked locked =
          permitted.of(new Action.Make(kind.effects(), partKey)).locked().orElse(null);
      starts.add(
          new Start(
              kind,
              RunNames.name(kind),
              RunNames.about(kind),
              locked == null ? null : locked.reason(),
              locked == null ? null : locked.opens()));
    }
    return starts;
  }

  private static List<PageNote> pages(PartReading report) {
    return report.answers().entrySet().stream()
        .map(
            e ->
                new PageNote(
                    e.getKey().wireName(),
                    e.getKey().standardName(),
                    e.getValue() instanceof PageAnswer.Got,
                    e.getValue() instanceof PageAnswer.NotReported n
                        ? n.why()
                        : e.getValue() instanceof PageAnswer.CouldNotRun c ? c.why() : null))
        .toList();
  }
}

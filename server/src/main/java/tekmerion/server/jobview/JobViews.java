package tekmerion.server.jobview;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.PartReading;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.knowhow.Family;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.MakerTopic;
import tekmerion.core.page.Decoding;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.NextMoves;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighed.FindingWeight;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.decision.DecisionService.CourseView;
import tekmerion.server.evidence.ReadRequests;
import tekmerion.server.evidence.Reading;
import tekmerion.server.intake.Secret;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Journal;
import tekmerion.server.job.Shown;
import tekmerion.server.jobview.JobView.BayNote;
import tekmerion.server.jobview.JobView.Drive;
import tekmerion.server.jobview.JobView.HolderNote;
import tekmerion.server.jobview.JobView.JournalLine;
import tekmerion.server.jobview.JobView.Pending;
import tekmerion.server.jobview.JobView.Place;
import tekmerion.server.jobview.JobView.PlanView;
import tekmerion.server.jobview.JobView.TurnView;
import tekmerion.server.jobview.JobView.WaitNote;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.maker.MakerNotes;
import tekmerion.server.move.MadeMoves;
import tekmerion.server.part.PartHistory;
import tekmerion.server.part.PartPlace;
import tekmerion.server.permit.DataNotes;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.photo.Photos;
import tekmerion.server.probe.ProbeViews;
import tekmerion.server.probe.ProbeViews.ProbeView;
import tekmerion.server.proof.Proofs;
import tekmerion.server.stock.Stock;
import tekmerion.server.weighing.WeighingService;
import tekmerion.server.weighing.WeighingService.Evidence;

/** Puts a job together for the screen. */
@Service
class JobViews implements Shown {
  private static final String NOTHING_KNOWN = "nothing known yet";

  /** Checking order: the big things that all else rests on come first. */
  private static final List<String[]> PLACES =
      List.of(
          new String[] {"power", "Power and cooling"},
          new String[] {"memory", "Memory"},
          new String[] {"drive", "Drives"},
          new String[] {"link", "Cables and ports"},
          new String[] {"system", "System"});

  private final Jobs jobs;
  private final Bays bays;
  private final ProbeViews probes;
  private final WeighingService weighing;
  private final DecisionService decisions;
  private final JobPermissions permissions;
  private final DataNotes dataNotes;
  private final ReadRequests requests;
  private final Journal journal;
  private final ShopKnowHow knowHow;
  private final PartHistory history;
  private final Changes changes;
  private final Secret secret;
  private final Photos photos;
  private final JdbcClient jdbc;
  private final MadeMoves made;
  private final Proofs proofs;
  private final MakerNotes makers;
  private final CameBack cameBack;
  private final Stock stock;

  JobViews(
      Jobs jobs,
      Bays bays,
      ProbeViews probes,
      WeighingService weighing,
      DecisionService decisions,
      JobPermissions permissions,
      DataNotes dataNotes,
      ReadRequests requests,
      Journal journal,
      ShopKnowHow knowHow,
      PartHistory history,
      Changes changes,
      Secret secret,
      Photos photos,
      JdbcClient jdbc,
      MadeMoves made,
      Proofs proofs,
      MakerNotes makers,
      CameBack cameBack,
      Stock stock) {
    this.jobs = jobs;
    this.bays = bays;
    this.probes = probes;
    this.weighing = weighing;
    this.decisions = decisions;
    this.permissions = permissions;
    this.dataNotes = dataNotes;
    this.requests = requests;
    this.journal = journal;
    this.knowHow = knowHow;
    this.history = history;
    this.changes = changes;
    this.secret = secret;
    this.photos = photos;
    this.jdbc = jdbc;
    this.made = made;
    this.proofs = proofs;
    this.makers = makers;
    this.cameBack = cameBack;
    this.stock = stock;
  }

  @Override
  @Transactional(readOnly = true)
  public void mustShow(String jobNumber) {
    of(jobNumber);
  }

  @Transactional(readOnly = true)
  JobView of(String number) {
    Job job = jobs.named(number);
    Evidence evidence = weighing.weigh(job);
    Optional<Bay> bay = bays.findByJobId(job.id());
    ProbeView probe = bay.flatMap(b -> probes.on(b.id())).orElse(null);
    Map<Long, String> metBefore =
        history.metBefore(
            evidence.drives().stream().map(place -> place.part().id()).toList(), job.id());
    List<Drive> drives =
        evidence.drives().stream().map(d -> drive(d, evidence, metBefore)).toList();
    List<Pending> pending = pending(job);
    Set<String> underWay =
        pending.stream()
            .filter(p -> p.refusedWhy() == null)
            .map(Pending::partKey)
            .collect(Collectors.toSet());
    Permissions permitted = permissions.of(job, evidence);
    List<CourseView> courses = decisions.courses(permitted);
    Integer bayNumber = bay.map(Bay::number).orElse(null);
    NextMoves.Advice advice =
        job.endedAt() != null
            ? NextMoves.Advice.NONE
            : weighing.advice(job, evidence, permitted, made.done(job.id()), true);
    Map<MakerTopic, MakerNotes.Note> notes = makers.of(job.machine());
    return new JobView(
        job.number(),
        job.version(),
        job.machine().name(),
        job.machine().serial(),
        job.customer().id(),
        job.customer().displayName(),
        job.complaint(),
        job.errorText(),
        job.families().stream()
            .map(id -> knowHow.now().family(id).map(Family::name).orElse(id))
            .toList(),
        job.bootStage(),
        bootStages(),
        job.takenInAt(),
        job.promisedAt(),
        job.endedAt(),
        job.endedHow() == null ? null : job.endedHow().words(),
        job.stage(),
        job.holder() == null ? null : new HolderNote(job.holder().id(), job.holder().displayName()),
        sharedWith(job),
        waits(job),
        changes.open(job.id()).orElse(null),
        secret.isKeptFor(job.id()),
        fromCounter(job),
        photos.of(job.id()),
        bayNumber == null ? null : new BayNote(bayNumber, probe),
        dataNotes.of(job, permitted),
        places(evidence.weighed()),
        drives,
        evidence.weighed(),
        pending,
        job.endedAt() != null
            ? List.of()
            : Moves.of(advice.moves(), bayNumber, probe, drives, underWay, courses, notes),
        courses,
        evidence.weighed().leaning(),
        made.of(job.id()),
        job.endedAt() == null && advice.enough(),
        proofs.of(job).orElse(null),
        advice.plans().stream().map(PlanView::of).toList(),
        advice.turns().stream().map(TurnView::of).toList(),
        DecisionService.WAIVER,
        job.endedAt() == null ? job.contradicted() : null,
        cameBack.of(job).orElse(null),
        NeededParts.of(evidence, stock::fitting),
        permitted.at().unsafeBattery().orElse(null),
        notes.values().stream().filter(n -> n.topic() == MakerTopic.WEAK_POINT).toList(),
        decisions.of(job),
        journal.findByJobIdOrderByAtAscIdAsc(job.id()).stream().map(JournalLine::of).toList());
  }

  /** From nothing to desktop, as the ladder is climbed. */
  private List<String> bootStages() {
    List<String> levels =
        new ArrayList<>(
            knowHow.now().finding("boot-stage").map(FindingKind::levels).orElse(List.of()));
    Collections.reverse(levels);
    return levels;
  }

  private List<HolderNote> sharedWith(Job job) {
    return jdbc.sql(
            "SELECT a.id, a.display_name FROM job_share s JOIN account a ON a.id = s.account_id"
                + " WHERE s.job_id = ? ORDER BY a.display_name")
        .param(job.id())
        .query((rs, n) -> new HolderNote(rs.getLong(1), rs.getString(2)))
        .list();
  }

  private boolean fromCounter(Job job) {
    return jdbc.sql("SELECT COUNT(*) FROM intake WHERE job_id = ?")
            .param(job.id())
            .query(Integer.class)
            .single()
        > 0;
  }

  private static WaitNote waits(Job job) {
    return job.waitsFor() == null
        ? null
        : new WaitNote(
            job.waitsFor(),
            job.waitsFor().words(),
            job.waitsNote(),
            job.waitsSince(),
            job.waitsUntil());
  }

  private List<Pending> pending(Job job) {
    return requests.pending(job.id()).stream()
        .map(r -> new Pending(r.id(), r.partKey(), r.askedAt(), r.refusedWhy()))
        .toList();
  }

  private static List<Place> places(Weighed weighed) {
    return PLACES.stream()
        .map(
            place -> {
              Optional<CauseShare> worst = worst(weighed, c -> c.place().equals(place[0]));
              return new Place(
                  place[0],
                  place[1],
                  worst.map(CauseShare::suspicion).orElse(Suspicion.UNKNOWN),
                  note(weighed, place[0], worst));
            })
        .toList();
  }

  /**
   * Of the likeliest cause there; if no finding bears on that one, the heaviest that bears on any
   * other cause there, so that what was found is never called unknown.
   */
  private static String note(Weighed weighed, String place, Optional<CauseShare> worst) {
    return worst
        .flatMap(JobViews::heaviest)
        .or(
            () ->
                weighed.causes().stream()
                    .filter(c -> c.place().equals(place))
                    .flatMap(c -> c.weights().stream())
                    .filter(FindingWeight::direct)
                    .max(Comparator.comparingDouble(w -> Math.abs(w.decibans()))))
        .map(w -> w.finding().words())
        .orElse(NOTHING_KNOWN);
  }

  private static Optional<CauseShare> worst(Weighed weighed, Predicate<CauseShare> which) {
    return weighed.causes().stream()
        .filter(which)
        .max(Comparator.comparingDouble(CauseShare::probability));
  }

  /** The finding that weighs most says why a place stands as it does. */
  private static String note(CauseShare share) {
    return heaviest(share).map(w -> w.finding().words()).orElse(NOTHING_KNOWN);
  }

  private static Optional<FindingWeight> heaviest(CauseShare share) {
    return share.weights().stream().filter(FindingWeight::direct).findFirst();
  }

  private static Drive drive(PartPlace place, Evidence evidence, Map<Long, String> metBefore) {
    String key = place.partKey();
    Optional<Reading> reading = Optional.ofNullable(evidence.latest().get(key));
    Optional<IdentifyDevice> identity =
        Optional.ofNullable(evidence.reports().get(key))
            .flatMap(PartReading::identify)
            .flatMap(Decoding::decoded);
    Optional<DriveIdentity> told =
        Optional.ofNullable(evidence.reports().get(key)).flatMap(DriveIdentity::of);
    Optional<CauseShare> worst =
        worst(evidence.weighed(), c -> c.part().equals(key) && c.place().equals("drive"));
    return new Drive(
        key,
        place.part().id(),
        place.slot(),
        place.part().serial() == null
            ? "identity not readable"
            : "%s · %s".formatted(place.part().model(), place.part().serial()),
        DriveNames.describe(told, identity.flatMap(IdentifyDevice::nominalFormFactor)),
        worst.map(CauseShare::suspicion).orElse(Suspicion.UNKNOWN),
        worst.map(JobViews::note).orElse("not read yet"),
        metBefore.get(place.part().id()),
        reading.map(Reading::getId).orElse(null),
        reading.map(Reading::takenAt).orElse(null));
  }
}

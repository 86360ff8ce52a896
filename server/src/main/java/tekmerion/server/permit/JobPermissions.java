package tekmerion.server.permit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.identity.Serial;
import tekmerion.core.knowhow.Hazards;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.DataEvent;
import tekmerion.core.permit.DataEvidence;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.DriveState;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.Permissions;
import tekmerion.core.permit.Proven;
import tekmerion.core.permit.Situation;
import tekmerion.core.weigh.EvidenceAgainstParts;
import tekmerion.link.RunKind;
import tekmerion.server.bay.Bays;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.part.PartPlace;
import tekmerion.server.probe.ProbeViews;
import tekmerion.server.run.DataRuns;
import tekmerion.server.run.Run;
import tekmerion.server.weighing.WeighingService;
import tekmerion.server.weighing.WeighingService.Evidence;

/**
 * Puts together what permissions of a job depend on. Everything in the server that could cost data
 * asks {@link Permissions} of this, and decides nothing itself.
 */
@Service
public class JobPermissions {
  private final DataRuns runs;
  private final Waivers waivers;
  private final DataStatusEntries statusEntries;
  private final ErasingDecisions decisions;
  private final Jobs jobs;
  private final Bays bays;
  private final ProbeViews probes;
  private final WeighingService weighing;
  private final ShopKnowHow knowHow;
  private final JdbcClient jdbc;

  JobPermissions(
      DataRuns runs,
      Waivers waivers,
      DataStatusEntries statusEntries,
      ErasingDecisions decisions,
      Jobs jobs,
      Bays bays,
      ProbeViews probes,
      WeighingService weighing,
      ShopKnowHow knowHow,
      JdbcClient jdbc) {
    this.runs = runs;
    this.waivers = waivers;
    this.statusEntries = statusEntries;
    this.decisions = decisions;
    this.jobs = jobs;
    this.bays = bays;
    this.probes = probes;
    this.weighing = weighing;
    this.knowHow = knowHow;
    this.jdbc = jdbc;
  }

  /** As everything stands now. */
  @Transactional(readOnly = true)
  public Permissions of(Job job) {
    return of(job, weighing.weigh(job));
  }

  /** The same of a job that was weighed already. */
  @Transactional(readOnly = true)
  public Permissions of(Job job, Evidence evidence) {
    return by(knowHow.now(), job, evidence);
  }

  /** The same by another table. */
  @Transactional(readOnly = true)
  public Permissions by(KnowHow table, Job job, Evidence evidence) {
    Hazards hazards = Hazards.of(table, evidence.findings());
    DataStatus said = said(job.id());
    List<Run> dataRuns = runs.ofJob(job.id());
    List<Waivers.Kept> signed = waivers.ofJob(job.id());
    Map<String, String> offLimits =
        bays.findByJobId(job.id())
            .flatMap(bay -> probes.on(bay.id()))
            .filter(ProbeViews.ProbeView::online)
            .map(ProbeViews.ProbeView::offLimits)
            .orElse(Map.of());
    List<DriveState> drives =
        evidence.drives().stream()
            .map(
                place -> {
                  Optional<DriveIdentity> told = told(evidence, place);
                  Optional<PartIdentity> identity = told.flatMap(PartIdentity::of);
                  return new DriveState(
                      place.partKey(),
                      place.slotInSentence(),
                      identity,
                      said,
                      identity
                          .map(id -> evidenceOf(dataRuns, job.id(), id, place.partKey()))
                          .orElse(DataEvidence.NONE),
                      identity.map(id -> waivers.inForce(signed, id)).orElse(List.of()),
                      identity.map(id -> elsewhere(job, id)).orElse(List.of()),
                      hazards.ofDrive(
                          place.partKey(), told.flatMap(DriveIdentity::solidState).orElse(false)),
                      Optional.ofNullable(offLimits.get(place.partKey())));
                })
            .toList();
    return Permissions.of(
        new Situation(
            drives,
            said,
            hazards.ofBattery(),
            EvidenceAgainstParts.against(table, evidence.weighed()),
            Proven.NOT_NEEDED,
            false,
            decisions.decidesToErase(job.id()),
            job.endedAt() != null));
  }

  /** What the owner said, which findings nothing away. */
  private DataStatus said(long jobId) {
    return statusEntries
            .findFirstByJobIdAndByRunFalseAndFromElsewhereFalseOrderByIdDesc(jobId)
            .filter(s -> s.dataStatus() == DataStatus.WANTED)
            .isPresent()
        ? DataStatus.WANTED
        : DataStatus.NOT_ASKED;
  }

  /** The drive in a place, as the newest reading of this job tells; empty if it is not that one. */
  private static Optional<DriveIdentity> told(Evidence evidence, PartPlace place) {
    return Optional.ofNullable(evidence.latest().get(place.partKey()))
        .filter(reading -> reading.partId() == place.part().id())
        .map(reading -> evidence.reports().get(place.partKey()))
        .flatMap(DriveIdentity::of);
  }

  private DataEvidence evidenceOf(
      List<Run> dataRuns, long jobId, PartIdentity drive, String partKey) {
    List<Run> known =
        Stream.concat(
                dataRuns.stream().filter(r -> !r.fromElsewhere()),
                runs.onDrive(drive).stream().filter(r -> r.jobId() != jobId))
            .toList();
    List<DataEvent> events = DataEvents.of(jobId, known, drive, partKey);
    if (isWrittenByHand(jobId)) {
      events.add(new DataEvent.WrittenByHand());
    }
    if (isScrapped(drive)) {
      events.add(new DataEvent.Scrapped());
    }
    return DataEvidence.of(events);
  }

  /** Whether a move that writes was made on the machine's own system: on any of its drives. */
  private boolean isWrittenByHand(long jobId) {
    return jdbc
        .sql("SELECT DISTINCT move_id FROM job_move WHERE job_id = ? AND outcome = 'DONE'")
        .param(jobId)
        .query(String.class)
        .list()
        .stream()
        .flatMap(id -> knowHow.now().move(id).stream())
        .anyMatch(move -> move.invasiveness().endangersData());
  }

  private boolean isScrapped(PartIdentity drive) {
    return jdbc.sql(
            "SELECT EXISTS (SELECT 1 FROM old_part o JOIN part p ON p.id = o.part_id WHERE o.fate ="
                + " 'SCRAPPED' AND p.model = ? AND p.serial = ?)")
        .params(drive.model(), drive.serial())
        .query(Boolean.class)
        .single();
  }

  /**
   * Other open jobs in which this drive was met, or one with its serial was named: by the serial
   * alone, since a label may say less than the drive does.
   */
  private List<DriveState.InOtherJob> elsewhere(Job job, PartIdentity drive) {
    return othersWith(job, drive).stream()
        .map(
            other -> {
              DriveState there = in(other, drive);
              return new DriveState.InOtherJob(other.number(), there.status(), there.isGivenUp());
            })
        .toList();
  }

  /** Other open jobs that this drive is in. */
  @Transactional(readOnly = true)
  public List<Job> othersWith(Job job, PartIdentity drive) {
    return jdbc
        .sql(
            "SELECT DISTINCT j.id FROM part p JOIN part_place s ON s.part_id = p.id JOIN job j ON"
                + " j.machine_id = s.machine_id AND (s.until IS NULL OR s.until >= j.taken_in_at)"
                + " WHERE p.kind = 'drive' AND p.serial_plain = :serial AND j.ended_at IS NULL AND"
                + " j.id <> :job UNION SELECT DISTINCT j.id FROM part p JOIN reading r ON r.part_id"
                + " = p.id JOIN job j ON j.id = r.job_id WHERE p.kind = 'drive' AND p.serial_plain ="
                + " :serial AND j.ended_at IS NULL AND j.id <> :job")
        .param("serial", Serial.of(drive.serial()).plain())
        .param("job", job.id())
        .query(Long.class)
        .list()
        .stream()
        .map(id -> jobs.findById(id).orElseThrow())
        .toList();
  }

  private DriveState in(Job other, PartIdentity drive) {
    return in(other, drive, List.of());
  }

  private DriveState in(Job other, PartIdentity drive, List<DriveState.InOtherJob> elsewhere) {
    List<Run> theirs = runs.ofJob(other.id());
    String key =
        theirs.stream()
            .filter(r -> r.ending() != null && Optional.of(drive).equals(r.ending().drive()))
            .map(Run::partKey)
            .findFirst()
            .orElse("");
    return new DriveState(
        key,
        key,
        Optional.of(drive),
        said(other.id()),
        evidenceOf(theirs, other.id(), drive, key),
        waivers.inForce(waivers.ofJob(other.id()), drive),
        elsewhere,
        Optional.empty(),
        Optional.empty());
  }

  /** "Drive A" is named "drive A" in a sentence. */

  /** A drive of which the job has copies, wherever it is now. */
  @Transactional(readOnly = true)
  public DriveState ofCopies(Job job, PartIdentity drive) {
    return in(job, drive);
  }

  /** A drive that was taken out in this job, wherever it is now, and in which jobs it is beside. */
  @Transactional(readOnly = true)
  public DriveState takenOut(Job job, PartIdentity drive) {
    return in(job, drive, elsewhere(job, drive));
  }

  /** Whether a run that asks for a release may have it. */
  @Transactional(readOnly = true)
  public Permission ofRelease(Job job, Run run) {
    PartIdentity drive = run.named().orElseThrow();
    Permissions permissions = of(job);
    return permissions.of(
        run.kind() == RunKind.ERASE_COPY
            ? new Action.EraseCopy(in(job, drive))
            : new Action.Write(run.kind().effects(), run.partKey(), drive));
  }
}

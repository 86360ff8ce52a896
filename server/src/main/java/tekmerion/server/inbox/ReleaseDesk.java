package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.Comparator;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.DriveState;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.permit.Permission;
import tekmerion.link.DriveSeen;
import tekmerion.link.Release;
import tekmerion.link.RunKind;
import tekmerion.link.RunNames;
import tekmerion.link.SurveyResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.server.audit.Audit;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.run.DataRuns;
import tekmerion.server.run.ReleaseKeys;
import tekmerion.server.run.Run;
import tekmerion.server.run.Runs;

/**
 * Answers a probe that is about to write and asks whether it still may: by the permissions of this
 * very moment, for the drive that is there at this very moment, for a few seconds.
 */
@Service
public class ReleaseDesk {
  /** Fits no content: what was never surveyed is not written to. */
  private static final String NOTHING_SURVEYED = "0".repeat(64);

  private final Runs runs;
  private final DataRuns dataRuns;
  private final Jobs jobs;
  private final JobPermissions permissions;
  private final ReleaseKeys keys;
  private final Audit audit;
  private final EntityManager entities;

  ReleaseDesk(
      Runs runs,
      DataRuns dataRuns,
      Jobs jobs,
      JobPermissions permissions,
      ReleaseKeys keys,
      Audit audit,
      EntityManager entities) {
    this.runs = runs;
    this.dataRuns = dataRuns;
    this.jobs = jobs;
    this.permissions = permissions;
    this.keys = keys;
    this.audit = audit;
    this.entities = entities;
  }

  /** Given or refused; what was asked by a probe that has no such run is refused. */
  @Transactional(propagation = Propagation.MANDATORY)
  public ToProbe answer(UUID probeId, ToServer.ReleaseAsked asked) {
    Optional<Run> found = runs.find(asked.requestId()).filter(r -> r.probeId().equals(probeId));
    if (found.isEmpty() || found.get().named().isEmpty() || found.get().fromElsewhere()) {
      return refused(asked, say("inbox.no-such-run-was-asked-of"));
    }
    Run run = found.get();
    Job job = jobs.findById(run.jobId()).orElseThrow();
    // Whoever changes what the permission depends on waits here, or this waits for them.
    entities.lock(job, LockModeType.PESSIMISTIC_READ);
    if (run.state() != Run.State.RUNNING) {
      return refused(asked, say("inbox.the-run-is-to-end"));
    }
    PartIdentity drive = run.named().get();
    if (!asked.drive().identity().equals(drive)) {
      audit.of(
          Audit.Kind.RELEASE_REFUSED,
          probeId,
          job.number(),
          say("inbox.another-drive", "drive", asked.drive()));
      return refused(asked, say("inbox.another-drive-is-there-than-the"));
    }
    Optional<Permission.Locked> locked = permissions.ofRelease(job, run).locked();
    if (locked.isPresent()) {
      audit.of(Audit.Kind.RELEASE_REFUSED, probeId, job.number(), locked.get().reason());
      return refused(asked, locked.get().reason() + " " + locked.get().opens());
    }
    if (run.share() == null) {
      audit.of(
          Audit.Kind.RELEASE_GIVEN,
          probeId,
          job.number(),
          say(
              "inbox.of-run",
              "runWords",
              RunNames.name(run.kind()),
              "drive",
              drive,
              "run",
              run.id()));
    }
    DriveState state = state(job, run, drive);
    return new ToProbe.ReleaseGiven(
        Release.of(
            run.id(),
            run.kind(),
            run.partKey(),
            DriveSeen.of(drive),
            state.status(),
            state.mustHoldWhatWasSurveyed() ? content(run, drive) : null,
            asked.nonce(),
            Release.MAX_VALID_MS,
            keys.of(probeId)));
  }

  /** What the newest survey of this very drive found, in whatever job: all copies rest on that. */
  private String content(Run run, PartIdentity drive) {
    if (run.kind() == RunKind.ERASE_COPY || run.kind() == RunKind.TAKE_BACK) {
      return null; // what is taken back is compared byte for byte with what we wrote
    }
    return dataRuns.onDrive(drive).stream()
        .filter(r -> r.ending() != null && r.result() instanceof SurveyResult)
        .max(Comparator.comparing(r -> r.ending().receivedAt()))
        .map(r -> ((SurveyResult) r.result()).contentSha())
        .orElse(NOTHING_SURVEYED);
  }

  private DriveState state(Job job, Run run, PartIdentity drive) {
    return run.kind() == RunKind.ERASE_COPY
        ? permissions.ofCopies(job, drive)
        : permissions.of(job).drive(run.partKey());
  }

  private static ToProbe refused(ToServer.ReleaseAsked asked, String why) {
    return new ToProbe.ReleaseRefused(asked.requestId(), asked.nonce(), why);
  }
}

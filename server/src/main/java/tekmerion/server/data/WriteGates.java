package tekmerion.server.data;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.permit.Gate;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.NamedDrive;
import tekmerion.core.permit.Touch;
import tekmerion.link.RunKind;
import tekmerion.server.job.Job;
import tekmerion.server.link.ProbeBoard;
import tekmerion.server.link.ProbeBoard.ProbeView;
import tekmerion.server.link.ProbeOfJob;
import tekmerion.server.problem.Refusal;
import tekmerion.server.ruling.RulingService;
import tekmerion.server.run.Writing;
import tekmerion.server.weighing.WeighingService;

/** Everything that must hold before a drive is written to, in the order in which it is told. */
@Service
class WriteGates implements Writing {
  private final RulingService rulings;
  private final WeighingService weighing;
  private final ProbeOfJob probeOf;
  private final ProbeBoard probes;

  /** Why it is locked, and what opens it. */
  record Lock(String reason, String opens) {}

  WriteGates(
      RulingService rulings, WeighingService weighing, ProbeOfJob probeOf, ProbeBoard probes) {
    this.rulings = rulings;
    this.weighing = weighing;
    this.probeOf = probeOf;
    this.probes = probes;
  }

  /** What locks it whatever is typed; empty if only the name is wanted. */
  Optional<Lock> lock(
      Job job,
      String driveKey,
      RunKind kind,
      WeighingService.Evidence evidence,
      Optional<ProbeView> probe) {
    Touch touch = kind.mends() ? Touch.WRITES_TO_DRIVE : Touch.ERASES;
    if (Gate.ofData(touch, job.stance()) instanceof Permission.Locked locked) {
      return Optional.of(new Lock(locked.reason(), locked.opens()));
    }
    if (touch == Touch.ERASES && !isRuled(job)) {
      return Optional.of(
          new Lock("Nothing was ruled that erases.", "Opens with a signed ruling that does."));
    }
    if (identity(evidence, driveKey).isEmpty()) {
      return Optional.of(
          new Lock("The drive has not told who it is.", "Opens when it was read in this job."));
    }
    return probe.flatMap(p -> offLimits(p, driveKey));
  }

  private boolean isRuled(Job job) {
    List<RulingService.RulingView> all = rulings.of(job);
    return !all.isEmpty()
        && all.get(0).courses().stream().anyMatch(c -> c.course().touch() == Touch.ERASES);
  }

  private static Optional<Lock> offLimits(ProbeView probe, String driveKey) {
    String why = probe.offLimits().get(driveKey);
    if (why == null) {
      return Optional.of(
          new Lock("This drive is never written to from here.", "Dock it on another machine."));
    }
    return why.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Lock("It must never be written to: " + why + ".", "Never opens on this machine."));
  }

  private static Optional<DriveIdentity> identity(
      WeighingService.Evidence evidence, String driveKey) {
    return Optional.ofNullable(evidence.reports().get(driveKey))
        .flatMap(DriveIdentity::of)
        .filter(id -> id.capacityBytes().isPresent());
  }

  @Override
  @Transactional(propagation = Propagation.MANDATORY)
  public Drive allowed(Job job, String driveKey, RunKind kind, NamedDrive named) {
    WeighingService.Evidence evidence = weighing.weigh(job);
    ProbeView probe = probeOf.drive(job, driveKey);
    lock(job, driveKey, kind, evidence, Optional.of(probe))
        .ifPresent(
            lock -> {
              throw Refusal.locked(lock.reason(), lock.opens());
            });
    DriveIdentity id = identity(evidence, driveKey).orElseThrow();
    long size = id.capacityBytes().getAsLong();
    named
        .misses(size, id.model(), id.serial())
        .ifPresent(
            why -> {
              throw Refusal.notPossibleNow(
                  (kind == RunKind.ERASE ? "Not erased. " : "Nothing was written. ") + why,
                  "Look at the drive in your hand again; perhaps it is another one.");
            });
    return new Drive(id.model(), id.serial(), size, probes.releaseKey(probe.id()));
  }
}

package tekmerion.core.permit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import tekmerion.core.permit.World.Drive;

/**
 * What the server would keep, as plainly as can be: runs by job and by the drive that the probe
 * saw, signatures, decisions; and what is permitted by that.
 */
final class ShopRecords {
  /** A run as the server keeps it. */
  record Run(int job, Optional<PartIdentity> seen, DataEvent event, boolean foreign) {}

  record Kept(
      int job,
      Waiver waiver,
      boolean onScreen,
      boolean[] confirmed,
      boolean[] revoked,
      World.Signature truth) {
    boolean inForce() {
      return !revoked[0] && (onScreen || confirmed[0]);
    }
  }

  static final class Job {
    final int number;
    final String owner;

    /** What sits where, truly; and which drive the server read there last. */
    final Map<String, Drive> places = new HashMap<>();

    final Map<String, PartIdentity> known = new HashMap<>();
    boolean wanted;
    boolean ended;
    boolean erases;

    Job(int number, String owner) {
      this.number = number;
      this.owner = owner;
    }
  }

  final List<Job> jobs = new ArrayList<>();
  final List<Run> runs = new ArrayList<>();
  final List<Kept> waivers = new ArrayList<>();

  /** In whatever job, oldest first. */
  Stream<DataEvent.Surveyed> surveys(PartIdentity drive) {
    return runs.stream()
        .filter(r -> !r.foreign() && r.seen().equals(Optional.of(drive)))
        .map(Run::event)
        .filter(DataEvent.Surveyed.class::isInstance)
        .map(DataEvent.Surveyed.class::cast);
  }

  /** Jobs whose owners are asked before this drive is erased. */
  Set<Integer> askedIn(Job job, PartIdentity drive) {
    Set<Integer> asked = new HashSet<>(Set.of(job.number));
    jobs.stream()
        .filter(j -> !j.ended && j.known.containsValue(drive))
        .forEach(j -> asked.add(j.number));
    return asked;
  }

  /** Of a drive in a job, as if no other job had it. */
  DriveState state(Job job, String place, PartIdentity drive) {
    List<DataEvent> events =
        runs.stream()
            .filter(r -> !r.foreign() && r.seen().equals(Optional.of(drive)))
            .filter(r -> r.job() == job.number || DataEvent.Elsewhere.concernsTheDrive(r.event()))
            .map(r -> r.job() == job.number ? r.event() : new DataEvent.Elsewhere(r.event()))
            .toList();
    List<Waiver> inForce =
        waivers.stream()
            .filter(w -> w.job() == job.number && w.inForce())
            .map(Kept::waiver)
            .toList();
    return new DriveState(
        place,
        place,
        Optional.of(drive),
        job.wanted ? DataStatus.WANTED : DataStatus.NOT_ASKED,
        DataEvidence.of(events),
        inForce,
        List.of(),
        Optional.empty(),
        Optional.of(""));
  }

  Permissions permissions(Job job) {
    List<DriveState> drives =
        job.known.entrySet().stream()
            .map(
                e -> {
                  DriveState here = state(job, e.getKey(), e.getValue());
                  List<DriveState.InOtherJob> others =
                      jobs.stream()
                          .filter(j -> j != job && !j.ended)
                          .filter(j -> j.known.containsValue(e.getValue()))
                          .map(
                              j -> {
                                DriveState there = state(j, e.getKey(), e.getValue());
                                return new DriveState.InOtherJob(
                                    "J-" + j.number, there.status(), there.isGivenUp());
                              })
                          .toList();
                  return new DriveState(
                      here.partKey(),
                      here.name(),
                      here.identity(),
                      here.said(),
                      here.evidence(),
                      here.waivers(),
                      others,
                      here.failing(),
                      here.offLimits());
                })
            .toList();
    return Permissions.of(
        new Situation(
            drives,
            DataStatus.WANTED,
            Optional.empty(),
            PartEvidence.NONE,
            Proven.NOT_NEEDED,
            false,
            job.erases,
            job.ended));
  }
}

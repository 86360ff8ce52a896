package tekmerion.server.jobview;

import static tekmerion.words.Words.say;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.bay.BayPlaces;
import tekmerion.server.handback.HandBacks;
import tekmerion.server.intake.Secret;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobEnd;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.JobProgress;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.proof.Proofs;
import tekmerion.server.run.Run;
import tekmerion.server.run.Runs;
import tekmerion.server.step.PlanSteps;

/** Putting a machine in a bay, saying it is ready, handing it back; undoing a wrong intake. */
@Service
class Ending {
  private final JobLock lock;
  private final JobProgress progress;
  private final JobEnd end;
  private final Changes changes;
  private final Runs runs;
  private final Secret secret;
  private final BayPlaces places;
  private final Proofs proofs;
  private final PlanSteps steps;
  private final HandBacks handBacks;
  private final Tell tell;

  Ending(
      JobLock lock,
      JobProgress progress,
      JobEnd end,
      Changes changes,
      Runs runs,
      Secret secret,
      BayPlaces places,
      Proofs proofs,
      PlanSteps steps,
      HandBacks handBacks,
      Tell tell) {
    this.lock = lock;
    this.progress = progress;
    this.end = end;
    this.changes = changes;
    this.runs = runs;
    this.secret = secret;
    this.places = places;
    this.proofs = proofs;
    this.steps = steps;
    this.handBacks = handBacks;
    this.tell = tell;
  }

  /**
   * @param bay null takes it off its bay
   */
  @Transactional
  void toBay(String number, long version, Integer bay, Person by) {
    places.put(lock.forChange(number, version), bay, by);
  }

  @Transactional
  void ready(String number, long version, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    Job job = lock.forChange(number, version);
    noOpenChange(job);
    // Where the old drive goes may be said until the machine leaves.
    proofs.mustLetGo(job, List.of());
    progress.readyToHandBack(job);
    tell.journal(job, JournalEntry.Kind.END, () -> say("jobview.ready-to-hand-back"), () -> "", by);
  }

  /**
   * The machine goes back to whoever takes it, and the job ends.
   *
   * @throws Refusal 423 while a change or a run is open, while it is not shown that the complaint
   *     is gone, or while nobody said what became of an old drive
   */
  @Transactional
  void handBack(String number, long version, HandBacks.Said said, Person by) {
    handBacks.keep(lock.forChange(number, version), said, by);
    end(
        number,
        version,
        Job.EndedHow.HANDED_BACK,
        say("jobview.to", "person", said.takenBy().strip()),
        by);
  }

  @Transactional
  void end(String number, long version, Job.EndedHow how, String note, Person by) {
    Job job = lock.forChange(number, version);
    noOpenChange(job);
    noOpenRun(job);
    if (how == Job.EndedHow.HANDED_BACK) {
      proofs.mustLetGo(job, steps.unsaidOldDrives(job));
    }
    secret.wipe(job.id());
    places.free(job);
    end.end(job, how);
    tell.journal(
        job,
        JournalEntry.Kind.END,
        () ->
            how == Job.EndedHow.HANDED_BACK
                ? say("jobview.handed-back")
                : say("jobview.taken-in-by-mistake"),
        () -> note.strip(),
        by);
  }

  private void noOpenRun(Job job) {
    if (runs.ofJob(job.id()).stream().anyMatch(r -> r.state() != Run.State.ENDED)) {
      throw Refusal.locked(
          say("jobview.a-test-of-one-of-its"), say("jobview.opens-when-the-test-has-ended"));
    }
  }

  private void noOpenChange(Job job) {
    changes
        .open(job.id())
        .ifPresent(
            change -> {
              throw Refusal.locked(
                  say("jobview.is-still-open", "what", change.what()),
                  say("jobview.look-whether-the-complaint-is-still"));
            });
  }
}

package tekmerion.server.ask;

import static tekmerion.words.Words.say;

import java.util.EnumSet;
import java.util.UUID;
import org.springframework.stereotype.Service;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.server.evidence.ReadRequests;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobAspect;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Tell;
import tekmerion.server.person.Person;
import tekmerion.server.probe.ProbeBoard;
import tekmerion.server.probe.ProbeOfJob;
import tekmerion.server.probe.ProbeViews.ProbeView;
import tekmerion.server.problem.Refusal;
import tekmerion.server.transaction.Transactions;

/** Asks the probe of a job's bay to read a drive. The request is kept before it is sent. */
@Service
public class AskReading {
  private final Jobs jobs;
  private final ProbeOfJob probeOf;
  private final ProbeBoard probes;
  private final ReadRequests requests;
  private final Tell tell;
  private final Transactions transaction;

  private record Asked(UUID probeId, UUID requestId) {}

  AskReading(
      Jobs jobs,
      ProbeOfJob probeOf,
      ProbeBoard probes,
      ReadRequests requests,
      Tell tell,
      Transactions transaction) {
    this.jobs = jobs;
    this.probeOf = probeOf;
    this.probes = probes;
    this.requests = requests;
    this.tell = tell;
    this.transaction = transaction;
  }

  public UUID ask(String number, String partKey, Person by) {
    Asked asked = transaction.execute(status -> keep(number, partKey, by));
    // After the commit: a probe that answered at once would find no request otherwise.
    probes.send(asked.probeId(), new ToProbe.ReadPart(asked.requestId(), partKey));
    return asked.requestId();
  }

  private Asked keep(String number, String partKey, Person by) {
    Job job = jobs.named(number);
    ProbeView probe = probeOf.readable(job, partKey);
    boolean underWay =
        requests.pending(job.id()).stream()
            .anyMatch(r -> r.partKey().equals(partKey) && r.refusedWhy() == null);
    if (underWay) {
      String what =
          partKey.equals(RunKind.BOARD) || partKey.equals(RunKind.BATTERY)
              ? say("ask.it")
              : say("ask.this-drive");
      throw Refusal.notPossibleNow(
          say("ask.is-being-read", "what", what), say("ask.wait-for-the-reading"));
    }
    UUID requestId = requests.ask(job.id(), probe.id(), partKey, by.id());
    tell.changed(job, EnumSet.of(JobAspect.EVIDENCE, JobAspect.DIAGNOSIS));
    return new Asked(probe.id(), requestId);
  }
}

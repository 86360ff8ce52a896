package tekmerion.server.link;

import org.springframework.stereotype.Service;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.job.Job;
import tekmerion.server.link.ProbeBoard.ProbeView;
import tekmerion.server.problem.Refusal;

/** The probe that a job's drives can be asked through, or why there is none. */
@Service
public class ProbeOfJob {
  private final Bays bays;
  private final ProbeBoard probes;

  ProbeOfJob(Bays bays, ProbeBoard probes) {
    this.bays = bays;
    this.probes = probes;
  }

  /**
   * @throws Refusal if the machine is on no bay, no probe is connected there, or it sees no such
   *     drive
   */
  public ProbeView drive(Job job, String driveKey) {
    Bay bay =
        bays.findByJobId(job.id())
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        "The machine is on no bay.", "Put it in a bay with a probe."));
    ProbeView probe =
        probes
            .on(bay.id())
            .filter(ProbeView::online)
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        "No probe is connected in %s.".formatted(bay.name()),
                        "Start the probe, or ask for an enrolment code in the bay."));
    if (!probe.drives().contains(driveKey)) {
      throw Refusal.badRequest(
          "The probe sees no drive called %s.".formatted(driveKey), "Load the job again.");
    }
    return probe;
  }
}

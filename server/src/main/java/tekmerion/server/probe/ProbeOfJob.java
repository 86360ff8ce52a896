package tekmerion.server.probe;

import static tekmerion.words.Words.say;

import java.util.Optional;
import org.springframework.stereotype.Service;
import tekmerion.link.MachineNote;
import tekmerion.link.RunKind;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.job.Job;
import tekmerion.server.probe.ProbeViews.ProbeView;
import tekmerion.server.problem.Refusal;

/** The probe that a job's drives can be asked through, or why there is none. */
@Service
public class ProbeOfJob {
  private final Bays bays;
  private final ProbeViews probes;

  ProbeOfJob(Bays bays, ProbeViews probes) {
    this.bays = bays;
    this.probes = probes;
  }

  /**
   * @throws Refusal if the machine is on no bay, no probe is connected there, or it sees no such
   *     drive
   */
  public ProbeView drive(Job job, String partKey) {
    ProbeView probe = online(job);
    if (!probe.drives().contains(partKey)) {
      throw Refusal.badRequest(
          say("probe.the-probe-sees-no-drive-called", "partKey", partKey),
          say("probe.load-the-job-again"));
    }
    return probe;
  }

  /**
   * @param key of the board or the battery
   * @throws Refusal if the machine is on no bay, no probe is connected there, or nothing there can
   *     be run so
   */
  public ProbeView of(Job job, RunKind kind, String key) {
    ProbeView probe = online(job);
    if (!kind.partKey().equals(Optional.of(key)) || !probe.others().contains(needed(kind))) {
      throw Refusal.badRequest(
          say("probe.the-probe-has-nothing-on-this"), say("probe.load-the-job-again"));
    }
    return probe;
  }

  /** What the probe must have told of itself for a run. */
  public static String needed(RunKind kind) {
    return switch (kind) {
      case MEMORY_TEST, MEMORY_TEST_LONG -> MachineNote.MEMORY;
      case DISCHARGE -> MachineNote.DISCHARGE;
      case CHARGE -> MachineNote.CHARGE;
      default -> MachineNote.LOAD;
    };
  }

  /**
   * Board or battery, to be read.
   *
   * @throws Refusal as for {@link #drive}
   */
  public ProbeView readable(Job job, String key) {
    ProbeView probe = online(job);
    if (!probe.drives().contains(key)
        && !(probe.others().contains(key)
            && (key.equals(RunKind.BOARD) || key.equals(RunKind.BATTERY)))) {
      throw Refusal.badRequest(
          say("probe.the-probe-sees-nothing-called", "key", key), say("probe.load-the-job-again"));
    }
    return probe;
  }

  private ProbeView online(Job job) {
    Bay bay =
        bays.findByJobId(job.id())
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        say("probe.the-machine-is-on-no-bay"), say("probe.put-it-in-a-bay-with")));
    return probes
        .on(bay.id())
        .filter(ProbeView::online)
        .orElseThrow(
            () ->
                Refusal.notPossibleNow(
                    say("probe.no-probe-is-connected-in", "bay", bay.name()),
                    say("probe.start-the-probe-or-ask-for")));
  }
}

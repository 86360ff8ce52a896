package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.util.EnumSet;
import java.util.UUID;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.BenchLink;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkFormatException;
import tekmerion.link.MachineNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.job.JobAspect;
import tekmerion.server.job.Tell;
import tekmerion.server.probe.Probe;
import tekmerion.server.probe.Probes;

/** Whether the probes are there, and what they say of the machines they run on. */
@Service
class ProbePresence implements SmartInitializingSingleton {
  private final Probes probes;
  private final Bays bays;
  private final Simulated simulated;
  private final Tell tell;
  private final Clock clock;

  ProbePresence(Probes probes, Bays bays, Simulated simulated, Tell tell, Clock clock) {
    this.probes = probes;
    this.bays = bays;
    this.simulated = simulated;
    this.tell = tell;
    this.clock = clock;
  }

  /** After a crash the table still says who was connected. */
  @Override
  @Transactional
  public void afterSingletonsInstantiated() {
    probes.allOff();
  }

  /**
   * @return what welcomes it
   * @throws LinkFormatException if it speaks another protocol, or its machine is simulated where
   *     none may be
   */
  ToProbe.Welcome hello(Probe probe, ToServer.Hello hello) {
    if (hello.protocol() != BenchLink.PROTOCOL) {
      throw new LinkFormatException(
          say(
              "inbox.this-server-speaks-bench-link-the",
              "protocol",
              BenchLink.PROTOCOL,
              "protocol2",
              hello.protocol()));
    }
    mustBeReal(hello.machine());
    probe.cameOn(hello.probeVersion(), LinkCodec.encode(hello.machine()), clock.instant());
    changed(probe);
    return new ToProbe.Welcome(
        BenchLink.PROTOCOL,
        bays.findById(probe.bayId()).map(Bay::name).orElse(say("inbox.no-bay")),
        probe.receivedThrough());
  }

  /**
   * @throws LinkFormatException as {@link #hello}
   */
  void machineIs(Probe probe, MachineNote machine) {
    mustBeReal(machine);
    probe.machineIs(LinkCodec.encode(machine), clock.instant());
    changed(probe);
  }

  void wentOff(UUID probeId) {
    probes
        .findById(probeId)
        .ifPresent(
            probe -> {
              probe.wentOff(clock.instant());
              changed(probe);
            });
  }

  private void mustBeReal(MachineNote machine) {
    if (simulated.isRefused(machine)) {
      throw new LinkFormatException(Simulated.refused());
    }
  }

  /** Whoever looks at the floor or at the job in the bay sees that the probe came or went. */
  private void changed(Probe probe) {
    tell.floor();
    bays.findById(probe.bayId())
        .map(Bay::job)
        .ifPresent(job -> tell.changed(job, EnumSet.of(JobAspect.CUSTODY, JobAspect.DIAGNOSIS)));
  }
}

package tekmerion.probe.link;

import java.nio.file.Path;
import java.time.Clock;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.CopyOrder;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.outbox.Outbox;
import tekmerion.sim.SimMachines;

/** A probe's runs, with a simulated machine and a folder of copies; nobody is at the other end. */
abstract class RunBench {
  static final String JOB = "J-2291";

  @TempDir Path folder;
  Outbox outbox;
  RunHost host;
  MachineUnderTest machine;
  final ConcurrentLinkedQueue<ToServer> told = new ConcurrentLinkedQueue<>();

  @BeforeEach
  void open() {
    outbox = Outbox.open(folder.resolve("data"));
  }

  @AfterEach
  void close() {
    host.close();
    outbox.close();
  }

  final void on(String name) {
    on(new SimMachines().open("sim:" + name + ",0,6000").orElseThrow());
  }

  final void on(MachineUnderTest bench) {
    machine = bench;
    host =
        new RunHost(
            machine,
            outbox,
            folder.resolve("data"),
            folder.resolve("copies"),
            Clock.systemUTC(),
            told::add,
            () -> {});
  }

  final LinkEvent.RunEnded run(RunKind kind, CopyOrder order) throws Exception {
    UUID id = UUID.randomUUID();
    host.accept(new ToProbe.StartRun(id, "drive-a", kind, true, DataStatus.WANTED, order));
    return end(id);
  }

  final LinkEvent.RunEnded end(UUID id) throws InterruptedException {
    long until = System.nanoTime() + 60_000_000_000L;
    while (System.nanoTime() < until) {
      for (var entry : outbox.waiting(1, 100)) {
        LinkEvent event = LinkCodec.decode(entry.body(), LinkEvent.class);
        if (event.requestId().equals(id)) {
          return (LinkEvent.RunEnded) event;
        }
      }
      Thread.sleep(20);
    }
    throw new AssertionError("the run did not end");
  }
}

package tekmerion.probe.link;

import java.nio.file.Path;
import java.time.Clock;
import java.util.HexFormat;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.Function;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.CopyOrder;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.Release;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.outbox.Outbox;
import tekmerion.sim.SimMachines;

/**
 * A probe's runs, with a simulated machine and a folder of copies; a desk of releases at the other
 * end.
 */
abstract class RunBench {
  static final String JOB = "J-2291";

  @TempDir Path folder;
  Outbox outbox;
  RunHost host;
  MachineUnderTest machine;
  final ConcurrentLinkedQueue<ToServer> told = new ConcurrentLinkedQueue<>();

  /** What the server answers to whoever asks for a release; null for nothing. */
  volatile Function<ToServer.ReleaseAsked, ToProbe> desk = asked -> null;

  static final UUID PROBE = new UUID(7, 7);
  static final byte[] KEY = Release.key(new byte[32], PROBE);

  /** The probe is enrolled, and the server gives what it is asked for. */
  final void released(RunKind kind, DataStatus status) {
    outbox.keepIdentity("releaseKey", HexFormat.of().formatHex(KEY));
    desk = asked -> new ToProbe.ReleaseGiven(release(asked, kind, status));
  }

  static Release release(ToServer.ReleaseAsked asked, RunKind kind, DataStatus status) {
    return Release.of(
        asked.requestId(),
        kind,
        "drive-a",
        asked.drive(),
        status,
        null,
        asked.nonce(),
        15_000,
        KEY);
  }

  private void tell(ToServer message) {
    told.add(message);
    if (message instanceof ToServer.ReleaseAsked asked) {
      ToProbe answer = desk.apply(asked);
      if (answer instanceof ToProbe.ReleaseGiven given) {
        host.accept(given);
      } else if (answer instanceof ToProbe.ReleaseRefused refused) {
        host.accept(refused);
      }
    }
  }

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
            this::tell,
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

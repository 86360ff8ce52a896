package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.net.URI;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.tls.Fingerprint;
import tekmerion.probe.link.LinkClient;
import tekmerion.probe.link.LinkRefusedException;
import tekmerion.probe.outbox.Outbox;
import tekmerion.probe.outbox.OutboxException;
import tekmerion.words.Words;

/** The stick's link to the shop's server: begun with a code from the bay, then kept by itself. */
final class BenchLinkOfStick {
  private final List<URI> servers;
  private final Optional<Fingerprint> authority;
  private final Path data;
  private final MachineUnderTest machine;

  /** In codes, read where it is shown. */
  private volatile String said = "";

  private Thread running;

  /**
   * @param data where the probe keeps its identity and outbox: in memory, gone with the machine
   */
  BenchLinkOfStick(
      List<URI> servers, Optional<Fingerprint> authority, Path data, MachineUnderTest machine) {
    this.servers = List.copyOf(servers);
    this.authority = authority;
    this.data = data;
    this.machine = machine;
  }

  boolean hasServer() {
    return !servers.isEmpty();
  }

  boolean isBegun() {
    return running != null && running.isAlive();
  }

  /** What the link did last; empty before anything. */
  String said() {
    return Words.read(said);
  }

  /**
   * @param code as shown in the bay
   */
  void begin(String code) {
    running = new Thread(() -> run(code), "link");
    running.setDaemon(true);
    running.start();
  }

  private void run(String code) {
    String refused = "";
    for (URI server : servers) {
      try (Outbox outbox = Outbox.open(data)) {
        LinkClient.Server to = new LinkClient.Server(server, authority);
        new LinkClient(
                to, code, machine, outbox, data, data.resolve("copies"), words -> said = words)
            .run();
        return;
      } catch (LinkRefusedException e) {
        refused = e.getMessage();
      } catch (OutboxException e) {
        refused = say("console.no-outbox", "why", e.getMessage());
      } catch (InterruptedException e) {
        return;
      }
    }
    said = refused;
  }
}

package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.tls.Fingerprint;
import tekmerion.probe.link.LinkClient;
import tekmerion.probe.link.LinkRefusedException;
import tekmerion.probe.link.Told;
import tekmerion.probe.outbox.Outbox;
import tekmerion.probe.outbox.OutboxException;
import tekmerion.words.Words;

/** The stick's link to the shop's server: it knocks or is given a code, then it keeps itself. */
final class BenchLinkOfStick implements Told {
  private static final int HTTPS = 443;
  private static final int CONNECT_MS = 3_000;
  private static final long AGAIN_MS = 3_000;
  private static final long ENDS_WITHIN_MS = 10_000;

  private final List<URI> servers;
  private final Optional<Fingerprint> authority;
  private final Path data;
  private final MachineUnderTest machine;

  /** In codes, read where it is shown. */
  private volatile String said = "";

  private volatile String digits = "";
  private volatile boolean linked;
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

  /** Whether it knocks, waits for a server, or is linked. */
  boolean isUnderWay() {
    return running != null && running.isAlive();
  }

  /** Whether it was let in, by a knock or a code. */
  boolean isLinked() {
    return linked && isUnderWay();
  }

  /** To be compared in the shop while it knocks; else empty. */
  String digits() {
    return digits;
  }

  @Override
  public void said(String words) {
    said = words;
  }

  @Override
  public void digits(String now) {
    digits = now;
  }

  @Override
  public void linked() {
    linked = true;
  }

  /** What the link did last; empty before anything. */
  String said() {
    return Words.read(said);
  }

  /**
   * Ends what it did before.
   *
   * @param code as shown in the bay; null to knock
   */
  void begin(String code) throws InterruptedException {
    if (running != null) {
      running.interrupt();
      running.join(ENDS_WITHIN_MS);
    }
    linked = false;
    digits = "";
    running = new Thread(() -> run(code), "link");
    running.setDaemon(true);
    running.start();
  }

  private void run(String code) {
    try {
      URI server = await();
      try (Outbox outbox = Outbox.open(data)) {
        LinkClient.Server to = new LinkClient.Server(server, authority);
        new LinkClient(to, code, machine, outbox, data, data.resolve("copies"), this).run();
      }
    } catch (LinkRefusedException e) {
      said = e.getMessage();
    } catch (OutboxException e) {
      said = say("console.no-outbox", "why", e.getMessage());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** The first of the shop's addresses at which somebody answers, once somebody does. */
  private URI await() throws InterruptedException {
    while (true) {
      Optional<URI> answering = answering(servers);
      if (answering.isPresent()) {
        return answering.get();
      }
      said = say("console.no-server-answers", "servers", servers.toString());
      Thread.sleep(AGAIN_MS);
    }
  }

  /** Whether it is the shop's own the link looks at: nothing is sent here. */
  static Optional<URI> answering(List<URI> servers) {
    return servers.stream()
        .filter(
            server -> {
              int port = server.getPort() < 0 ? HTTPS : server.getPort();
              try (Socket socket = new Socket()) {
                socket.connect(new InetSocketAddress(server.getHost(), port), CONNECT_MS);
                return true;
              } catch (IOException e) {
                return false;
              }
            })
        .findFirst();
  }
}

package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.net.http.WebSocketHandshakeException;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.BenchLink;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkFormatException;
import tekmerion.link.MachineNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.link.tls.Fingerprint;
import tekmerion.link.tls.ShopAuthority;
import tekmerion.probe.copy.HeldCopies;
import tekmerion.probe.outbox.Outbox;

/**
 * Keeps one probe on the bench link until it is told to stop or refused for good. A lost link is
 * tried again after 1, 2, 4 … 15 seconds; what was read meanwhile waits in the outbox.
 */
public final class LinkClient {
  private static final Duration FIRST_PAUSE = Duration.ofSeconds(1);
  private static final Duration MAX_PAUSE = Duration.ofSeconds(15);
  private static final Duration PING_EVERY = Duration.ofSeconds(10);
  private static final Duration LOOK_EVERY = Duration.ofSeconds(1);
  private static final Duration COPIES_EVERY = Duration.ofSeconds(30);
  private static final int BATCH = 50;
  private final URI server;
  private final String code;
  private final MachineUnderTest machine;
  private final Outbox outbox;
  private final Told told;
  private final Path folder;
  private final Path copies;
  private CommandHost commands;
  private RunHost runs;
  private volatile Session session;
  private final HttpClient http;

  /**
   * Whom the probe links to.
   *
   * @param authority whose server it must be; empty where it needs none, on this machine, or where
   *     the certificate is one that Java trusts anyway
   */
  public record Server(URI address, Optional<Fingerprint> authority) {
    private static final String PLAIN =
        "%s is not on this machine, and what is sent to it could be read and changed on the way."
            + " Nothing was sent. Use the server's https address, with --authority.";

    public Server {
      if (!"https".equals(address.getScheme()) && !isHere(address)) {
        throw new LinkRefusedException(PLAIN.formatted(address));
      }
    }

    private static boolean isHere(URI address) {
      try {
        return InetAddress.getByName(address.getHost()).isLoopbackAddress();
      } catch (UnknownHostException e) {
        return false;
      }
    }

    private HttpClient client() {
      HttpClient.Builder builder = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(10));
      authority.map(ShopAuthority::trusting).ifPresent(builder::sslContext);
      return builder.build();
    }
  }

  /**
   * @param server the shop's
   * @param code enrolment code; null to knock, or if the probe is enrolled already
   * @param folder where the probe keeps what it knows of runs
   * @param copies where copies of customers' data go
   * @param told what the link does
   */
  public LinkClient(
      Server server,
      String code,
      MachineUnderTest machine,
      Outbox outbox,
      Path folder,
      Path copies,
      Told told) {
    this.server = server.address();
    this.http = server.client();
    this.code = code;
    this.machine = machine;
    this.outbox = outbox;
    this.folder = folder;
    this.copies = copies;
    this.told = told;
  }

  /**
   * Returns only when interrupted.
   *
   * @throws LinkRefusedException if the server does not take this probe
   */
  public void run() throws InterruptedException {
    boolean enrolsFirst = outbox.identity(Enroller.TOKEN).isEmpty();
    // Outlives every connection: what is being read when the link is lost is read to its end.
    try (CommandHost host = new CommandHost(machine, outbox, clock(), this::report, this::pumpNow);
        RunHost runHost =
            new RunHost(machine, outbox, folder, copies, clock(), this::report, this::pumpNow)) {
      commands = host;
      runs = runHost;
      keepLinked(enrolsFirst);
    }
  }

  private void keepLinked(boolean enrolsFirst) throws InterruptedException {
    Duration pause = FIRST_PAUSE;
    boolean codeTried = enrolsFirst;
    while (true) {
      String why = "";
      try {
        String token = Enroller.token(server, code, MachineNote.of(machine), outbox, http, told);
        session = new Session();
        session.run(token);
        pause = FIRST_PAUSE;
      } catch (LinkRefusedException e) {
        if (code == null && e instanceof RevokedException) {
          outbox.forgetIdentity(Enroller.TOKEN); // started again it knocks
        }
        if (codeTried || code == null) {
          throw e;
        }
        told.said(say("probe.old-enrolment-is-not-good"));
        outbox.forgetIdentity(Enroller.TOKEN);
        codeTried = true;
        continue;
      } catch (IOException e) {
        why = say("probe.no-link", "server", server.toString(), "why", Why.of(e)) + " ";
      }
      told.said(why + say("probe.trying-again", "seconds", pause.toSeconds()));
      Thread.sleep(pause.toMillis());
      pause = pause.multipliedBy(2).compareTo(MAX_PAUSE) > 0 ? MAX_PAUSE : pause.multipliedBy(2);
    }
  }

  private void report(ToServer progress) {
    Session now = session;
    if (now != null) {
      now.send(progress);
    }
  }

  private void pumpNow() {
    Session now = session;
    if (now != null) {
      now.pump();
    }
  }

  /** One connection, from hello to its end. */
  private final class Session implements WebSocket.Listener {
    private final CountDownLatch ended = new CountDownLatch(1);
    private final StringBuilder partial = new StringBuilder();
    private WebSocket socket;
    private long sentThrough;
    private MachineNote toldOf;
    private volatile boolean welcomed;
    private volatile LinkRefusedException refused;

    void run(String token) throws IOException, InterruptedException {
      URI address =
          URI.create(server.toString().replaceFirst("^http", "ws")).resolve(BenchLink.SOCKET_PATH);
      try {
        WebSocket open =
            http.newWebSocketBuilder()
                .connectTimeout(Duration.ofSeconds(10))
                .header("Authorization", "Bearer " + token)
                .buildAsync(address, this)
                .join();
        synchronized (this) {
          socket = open;
        }
        toldOf = MachineNote.of(machine);
        send(
            new ToServer.Hello(
                BenchLink.PROTOCOL, ProbeVersion.CURRENT, toldOf, outbox.lastNumber()));
        long pingAt = System.nanoTime() + PING_EVERY.toNanos();
        long copiesAt = System.nanoTime();
        while (!ended.await(LOOK_EVERY.toMillis(), TimeUnit.MILLISECONDS)) {
          tellOfDrives();
          if (welcomed && System.nanoTime() >= copiesAt) {
            tellOfCopies();
            copiesAt = System.nanoTime() + COPIES_EVERY.toNanos();
          }
          if (System.nanoTime() >= pingAt) {
            ping();
            pingAt = System.nanoTime() + PING_EVERY.toNanos();
          }
        }
      } catch (CompletionException e) {
        throw unwrapped(e);
      }
      if (refused != null) {
        throw refused;
      }
    }

    /** Drives come and go while the machine runs; asking for their list asks none of them. */
    private void tellOfDrives() {
      try {
        MachineNote now = MachineNote.of(machine);
        if (welcomed && !now.equals(toldOf)) {
          toldOf = now;
          send(new ToServer.MachineNow(now));
        }
      } catch (RuntimeException e) {
        told.said(say("probe.drives-cannot-be-listed", "why", Why.of(e)));
      }
    }

    /** A copy that is gone must not count for one that is there. */
    private void tellOfCopies() {
      try {
        send(new ToServer.CopiesHeld(HeldCopies.in(copies)));
      } catch (IOException | RuntimeException e) {
        told.said(say("probe.copies-cannot-be-looked-at", "why", Why.of(e)));
      }
    }

    @Override
    public synchronized CompletionStage<?> onText(WebSocket from, CharSequence data, boolean last) {
      partial.append(data);
      if (last) {
        String json = partial.toString();
        partial.setLength(0);
        try {
          handle(LinkCodec.decode(json, ToProbe.class));
        } catch (LinkFormatException e) {
          // A newer server may know commands that we do not: leave them, keep the link.
          told.said(say("probe.not-understood", "why", Why.of(e)));
        }
      }
      from.request(1);
      return null;
    }

    @Override
    public CompletionStage<?> onClose(WebSocket from, int status, String reason) {
      if (status == BenchLink.CLOSE_REVOKED) {
        refused = new RevokedException(reason);
      } else if (status == BenchLink.CLOSE_BAD_MESSAGE) {
        refused = new LinkRefusedException(reason);
      }
      ended.countDown();
      return null;
    }

    @Override
    public void onError(WebSocket from, Throwable error) {
      ended.countDown();
    }

    private void handle(ToProbe message) {
      if (message instanceof ToProbe.Welcome welcome) {
        told.said(say("probe.on-the-bench-link", "bay", welcome.bay()));
        outbox.acknowledge(welcome.receivedThrough());
        sentThrough = welcome.receivedThrough();
        welcomed = true;
        told.linked();
        pump();
        commands.readOnceUnasked();
      } else if (message instanceof ToProbe.Acknowledge acknowledge) {
        outbox.acknowledge(acknowledge.through());
        pump();
      } else if (message instanceof ToProbe.Resend resend) {
        sentThrough = resend.from() - 1;
        pump();
      } else if (message instanceof ToProbe.ReadPart read) {
        commands.accept(read);
      } else if (message instanceof ToProbe.StartRun start) {
        runs.accept(start);
      } else if (message instanceof ToProbe.StopRun stop) {
        runs.accept(stop);
      } else if (message instanceof ToProbe.ReleaseGiven given) {
        runs.accept(given);
      } else if (message instanceof ToProbe.ReleaseRefused refusal) {
        runs.accept(refusal);
      }
    }

    /** Sends what waits, in order. */
    private synchronized void pump() {
      if (!welcomed) {
        return;
      }
      for (Outbox.Waiting next : outbox.waiting(sentThrough + 1, BATCH)) {
        send(new ToServer.Event(next.number(), LinkCodec.decode(next.body(), LinkEvent.class)));
        sentThrough = next.number();
      }
    }

    private synchronized void send(ToServer message) {
      if (socket == null || socket.isOutputClosed()) {
        return;
      }
      try {
        socket.sendText(LinkCodec.encode(message), true).join();
      } catch (CompletionException e) {
        // Lost in mid-sentence: what matters is in the outbox and goes again after reconnecting.
        ended.countDown();
      }
    }

    private synchronized void ping() {
      try {
        socket.sendPing(ByteBuffer.allocate(0)).join();
      } catch (CompletionException e) {
        ended.countDown();
      }
    }

    private IOException unwrapped(CompletionException e) throws IOException {
      if (e.getCause() instanceof WebSocketHandshakeException refusal) {
        int status = refusal.getResponse().statusCode();
        if (status == 401 || status == 403) {
          throw new RevokedException(say("probe.revoked"));
        }
        return new IOException("the server answered with status " + status, e);
      }
      Throwable cause = e.getCause() == null ? e : e.getCause();
      String why =
          cause.getMessage() == null ? cause.getClass().getSimpleName() : cause.getMessage();
      return new IOException(why, cause);
    }
  }

  private Clock clock() {
    return machine.clock().map(c -> c.withZone(ZoneOffset.UTC)).orElseGet(Clock::systemUTC);
  }
}

package tekmerion.launch;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import tekmerion.link.BenchLink;
import tekmerion.link.LinkCodec;
import tekmerion.link.MachineNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;

/**
 * A probe's end of the bench link that sends what {@link HostileMessages} makes. Its own outbox
 * must never be held up: an event with the number that the server waits for is acknowledged,
 * whatever is in it.
 */
public final class HostileProbe implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(30);

  /**
   * A connection that fails so often for one and the same event means that its outbox is held up.
   */
  private static final int TRIES = 3;

  private static final MachineNote MACHINE =
      new MachineNote(
          "Ostrel",
          "17",
          "",
          "hostile",
          List.of(
              new MachineNote.DriveNote("drive-a", "Drive A"),
              new MachineNote.DriveNote("drive-b", "Drive B")),
          List.of("board", "memory"));

  private final HttpClient http = HttpClient.newBuilder().connectTimeout(PATIENCE).build();
  private final URI address;
  private final String token;
  private final HostileMessages messages;
  private Link link;
  private long through;
  private long reconnects;

  private record Closed(int code, String why) {}

  /** One connection. */
  private final class Link implements WebSocket.Listener {
    private final BlockingQueue<Object> received = new LinkedBlockingQueue<>();
    private final StringBuilder partial = new StringBuilder();
    private WebSocket socket;

    @Override
    public CompletionStage<?> onText(WebSocket from, CharSequence data, boolean last) {
      partial.append(data);
      if (last) {
        received.add(LinkCodec.decode(partial.toString(), ToProbe.class));
        partial.setLength(0);
      }
      from.request(1);
      return null;
    }

    @Override
    public CompletionStage<?> onClose(WebSocket from, int status, String reason) {
      received.add(new Closed(status, reason));
      return null;
    }

    @Override
    public void onError(WebSocket from, Throwable error) {
      received.add(new Closed(1006, String.valueOf(error.getMessage())));
    }
  }

  /**
   * Enrols in a bay.
   *
   * @param shop signed in as somebody who may
   */
  public HostileProbe(URI server, ShopClient shop, int bay, HostileMessages messages) {
    ShopClient.Answer answer =
        shop.post(
            BenchLink.ENROLMENT_PATH,
            Map.of(
                "code",
                shop.enrolmentCode(bay),
                "probeVersion",
                "test",
                "outboxId",
                UUID.randomUUID(),
                "machine",
                MACHINE));
    if (answer.status() != 200) {
      throw new LaunchException("The hostile probe was not enrolled: " + answer.body());
    }
    this.token = answer.body().get("token").stringValue();
    this.address =
        URI.create(server.toString().replaceFirst("^http", "ws") + BenchLink.SOCKET_PATH);
    this.messages = messages;
    connect();
  }

  private void connect() {
    link = new Link();
    link.socket =
        http.newWebSocketBuilder()
            .header("Authorization", "Bearer " + token)
            .buildAsync(address, link)
            .join();
    link.socket.sendText(
        LinkCodec.encode(new ToServer.Hello(BenchLink.PROTOCOL, "test", MACHINE, through)), true);
    while (true) {
      Object answer = next(PATIENCE);
      if (answer instanceof ToProbe.Welcome welcome) {
        through = welcome.receivedThrough();
        return;
      }
      if (!(answer instanceof ToProbe)) {
        throw new LaunchException("The server does not welcome the hostile probe: " + answer);
      }
    }
  }

  private Object next(Duration patience) {
    try {
      Object message = link.received.poll(patience.toMillis(), TimeUnit.MILLISECONDS);
      if (message instanceof ToProbe.ReadDrive read) {
        messages.know(read.requestId());
      } else if (message instanceof ToProbe.StartRun start) {
        messages.know(start.requestId());
      } else if (message instanceof ToProbe.Acknowledge acknowledge) {
        through = Math.max(through, acknowledge.through());
      }
      return message;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new LaunchException("Stopped while sending.", e);
    }
  }

  /**
   * Sends one message; of an event in turn, waits until it is acknowledged.
   *
   * @return the message, as it was sent
   * @throws LaunchException if its outbox is held up
   */
  public HostileMessages.Message send() {
    HostileMessages.Message message = messages.message(through + 1);
    Optional<Closed> closed = Optional.empty();
    for (int i = 0; i < TRIES; i++) {
      closed = trySend(message);
      if (closed.isEmpty()) {
        return message;
      }
      reconnects++;
      connect();
      if (message.number() == 0 || through >= message.number()) {
        return message;
      }
    }
    throw new LaunchException(
        "Event %d of %d characters holds the outbox up (%s): %s"
            .formatted(message.number(), message.text().length(), closed, message.text()));
  }

  private Optional<Closed> trySend(HostileMessages.Message message) {
    try {
      link.socket.sendText(message.text(), true).join();
    } catch (CompletionException e) {
      return Optional.of(new Closed(1006, String.valueOf(e.getCause())));
    }
    long until = System.nanoTime() + PATIENCE.toNanos();
    while (true) {
      boolean waits = message.number() > through;
      Object answer = next(waits ? Duration.ofMillis(200) : Duration.ZERO);
      if (answer instanceof Closed closed) {
        return Optional.of(closed);
      }
      if (answer == null && !waits) {
        return Optional.empty();
      }
      if (System.nanoTime() > until) {
        return Optional.of(new Closed(0, "no answer within " + PATIENCE));
      }
    }
  }

  /** Everything up to it is acknowledged. */
  public long through() {
    return through;
  }

  /** How often the server closed the connection. */
  public long reconnects() {
    return reconnects;
  }

  @Override
  public void close() {
    if (link.socket != null) { // else its last connection could not be opened
      link.socket.abort();
    }
  }
}

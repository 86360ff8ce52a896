package tekmerion.launch;

import java.net.URI;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletionException;
import tekmerion.link.ToProbe;

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

  private final URI server;
  private final String token;
  private final HostileMessages messages;
  private LinkPeer link;
  private long through;
  private long reconnects;

  /**
   * Enrols in a bay.
   *
   * @param shop signed in as somebody who may
   */
  public HostileProbe(URI server, ShopClient shop, int bay, HostileMessages messages) {
    this.server = server;
    this.token = LinkPeer.enrol(shop, bay, UUID.randomUUID());
    this.messages = messages;
    connect();
  }

  private void connect() {
    link = opened();
    link.hello(through);
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

  /** As any probe does: not let in at once, it tries again. */
  private LinkPeer opened() {
    long until = System.nanoTime() + PATIENCE.toNanos();
    while (true) {
      try {
        return new LinkPeer(server, token);
      } catch (CompletionException e) {
        if (System.nanoTime() > until) {
          throw new LaunchException("The server does not let the hostile probe in.", e);
        }
        pause();
      }
    }
  }

  private static void pause() {
    try {
      Thread.sleep(500);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new LaunchException("Stopped while sending.", e);
    }
  }

  private Object next(Duration patience) {
    try {
      Object message = link.poll(patience);
      if (message instanceof ToProbe.ReadPart read) {
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
    Optional<LinkPeer.Closed> closed = Optional.empty();
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

  private Optional<LinkPeer.Closed> trySend(HostileMessages.Message message) {
    try {
      link.sendRaw(message.text());
    } catch (CompletionException e) {
      return Optional.of(new LinkPeer.Closed(1006, String.valueOf(e.getCause())));
    }
    long until = System.nanoTime() + PATIENCE.toNanos();
    while (true) {
      boolean waits = message.number() > through;
      Object answer = next(waits ? Duration.ofMillis(200) : Duration.ZERO);
      if (answer instanceof LinkPeer.Closed closed) {
        return Optional.of(closed);
      }
      if (answer == null && !waits) {
        return Optional.empty();
      }
      if (System.nanoTime() > until) {
        return Optional.of(new LinkPeer.Closed(0, "no answer within " + PATIENCE));
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
    link.close();
  }
}

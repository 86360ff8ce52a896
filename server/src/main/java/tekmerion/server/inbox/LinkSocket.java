package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.TransientDataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.handler.ConcurrentWebSocketSessionDecorator;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import tekmerion.link.BenchLink;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkFormatException;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.server.probe.ProbeChannel;
import tekmerion.server.transaction.DatabaseGone;

/**
 * Open connections of probes. One message at a time each; everything kept is {@link LinkInbox}'s.
 */
@Component
public class LinkSocket extends TextWebSocketHandler implements ProbeChannel {
  private static final Logger LOG = LoggerFactory.getLogger(LinkSocket.class);
  private static final int SEND_LIMIT_MS = 10_000;
  private static final int SEND_BUFFER = 1 << 20;

  /** RFC 6455's registry of close codes: try again later. */
  private static final int TRY_LATER = 1013;

  /** How long a message waits for its turn. */
  private static final int TURN_SECONDS = 30;

  private final LinkInbox inbox;
  private final DayAllowance allowance;

  /**
   * Probes together never hold more than half of the database's connections, however much they
   * send: people are answered.
   */
  private final Semaphore turns;

  private final SeldomSaid unusable = new SeldomSaid(LOG);
  private final Map<UUID, WebSocketSession> sessions = new ConcurrentHashMap<>();

  LinkSocket(
      LinkInbox inbox,
      DayAllowance allowance,
      @Value("${spring.datasource.hikari.maximum-pool-size}") int databaseConnections) {
    this.inbox = inbox;
    this.allowance = allowance;
    this.turns = new Semaphore(Math.max(1, databaseConnections / 2), true);
  }

  @Override
  public void afterConnectionEstablished(WebSocketSession raw) {
    WebSocketSession session =
        new ConcurrentWebSocketSessionDecorator(raw, SEND_LIMIT_MS, SEND_BUFFER);
    WebSocketSession before = sessions.put(probeId(raw), session);
    if (before != null) {
      close(before, CloseStatus.SERVICE_RESTARTED);
    }
  }

  @Override
  protected void handleTextMessage(WebSocketSession raw, TextMessage message) {
    UUID probeId = probeId(raw);
    if (!allowance.allows(probeId, message.getPayloadLength())) {
      unusable.say(probeId, say("inbox.it-sent-more-than-a-probe"));
      close(raw, new CloseStatus(TRY_LATER, say("inbox.more-was-sent-today-than-a")));
      return;
    }
    if (!isItsTurn()) {
      // Not kept and not acknowledged: the probe reconnects and sends it again.
      close(raw, CloseStatus.SERVICE_OVERLOAD);
      return;
    }
    try {
      take(probeId, message.getPayload()).forEach(answer -> send(probeId, answer));
    } catch (LinkFormatException e) {
      close(raw, new CloseStatus(BenchLink.CLOSE_BAD_MESSAGE, shortened(e.getMessage())));
    } catch (ProbeRevokedException e) {
      close(raw, new CloseStatus(BenchLink.CLOSE_REVOKED, e.getMessage()));
    } catch (RuntimeException e) {
      // Not committed, so not acknowledged: the probe reconnects and sends it again.
      LOG.error("a message of probe {} was not kept", probeId, e);
      close(raw, CloseStatus.SERVER_ERROR);
    } finally {
      turns.release();
    }
  }

  private boolean isItsTurn() {
    try {
      return turns.tryAcquire(TURN_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  /**
   * A numbered event is taken, or kept as one that cannot be used; only a database that does not
   * answer makes it come again.
   *
   * @throws LinkFormatException if it is no message and no event that could be kept
   */
  private List<ToProbe> take(UUID probeId, String text) {
    ToServer message;
    try {
      message = LinkCodec.decode(text, ToServer.class);
    } catch (LinkFormatException e) {
      RawEvent raw = RawEvent.of(text).orElseThrow(() -> e);
      return inbox.unusable(probeId, raw.number(), raw.requestId(), text, e.getMessage());
    }
    try {
      return inbox.receive(probeId, message);
    } catch (LinkFormatException
        | ProbeRevokedException
        | TransientDataAccessException
        | TransactionException e) {
      throw e;
    } catch (RuntimeException e) {
      if (DatabaseGone.isBehind(e)) {
        throw e;
      }
      if (message instanceof ToServer.Event event) {
        unusable.say(
            probeId,
            say(
                "inbox.event-cannot-be-used",
                "event",
                event.number(),
                "shortened",
                shortened("" + e)));
        return inbox.unusable(
            probeId,
            event.number(),
            event.event().requestId(),
            text,
            say("inbox.it-does-not-fit", "e", e));
      }
      unusable.say(probeId, say("inbox.a-message-cannot-be-used", "shortened", shortened("" + e)));
      return List.of();
    }
  }

  @Override
  public void afterConnectionClosed(WebSocketSession raw, CloseStatus status) {
    UUID probeId = probeId(raw);
    WebSocketSession current = sessions.get(probeId);
    if (current != null && current.getId().equals(raw.getId())) {
      sessions.remove(probeId, current);
      inbox.wentOff(probeId);
    }
  }

  /**
   * Sends if the probe is on this server; otherwise it gets what is open when it next says hello.
   */
  @Override
  public void send(UUID probeId, ToProbe message) {
    WebSocketSession session = sessions.get(probeId);
    if (session == null) {
      return;
    }
    try {
      session.sendMessage(new TextMessage(LinkCodec.encode(message)));
    } catch (IOException | IllegalStateException e) {
      LOG.info("probe {} did not take a message: {}", probeId, e.getMessage());
      close(session, CloseStatus.SESSION_NOT_RELIABLE);
    }
  }

  /** Ends a revoked probe's connection at once. */
  void dismiss(UUID probeId) {
    WebSocketSession session = sessions.get(probeId);
    if (session != null) {
      close(session, new CloseStatus(BenchLink.CLOSE_REVOKED, ProbeRevokedException.words()));
    }
  }

  private static UUID probeId(WebSocketSession session) {
    return (UUID) session.getAttributes().get(TokenCheck.PROBE_ID);
  }

  /** A close reason may have 123 bytes: RFC 6455, 5.5. */
  private static String shortened(String words) {
    return words.length() <= 110 ? words : words.substring(0, 110);
  }

  private static void close(WebSocketSession session, CloseStatus status) {
    try {
      session.close(status);
    } catch (IOException e) {
      LOG.debug("closing a connection that is gone", e);
    }
  }
}

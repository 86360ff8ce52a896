package tekmerion.launch;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.nio.ByteBuffer;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import tekmerion.link.BenchLink;
import tekmerion.link.LinkCodec;
import tekmerion.link.MachineNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;

/** The probe's end of the bench link, driven by hand, so that it can misbehave. */
public final class LinkPeer implements AutoCloseable, WebSocket.Listener {
  public static final MachineNote MACHINE =
      new MachineNote(
          "Ostrel",
          "17",
          "",
          "test",
          List.of(new MachineNote.DriveNote("drive-a", "Drive A")),
          List.of());

  /** Never sent: the connection broke (RFC 6455, 7.4.1). */
  private static final int ABNORMAL = 1006;

  private static final HttpClient HTTP = HttpClient.newHttpClient();
  private static final Duration PATIENCE = Duration.ofSeconds(60);

  /** As a probe does: a server that hears nothing for too long takes it for gone. */
  private static final Duration PING_EVERY = Duration.ofSeconds(10);

  private static final ScheduledExecutorService PINGS =
      Executors.newSingleThreadScheduledExecutor(
          task -> {
            Thread thread = new Thread(task, "link-peer-pings");
            thread.setDaemon(true);
            return thread;
          });

  /** Messages and, at the end, how it was closed. */
  private final BlockingQueue<Object> received = new LinkedBlockingQueue<>();

  private final StringBuilder partial = new StringBuilder();
  private final WebSocket socket;
  private final ScheduledFuture<?> pings;

  public LinkPeer(URI server, String token) {
    socket =
        HTTP.newWebSocketBuilder()
            .header("Authorization", "Bearer " + token)
            .buildAsync(
                URI.create(server.toString().replaceFirst("^http", "ws") + BenchLink.SOCKET_PATH),
                this)
            .join();
    pings =
        PINGS.scheduleAtFixedRate(
            () -> socket.sendPing(ByteBuffer.allocate(0)),
            PING_EVERY.toMillis(),
            PING_EVERY.toMillis(),
            TimeUnit.MILLISECONDS);
  }

  /** Enrols with a code from a bay and returns the token. */
  public static String enrol(ShopClient shop, int bay, UUID outbox) {
    ShopClient.Answer answer = tryCode(shop, shop.enrolmentCode(bay), outbox);
    if (answer.status() != 200) {
      throw new IllegalStateException("not enrolled: " + answer.body());
    }
    return answer.body().get("token").stringValue();
  }

  public static ShopClient.Answer tryCode(ShopClient shop, String code, UUID outbox) {
    return shop.post(
        BenchLink.ENROLMENT_PATH,
        Map.of("code", code, "probeVersion", "test", "outboxId", outbox, "machine", MACHINE));
  }

  public void hello(long lastNumber) {
    send(new ToServer.Hello(BenchLink.PROTOCOL, "test", MACHINE, lastNumber));
  }

  public void send(ToServer message) {
    sendRaw(LinkCodec.encode(message));
  }

  public void sendRaw(String text) {
    socket.sendText(text, true).join();
  }

  public <T extends ToProbe> T next(Class<T> type) throws InterruptedException {
    Object message = poll(PATIENCE);
    if (!type.isInstance(message)) {
      throw new AssertionError("wanted a " + type.getSimpleName() + ", got " + message);
    }
    return type.cast(message);
  }

  /** What came: a {@link ToProbe} or a {@link Closed}; null if nothing did within the time. */
  Object poll(Duration patience) throws InterruptedException {
    return received.poll(patience.toMillis(), TimeUnit.MILLISECONDS);
  }

  /**
   * How the server, or the network, closed it.
   *
   * @param code of RFC 6455, 7.4, or {@link BenchLink}'s own
   */
  public record Closed(int code, String why) {}

  /** Waits for it; messages that came before are left out. */
  public Closed closing() throws InterruptedException {
    for (Object message = poll(PATIENCE); message != null; message = poll(PATIENCE)) {
      if (message instanceof Closed closed) {
        return closed;
      }
    }
    throw new AssertionError("the server did not close the link");
  }

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
    received.add(new Closed(ABNORMAL, String.valueOf(error.getMessage())));
  }

  @Override
  public void close() {
    pings.cancel(false);
    socket.abort();
  }
}

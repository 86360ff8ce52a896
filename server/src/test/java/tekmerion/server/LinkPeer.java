package tekmerion.server;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import tekmerion.launch.ShopClient;
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
  private static final Duration PATIENCE = Duration.ofSeconds(10);

  private final BlockingQueue<ToProbe> received = new LinkedBlockingQueue<>();
  private final BlockingQueue<Map.Entry<Integer, String>> closed = new LinkedBlockingQueue<>();
  private final StringBuilder partial = new StringBuilder();
  private final WebSocket socket;

  public LinkPeer(URI server, String token) {
    socket =
        HttpClient.newHttpClient()
            .newWebSocketBuilder()
            .header("Authorization", "Bearer " + token)
            .buildAsync(
                URI.create(server.toString().replaceFirst("^http", "ws") + BenchLink.SOCKET_PATH),
                this)
            .join();
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
    ToProbe message = received.poll(PATIENCE.toSeconds(), TimeUnit.SECONDS);
    if (!type.isInstance(message)) {
      throw new AssertionError("wanted a " + type.getSimpleName() + ", got " + message);
    }
    return type.cast(message);
  }

  /** Close code and reason; waits for it. */
  public Map.Entry<Integer, String> closing() throws InterruptedException {
    Map.Entry<Integer, String> close = closed.poll(PATIENCE.toSeconds(), TimeUnit.SECONDS);
    if (close == null) {
      throw new AssertionError("the server did not close the link");
    }
    return close;
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
    closed.add(Map.entry(status, reason));
    return null;
  }

  @Override
  public void close() {
    socket.abort();
  }
}

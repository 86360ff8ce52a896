package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;

/** Some who are slow, or send much, hold up nobody else. */
@ExtendWith(RunningServer.class)
class CrowdTest {
  /** Rounds, if a machine stands still for so long that the time of all bodies is over. */
  private static final int ROUNDS = 6;

  private static Socket open(URI server, String head) throws IOException {
    Socket socket = new Socket(server.getHost(), server.getPort());
    socket.setSoTimeout(20_000);
    socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
    return socket;
  }

  @Test
  void twoHundredAndThirtySlowBodiesLeaveTheFloorAlone(RunningServer.Shop shop) throws Exception {
    ShopClient person = shop.signedIn();
    ShopClient stranger = shop.stranger();
    stranger.get("/api/session");
    String token = stranger.cookie("XSRF-TOKEN").orElseThrow();
    boolean seen = false;
    for (int round = 0; round < ROUNDS && !seen; round++) {
      List<Socket> slow = new ArrayList<>();
      try {
        for (int i = 0; i < 230; i++) {
          // Every second one gets as far as to where its body is read.
          slow.add(open(shop.address(), slowHead(token, i % 2 == 0 ? token : "none")));
        }
        assertThat(person.get("/api/floor").status()).isEqualTo(200);
        // The floor did not wait for a body to end, and some were turned away at once.
        seen = slow.get(0).getInputStream().available() == 0 && anyTurnedAway(slow);
      } finally {
        for (Socket socket : slow) {
          socket.close();
        }
      }
    }
    assertThat(seen).as("the floor's answer before the slow ones', and some turned away").isTrue();
  }

  private static String slowHead(String cookie, String header) {
    return "POST /api/session HTTP/1.1\r\nHost: shop\r\nContent-Type: application/json\r\n"
        + "Cookie: XSRF-TOKEN=%s\r\nX-XSRF-TOKEN: %s\r\n".formatted(cookie, header)
        + "Content-Length: 1000\r\n\r\n{";
  }

  private static boolean anyTurnedAway(List<Socket> sockets) throws IOException {
    for (Socket socket : sockets) {
      if (socket.getInputStream().available() > 0) {
        String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        if (answer.startsWith("HTTP/1.1 503")) {
          assertThat(answer).contains("Too many requests are being read", "Nothing was changed.");
          return true;
        }
      }
    }
    return false;
  }

  /** A byte now and then does not help: the body has its time as a whole. */
  @Test
  void aDrippingBodyEnds(RunningServer.Shop shop) throws Exception {
    ShopClient stranger = shop.stranger();
    stranger.get("/api/session");
    String token = stranger.cookie("XSRF-TOKEN").orElseThrow();
    try (Socket dripping = open(shop.address(), slowHead(token, token))) {
      int drops = 0;
      while (dripping.getInputStream().available() == 0) {
        dripping.getOutputStream().write(' ');
        assertThat(++drops).as("bytes, a second each, of 1000").isLessThan(40);
        Thread.sleep(1000);
      }
    }
  }

  /** More of them, one after the other, than may be read at once. */
  @Test
  void whoBreaksOffIsForgotten(RunningServer.Shop shop) throws Exception {
    for (int i = 0; i < 150; i++) {
      Socket socket =
          open(
              shop.address(),
              "POST /api/session HTTP/1.1\r\nHost: shop\r\nContent-Length: 1000\r\n\r\n{");
      socket.setSoLinger(true, 0); // with a reset, in mid-body
      socket.close();
    }

    int status = 503;
    for (int i = 0; i < 60 && status == 503; i++) {
      Thread.sleep(1000);
      status = shop.stranger().signIn("ines", shop.password()).status();
    }
    assertThat(status).isEqualTo(200);
  }

  @Test
  void aReaderThatStopsHoldsUpNoOther(RunningServer.Shop shop) throws Exception {
    ShopClient person = shop.signedIn();
    try (Socket stalled = new Socket();
        Socket reading = open(shop.address(), stream(person))) {
      stalled.setReceiveBufferSize(2048);
      stalled.connect(reading.getRemoteSocketAddress());
      stalled.getOutputStream().write(stream(person).getBytes(StandardCharsets.US_ASCII));
      CompletableFuture<Void> heard = CompletableFuture.runAsync(() -> readUntilTheLast(reading));
      Thread.sleep(500);
      // Far more than the buffers between a server and one that does not read.
      for (int i = 0; i < 40; i++) {
        shop.asOwner(
            "INSERT INTO live_event (at, topic, body) SELECT UTC_TIMESTAMP(6), 'test',"
                + " REPEAT('x', 1900) FROM seq_1_to_100");
        Thread.sleep(50); // as they come: in lines of their own, not all at once
      }
      shop.asOwner(
          "INSERT INTO live_event (at, topic, body) VALUES (UTC_TIMESTAMP(6), 'last', '')");

      heard.get(60, TimeUnit.SECONDS);
    }
  }

  private static void readUntilTheLast(Socket socket) {
    StringBuilder heard = new StringBuilder();
    byte[] bytes = new byte[1 << 16];
    try {
      while (heard.indexOf("\"last\"") < 0) {
        int n = socket.getInputStream().read(bytes);
        assertThat(n).as("bytes, and no end").isPositive();
        heard.append(new String(bytes, 0, n, StandardCharsets.US_ASCII));
        heard.delete(0, Math.max(0, heard.length() - 70_000));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String stream(ShopClient person) {
    return "GET /api/live HTTP/1.1\r\nHost: shop\r\nAccept: text/event-stream\r\nConnection: close\r\nCookie: tekmerion="
        + person.cookie("tekmerion").orElseThrow()
        + "\r\n\r\n";
  }

  @Test
  void aStreamEndsWithItsSession(RunningServer.Shop shop) throws Exception {
    ShopClient person = shop.signedIn("bo");
    try (Socket reading = open(shop.address(), stream(person))) {
      assertThat(reading.getInputStream().read()).isEqualTo('H');

      person.delete("/api/session");

      reading.getInputStream().transferTo(OutputStream.nullOutputStream()); // to its end
    }
  }

  @Test
  void fiveLargePhotosAtOnceAreKept(RunningServer.Shop shop) throws Exception {
    ShopClient person = shop.signedIn();
    byte[] photo = photo(7000, 5200);
    List<CompletableFuture<Integer>> sent = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      sent.add(
          CompletableFuture.supplyAsync(
              () ->
                  person
                      .upload("/api/jobs/J-2291/photos?words=lid", "image/jpeg", photo)
                      .status()));
    }
    for (CompletableFuture<Integer> status : sent) {
      assertThat(status.get()).isEqualTo(200);
    }
  }

  private static byte[] photo(int width, int height) throws IOException {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Random random = new Random(20);
    for (int i = 0; i < 200; i++) {
      image.createGraphics().fillOval(random.nextInt(width), random.nextInt(height), 900, 300);
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, "jpeg", out);
    return out.toByteArray();
  }
}

package tekmerion.probe.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.link.Enrolment;
import tekmerion.link.Knock;
import tekmerion.link.LinkCodec;
import tekmerion.link.MachineNote;
import tekmerion.probe.outbox.Outbox;

/** The machine's side of a knock, against a server that answers as it is told. */
class KnockerTest {
  private static final MachineNote MACHINE =
      new MachineNote("Ostrel", "17", "OS-4411", "test", List.of(), List.of());
  private static final Enrolment.Granted GRANTED =
      new Enrolment.Granted(UUID.randomUUID().toString(), "token", "bay 1", "00");

  @TempDir Path folder;
  private final Deque<Reply> replies = new ArrayDeque<>();
  private final List<String> digits = new ArrayList<>();
  private final List<String> bodies = new ArrayList<>();
  private HttpServer server;

  private record Reply(int status, Object body) {}

  @BeforeEach
  void start() throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext(
        "/",
        exchange -> {
          bodies.add(new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
          Reply reply = replies.pop();
          byte[] body = LinkCodec.encode(reply.body()).getBytes(StandardCharsets.UTF_8);
          exchange.sendResponseHeaders(reply.status(), body.length);
          exchange.getResponseBody().write(body);
          exchange.close();
        });
    server.start();
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  private Enrolment.Granted knock() throws Exception {
    Told told =
        new Told() {
          @Override
          public void said(String words) {}

          @Override
          public void digits(String now) {
            digits.add(now);
          }
        };
    URI address = URI.create("http://127.0.0.1:" + server.getAddress().getPort());
    try (Outbox outbox = Outbox.open(folder)) {
      return new Knocker(address, HttpClient.newHttpClient(), told).knock(MACHINE, outbox);
    }
  }

  private void heard() {
    replies.add(new Reply(200, new Knock.Heard(UUID.randomUUID(), "cd".repeat(Knock.BYTES))));
  }

  private void answers(Knock.KnockStage stage, Enrolment.Granted granted) {
    replies.add(new Reply(200, new Knock.Answer(stage, granted)));
  }

  @Test
  void knocksAnewWhenItIsForgottenAndThenHasOtherDigits() throws Exception {
    heard();
    answers(Knock.KnockStage.WAITS, null);
    replies.add(new Reply(410, new Knock.Opening("")));
    heard();
    answers(Knock.KnockStage.WAITS, null);
    answers(Knock.KnockStage.LET_IN, GRANTED);

    assertThat(knock()).isEqualTo(GRANTED);

    assertThat(digits).hasSize(3).doesNotHaveDuplicates().last().isEqualTo(""); // it is in
    // Bound to a number of its own each time, and not telling it before it has heard the server's.
    Knock.Request first = LinkCodec.decode(bodies.get(0), Knock.Request.class);
    Knock.Request second = LinkCodec.decode(bodies.get(3), Knock.Request.class);
    assertThat(first.commitment()).isNotEqualTo(second.commitment());
    String number = LinkCodec.decode(bodies.get(1), Knock.Opening.class).nonce();
    assertThat(bodies.get(0)).doesNotContain(number);
  }

  @Test
  void endsWhenItIsTurnedAway() {
    heard();
    answers(Knock.KnockStage.TURNED_AWAY, null);

    assertThatThrownBy(this::knock).isInstanceOf(LinkRefusedException.class);
    assertThat(digits).containsExactly("");
  }

  @Test
  void comesBackLaterWhereTooManyKnock() {
    replies.add(new Reply(429, new Refusal("Too many machines knock.", "", "Wait.")));

    assertThatThrownBy(this::knock)
        .isInstanceOf(IOException.class)
        .hasMessageContaining("Too many machines knock");
  }

  @Test
  void doesNotKnockAgainWhereItIsNotTaken() {
    replies.add(new Reply(403, new Refusal("This machine is simulated.", "", "")));

    assertThatThrownBy(this::knock)
        .isInstanceOf(LinkRefusedException.class)
        .hasMessageContaining("simulated");
  }
}

package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.security.SecureRandom;
import java.security.cert.Certificate;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.util.HexFormat;
import java.util.Optional;
import javax.net.ssl.SSLPeerUnverifiedException;
import javax.net.ssl.SSLSession;
import tekmerion.link.BenchLink;
import tekmerion.link.Enrolment;
import tekmerion.link.Knock;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkFormatException;
import tekmerion.link.MachineNote;
import tekmerion.link.tls.Fingerprint;
import tekmerion.probe.outbox.Outbox;

/** Knocks at the server until somebody in the shop lets the machine in or turns it away. */
final class Knocker {
  private static final Duration ASK_EVERY = Duration.ofSeconds(2);
  private static final int OK = 200;
  private static final int GONE = 410;
  private static final SecureRandom RANDOM = new SecureRandom();

  private final URI server;
  private final HttpClient http;
  private final Told told;

  Knocker(URI server, HttpClient http, Told told) {
    this.server = server;
    this.http = http;
    this.told = told;
  }

  /**
   * Waits for as long as nobody answers, and knocks anew when the server has forgotten it.
   *
   * @throws IOException if the server cannot be reached, or takes no more knocks at this moment
   * @throws LinkRefusedException if it is turned away
   */
  Enrolment.Granted knock(MachineNote machine, Outbox outbox)
      throws IOException, InterruptedException {
    try {
      while (true) {
        Optional<Enrolment.Granted> granted = once(machine, outbox);
        if (granted.isPresent()) {
          return granted.get();
        }
      }
    } finally {
      told.digits("");
    }
  }

  /**
   * @return empty if the knock is over and nobody answered it, or the server has another
   *     certificate than when it began: renewed, or somebody sits between since
   */
  private Optional<Enrolment.Granted> once(MachineNote machine, Outbox outbox)
      throws IOException, InterruptedException {
    byte[] nonce = new byte[Knock.BYTES];
    RANDOM.nextBytes(nonce);
    Knock.Heard heard = heard(nonce, machine, outbox);
    URI mine = server.resolve(BenchLink.KNOCK_PATH + "/" + heard.id());
    Knock.Opening opening = new Knock.Opening(HexFormat.of().formatHex(nonce));
    HttpResponse<String> response = Sent.to(mine, opening, http);
    Optional<Fingerprint> certificate = certificate(response);
    boolean isTold = false;
    while (response.statusCode() != GONE && certificate(response).equals(certificate)) {
      Knock.Answer answer = decoded(response, Knock.Answer.class);
      switch (answer.stage()) {
        case LET_IN -> {
          return Optional.of(answer.granted());
        }
        case TURNED_AWAY -> throw new LinkRefusedException(say("probe.turned-away"));
        case WAITS -> {
          if (!isTold) {
            tell(Knock.digits(nonce, HexFormat.of().parseHex(heard.nonce()), certificate));
            isTold = true;
          }
        }
      }
      Thread.sleep(ASK_EVERY.toMillis());
      response = Sent.to(mine, opening, http);
    }
    return Optional.empty();
  }

  private Knock.Heard heard(byte[] nonce, MachineNote machine, Outbox outbox)
      throws IOException, InterruptedException {
    HttpResponse<String> response =
        Sent.to(
            server.resolve(BenchLink.KNOCK_PATH),
            new Knock.Request(
                HexFormat.of().formatHex(Knock.commitment(nonce)),
                ProbeVersion.CURRENT,
                outbox.id(),
                machine),
            http);
    return decoded(response, Knock.Heard.class);
  }

  private void tell(String digits) {
    told.digits(digits);
    told.said(say("probe.knocking", "digits", Knock.spaced(digits)));
  }

  /** With which this answer came. */
  private static Optional<Fingerprint> certificate(HttpResponse<?> response) throws IOException {
    Optional<SSLSession> session = response.sslSession();
    if (session.isEmpty()) {
      return Optional.empty();
    }
    try {
      Certificate first = session.get().getPeerCertificates()[0];
      return Optional.of(Fingerprint.of((X509Certificate) first));
    } catch (SSLPeerUnverifiedException e) {
      throw new IOException(e);
    }
  }

  /**
   * @throws IOException if it is to be tried again later
   * @throws LinkRefusedException if the server does not take this machine
   */
  private static <T> T decoded(HttpResponse<String> response, Class<T> as) throws IOException {
    int status = response.statusCode();
    if (status == OK) {
      try {
        return LinkCodec.decode(response.body(), as);
      } catch (LinkFormatException e) {
        throw new IOException(e.getMessage(), e);
      }
    }
    String sentence = Refusal.sentence(status, response.body());
    boolean isForNow = status == 429 || status >= 500;
    if (isForNow) {
      throw new IOException(sentence);
    }
    throw new LinkRefusedException(sentence);
  }
}

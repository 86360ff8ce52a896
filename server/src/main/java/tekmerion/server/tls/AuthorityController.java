package tekmerion.server.tls;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.cert.X509Certificate;
import java.time.Instant;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.link.tls.Fingerprint;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.problem.Refusal;

/** The shop's own certificate authority, for everybody who is to know the server by it. */
@RestController
class AuthorityController {
  private final Path file;

  /**
   * @param name whom browsers show as the issuer
   * @param fingerprint as a probe's {@code --authority} takes it
   * @param pem the certificate itself, which is no secret
   */
  record AuthorityView(String name, String fingerprint, Instant validUntil, String pem) {}

  AuthorityController(TekmerionProperties properties) {
    this.file = properties.authority();
  }

  /** 404 where the server is reached without one of the shop's own. */
  @GetMapping("/api/authority")
  AuthorityView authority() {
    if (file == null || file.toString().isEmpty()) {
      throw Refusal.notFound(say("tls.this-server-has-no-authority-of"));
    }
    X509Certificate certificate = OwnCertificate.read(file);
    try {
      return new AuthorityView(
          certificate.getSubjectX500Principal().getName(),
          Fingerprint.of(certificate).toString(),
          certificate.getNotAfter().toInstant(),
          Files.readString(file, StandardCharsets.US_ASCII));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}

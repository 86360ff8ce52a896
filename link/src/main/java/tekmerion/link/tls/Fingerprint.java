package tekmerion.link.tls;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.cert.CertificateEncodingException;
import java.security.cert.X509Certificate;
import java.util.HexFormat;
import java.util.Locale;

/**
 * The SHA-256 of a certificate's DER bytes, by which a person or a probe knows it again.
 *
 * @param hex 64 small hexadecimal digits
 */
public record Fingerprint(String hex) {
  private static final String PREFIX = "sha256:";

  public Fingerprint {
    if (!hex.matches("[0-9a-f]{64}")) {
      throw new IllegalArgumentException("A fingerprint is 64 hexadecimal digits, not " + hex);
    }
  }

  /**
   * @param text the digits, with or without {@code sha256:} before them, colons or spaces between
   * @throws IllegalArgumentException if it is none
   */
  public static Fingerprint parse(String text) {
    String digits = text.strip().toLowerCase(Locale.ROOT);
    if (digits.startsWith(PREFIX)) {
      digits = digits.substring(PREFIX.length());
    }
    return new Fingerprint(digits.replaceAll("[:\\s]", ""));
  }

  public static Fingerprint of(X509Certificate certificate) {
    try {
      byte[] digest = MessageDigest.getInstance("SHA-256").digest(certificate.getEncoded());
      return new Fingerprint(HexFormat.of().formatHex(digest));
    } catch (NoSuchAlgorithmException | CertificateEncodingException e) {
      throw new IllegalStateException("Every Java has SHA-256, and this was a certificate", e);
    }
  }

  /** As {@code --authority} takes it. */
  @Override
  public String toString() {
    return PREFIX + hex;
  }
}

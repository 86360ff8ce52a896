package tekmerion.launch.tls;

import java.math.BigInteger;
import java.net.InetAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.PrivateKey;
import java.security.PublicKey;
import java.security.SecureRandom;
import java.security.cert.X509Certificate;
import java.security.spec.ECGenParameterSpec;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import java.util.stream.Stream;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x509.BasicConstraints;
import org.bouncycastle.asn1.x509.ExtendedKeyUsage;
import org.bouncycastle.asn1.x509.Extension;
import org.bouncycastle.asn1.x509.GeneralName;
import org.bouncycastle.asn1.x509.GeneralNames;
import org.bouncycastle.asn1.x509.KeyPurposeId;
import org.bouncycastle.asn1.x509.KeyUsage;
import org.bouncycastle.cert.CertIOException;
import org.bouncycastle.cert.X509v3CertificateBuilder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cert.jcajce.JcaX509ExtensionUtils;
import org.bouncycastle.cert.jcajce.JcaX509v3CertificateBuilder;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentSignerBuilder;

/**
 * A certificate authority of one shop (RFC 5280), for its server alone: made once, for ten years.
 * Its key never leaves the folder.
 */
final class Authority {
  static final Duration LASTS = Duration.ofDays(3653);

  /** A machine whose clock is somewhat slow still takes a certificate that was just made. */
  private static final Duration BEFORE = Duration.ofDays(2);

  private static final int SERIAL_BITS = 127;
  private static final SecureRandom RANDOM = new SecureRandom();

  private final X509Certificate certificate;
  private final PrivateKey key;
  private final Clock clock;

  /** A certificate with the key that belongs to it. */
  record Issued(X509Certificate certificate, PrivateKey key) {}

  private Authority(X509Certificate certificate, PrivateKey key, Clock clock) {
    this.certificate = certificate;
    this.key = key;
    this.clock = clock;
  }

  /**
   * The one in this folder; made if there is none.
   *
   * @param shop what browsers show as the issuer
   */
  static Authority in(Path folder, String shop, Clock clock) {
    Path certificate = folder.resolve("authority.pem");
    Path key = folder.resolve("authority.key");
    if (!Files.exists(certificate)) {
      Issued made = made(shop, clock);
      Pem.write(key, made.key()); // first: a certificate without its key is of no use
      Pem.write(certificate, made.certificate());
    }
    return new Authority(Pem.certificates(certificate).get(0), Pem.key(key), clock);
  }

  private static Issued made(String shop, Clock clock) {
    KeyPair keys = keys();
    X500Name name = new X500Name("CN=" + clean(shop) + " certificate authority,O=" + clean(shop));
    Instant now = clock.instant();
    X509v3CertificateBuilder builder = builder(name, now, now.plus(LASTS), name, keys.getPublic());
    try {
      builder.addExtension(Extension.basicConstraints, true, new BasicConstraints(0));
      builder.addExtension(
          Extension.keyUsage, true, new KeyUsage(KeyUsage.keyCertSign | KeyUsage.cRLSign));
      builder.addExtension(
          Extension.subjectKeyIdentifier,
          false,
          new JcaX509ExtensionUtils().createSubjectKeyIdentifier(keys.getPublic()));
    } catch (CertIOException | GeneralSecurityException e) {
      throw new TlsFileException("Cannot make the shop's authority: " + e.getMessage(), e);
    }
    return new Issued(signed(builder, keys.getPrivate()), keys.getPrivate());
  }

  X509Certificate certificate() {
    return certificate;
  }

  /**
   * A certificate of a server.
   *
   * @param names by which it is asked, without a port
   * @param addresses likewise
   */
  Issued issue(List<String> names, List<InetAddress> addresses, Duration lasts) {
    KeyPair keys = keys();
    Instant now = clock.instant();
    X509v3CertificateBuilder builder =
        builder(
            // Byte for byte: a name that was written as text and read again has another order.
            X500Name.getInstance(certificate.getSubjectX500Principal().getEncoded()),
            now,
            now.plus(lasts),
            new X500Name("CN=" + clean(names.get(0))),
            keys.getPublic());
    GeneralName[] all =
        Stream.concat(
                names.stream().map(name -> new GeneralName(GeneralName.dNSName, name)),
                addresses.stream()
                    .map(a -> new GeneralName(GeneralName.iPAddress, a.getHostAddress())))
            .toArray(GeneralName[]::new);
    try {
      JcaX509ExtensionUtils utils = new JcaX509ExtensionUtils();
      builder.addExtension(Extension.basicConstraints, true, new BasicConstraints(false));
      builder.addExtension(Extension.keyUsage, true, new KeyUsage(KeyUsage.digitalSignature));
      builder.addExtension(
          Extension.extendedKeyUsage, false, new ExtendedKeyUsage(KeyPurposeId.id_kp_serverAuth));
      builder.addExtension(Extension.subjectAlternativeName, false, new GeneralNames(all));
      builder.addExtension(
          Extension.authorityKeyIdentifier, false, utils.createAuthorityKeyIdentifier(certificate));
    } catch (CertIOException | GeneralSecurityException e) {
      throw new TlsFileException("Cannot make the server's certificate: " + e.getMessage(), e);
    }
    return new Issued(signed(builder, key), keys.getPrivate());
  }

  private static X509v3CertificateBuilder builder(
      X500Name issuer, Instant from, Instant to, X500Name subject, PublicKey key) {
    return new JcaX509v3CertificateBuilder(
        issuer,
        new BigInteger(SERIAL_BITS, RANDOM),
        Date.from(from.minus(BEFORE)),
        Date.from(to),
        subject,
        key);
  }

  private static X509Certificate signed(X509v3CertificateBuilder builder, PrivateKey by) {
    try {
      return new JcaX509CertificateConverter()
          .getCertificate(builder.build(new JcaContentSignerBuilder("SHA256withECDSA").build(by)));
    } catch (OperatorCreationException | GeneralSecurityException e) {
      throw new TlsFileException("Cannot sign a certificate: " + e.getMessage(), e);
    }
  }

  /** On P-256, which every browser takes. */
  private static KeyPair keys() {
    try {
      KeyPairGenerator generator = KeyPairGenerator.getInstance("EC");
      generator.initialize(new ECGenParameterSpec("secp256r1"), RANDOM);
      return generator.generateKeyPair();
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("Every Java has P-256", e);
    }
  }

  /** Without what has a meaning in a name of X.500. */
  private static String clean(String text) {
    String plain = text.replaceAll("[^\\p{L}\\p{N} .-]", " ").strip();
    return plain.isEmpty() ? "Tekmerion" : plain;
  }
}

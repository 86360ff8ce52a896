package tekmerion.launch.tls;

import java.io.IOException;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.PrivateKey;
import java.security.PublicKey;
import java.security.Signature;
import java.security.cert.CertificateParsingException;
import java.security.cert.X509Certificate;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tekmerion.link.tls.Fingerprint;

/**
 * What a server speaks TLS with: files of the shop's, or an authority and a certificate of ours.
 */
public final class ShopTls {
  static final Duration LASTS = Duration.ofDays(90);

  /** So long before its end it is made anew. */
  static final Duration RENEWED = Duration.ofDays(30);

  private final Path certificate;
  private final Path key;
  private final Path authorityFile;
  private final Renewal renewal;

  @FunctionalInterface
  private interface Renewal {
    boolean ifNeeded();
  }

  private ShopTls(Path certificate, Path key, Path authorityFile, Renewal renewal) {
    this.certificate = certificate;
    this.key = key;
    this.authorityFile = authorityFile;
    this.renewal = renewal;
  }

  /**
   * Of our own authority, made in the folder if it is not there yet.
   *
   * @param shop its name
   * @param names and addresses by which it is asked
   */
  public static ShopTls own(
      Path folder, String shop, List<String> names, List<InetAddress> addresses, Clock clock) {
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new TlsFileException(
          "Cannot keep certificates in " + folder + ": " + e.getMessage(), e);
    }
    Authority authority = Authority.in(folder, shop, clock);
    Path certificate = folder.resolve("server.pem");
    Path key = folder.resolve("server.key");
    Renewal renewal =
        () -> {
          if (isGood(certificate, key, authority, names, addresses, clock.instant())) {
            return false;
          }
          Authority.Issued issued = authority.issue(names, addresses, LASTS);
          Pem.write(key, issued.key());
          Pem.write(certificate, issued.certificate(), authority.certificate());
          return true;
        };
    renewal.ifNeeded();
    return new ShopTls(certificate, key, folder.resolve("authority.pem"), renewal);
  }

  /**
   * Files that the shop has and renews itself.
   *
   * @throws TlsFileException if they cannot be read, are over, or do not belong together
   */
  public static ShopTls given(Path certificate, Path key, Clock clock) {
    X509Certificate own = Pem.certificates(certificate).get(0);
    if (own.getNotAfter().toInstant().isBefore(clock.instant())) {
      throw new TlsFileException(
          "The certificate in %s ended on %s. Give a newer one."
              .formatted(certificate, own.getNotAfter().toInstant()));
    }
    if (!belongTogether(Pem.key(key), own.getPublicKey())) {
      throw new TlsFileException("%s does not belong to %s".formatted(key, certificate));
    }
    return new ShopTls(certificate, key, null, () -> false);
  }

  /**
   * Makes the server's certificate anew when its end is near; the server takes it while it runs.
   *
   * @return whether it did
   */
  public boolean renewIfNeeded() {
    return renewal.ifNeeded();
  }

  /**
   * Of the authority, which probes and browsers are told; empty if the shop brought its own files.
   */
  public Optional<Fingerprint> authority() {
    return Optional.ofNullable(authorityFile).map(ShopTls::fingerprintOf);
  }

  /** Of the first certificate in a PEM file. */
  public static Fingerprint fingerprintOf(Path certificate) {
    return Fingerprint.of(Pem.certificates(certificate).get(0));
  }

  /** What the server is told by its environment. */
  public Map<String, String> environment() {
    Map<String, String> all = new HashMap<>();
    String bundle = "SPRING_SSL_BUNDLE_PEM_SHOP_";
    all.put("SERVER_SSL_BUNDLE", "shop");
    all.put(bundle + "KEYSTORE_CERTIFICATE", certificate.toUri().toString());
    all.put(bundle + "KEYSTORE_PRIVATEKEY", key.toUri().toString());
    all.put(bundle + "RELOADONUPDATE", "true");
    all.put(bundle + "OPTIONS_ENABLEDPROTOCOLS", "TLSv1.3,TLSv1.2");
    all.put("TEKMERION_SECURE_COOKIES", "true");
    if (authorityFile != null) {
      all.put("TEKMERION_AUTHORITY", authorityFile.toString());
    }
    return all;
  }

  /** Whether what is there lasts a while and is of the names that are asked for now. */
  private static boolean isGood(
      Path certificate,
      Path key,
      Authority authority,
      List<String> names,
      List<InetAddress> addresses,
      Instant now) {
    if (!Files.exists(certificate) || !Files.exists(key)) {
      return false;
    }
    X509Certificate present = Pem.certificates(certificate).get(0);
    Set<String> wanted =
        Stream.concat(names.stream(), addresses.stream().map(InetAddress::getHostAddress))
            .collect(Collectors.toSet());
    // A start that was cut off may have left a newer key beside an older certificate.
    return present.getNotAfter().toInstant().isAfter(now.plus(RENEWED))
        && namesOf(present).containsAll(wanted)
        && belongTogether(Pem.key(key), present.getPublicKey())
        && isSignedBy(authority, present);
  }

  private static boolean isSignedBy(Authority authority, X509Certificate certificate) {
    try {
      certificate.verify(authority.certificate().getPublicKey());
      return true;
    } catch (GeneralSecurityException e) {
      return false;
    }
  }

  /** Whether what one signs the other takes. */
  private static boolean belongTogether(PrivateKey key, PublicKey its) {
    String by =
        switch (its.getAlgorithm()) {
          case "RSA" -> "SHA256withRSA";
          case "EC", "ECDSA" -> "SHA256withECDSA";
          default -> its.getAlgorithm(); // EdDSA is called as its keys are
        };
    byte[] words = "does it fit".getBytes(StandardCharsets.US_ASCII);
    try {
      Signature signs = Signature.getInstance(by);
      signs.initSign(key);
      signs.update(words);
      byte[] signature = signs.sign();
      Signature checks = Signature.getInstance(by);
      checks.initVerify(its);
      checks.update(words);
      return checks.verify(signature);
    } catch (GeneralSecurityException e) {
      return false; // a key of another kind
    }
  }

  private static Set<String> namesOf(X509Certificate certificate) {
    try {
      Set<String> names = new HashSet<>();
      Collection<List<?>> all = certificate.getSubjectAlternativeNames();
      if (all != null) {
        all.forEach(name -> names.add(String.valueOf(name.get(1))));
      }
      return names;
    } catch (CertificateParsingException e) {
      return Set.of(); // made anew then
    }
  }
}

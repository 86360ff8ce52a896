package tekmerion.server.tls;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.security.KeyStoreException;
import java.security.cert.CertificateException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.util.Collections;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ssl.SslBundles;
import org.springframework.stereotype.Component;
import tekmerion.link.tls.Fingerprint;
import tekmerion.server.TekmerionProperties;

/** The certificate that whoever reaches the server over TLS is shown. */
@Component
public class OwnCertificate {
  private final SslBundles bundles;
  private final String bundle;
  private final Path ofProxy;

  OwnCertificate(
      SslBundles bundles,
      @Value("${server.ssl.bundle:}") String bundle,
      TekmerionProperties properties) {
    this.bundles = bundles;
    this.bundle = bundle;
    this.ofProxy = properties.certificate();
  }

  /** As it is now: it is renewed while the server runs. Empty where nobody speaks TLS. */
  public Optional<Fingerprint> fingerprint() {
    if (ofProxy != null && !ofProxy.toString().isEmpty()) {
      return Optional.of(Fingerprint.of(read(ofProxy)));
    }
    return bundle.isEmpty() ? Optional.empty() : Optional.of(Fingerprint.of(own()));
  }

  private X509Certificate own() {
    KeyStore store = bundles.getBundle(bundle).getStores().getKeyStore();
    try {
      for (String alias : Collections.list(store.aliases())) {
        if (store.isKeyEntry(alias)) {
          return (X509Certificate) store.getCertificate(alias);
        }
      }
    } catch (KeyStoreException e) {
      throw new IllegalStateException("The server's own certificate cannot be read", e);
    }
    throw new IllegalStateException("The server speaks TLS without a certificate");
  }

  /** Of a PEM file, the first. */
  static X509Certificate read(Path file) {
    try (InputStream in = Files.newInputStream(file)) {
      return (X509Certificate) CertificateFactory.getInstance("X.509").generateCertificate(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (CertificateException e) {
      throw new IllegalStateException("The certificate in " + file + " cannot be read", e);
    }
  }
}

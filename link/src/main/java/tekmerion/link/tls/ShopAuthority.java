package tekmerion.link.tls;

import java.io.IOException;
import java.net.Socket;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.cert.CertificateException;
import java.security.cert.X509Certificate;
import java.util.Arrays;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLEngine;
import javax.net.ssl.TrustManager;
import javax.net.ssl.TrustManagerFactory;
import javax.net.ssl.X509ExtendedTrustManager;

/**
 * Trusts one authority and nobody else. The server sends its authority's certificate along; it is
 * believed only if its fingerprint is the known one, and then Java's own checks (signatures, dates,
 * the name in the address) are made against it and nothing else.
 */
public final class ShopAuthority {
  private ShopAuthority() {}

  /** For a client that asks the server of the shop with this authority. */
  public static SSLContext trusting(Fingerprint authority) {
    try {
      SSLContext context = SSLContext.getInstance("TLS");
      context.init(null, new TrustManager[] {new Pinned(authority)}, null);
      return context;
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("Every Java speaks TLS", e);
    }
  }

  private static final class Pinned extends X509ExtendedTrustManager {
    private final Fingerprint authority;

    Pinned(Fingerprint authority) {
      this.authority = authority;
    }

    /** Java's own trust, with this one authority. */
    private X509ExtendedTrustManager checks(X509Certificate[] chain) throws CertificateException {
      X509Certificate anchor =
          Arrays.stream(chain)
              .filter(c -> Fingerprint.of(c).equals(authority))
              .findFirst()
              .orElseThrow(
                  () ->
                      new CertificateException(
                          "This is not the server of the shop: its authority is not " + authority));
      if (anchor.getBasicConstraints() < 0) {
        throw new CertificateException("The certificate " + authority + " is no authority's");
      }
      try {
        KeyStore one = KeyStore.getInstance(KeyStore.getDefaultType());
        one.load(null, null);
        one.setCertificateEntry("shop", anchor);
        TrustManagerFactory factory =
            TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
        factory.init(one);
        return (X509ExtendedTrustManager) factory.getTrustManagers()[0];
      } catch (GeneralSecurityException | IOException e) {
        throw new CertificateException("Cannot check the server's certificate", e);
      }
    }

    @Override
    public void checkServerTrusted(X509Certificate[] chain, String type, SSLEngine engine)
        throws CertificateException {
      checks(chain).checkServerTrusted(chain, type, engine);
    }

    @Override
    public void checkServerTrusted(X509Certificate[] chain, String type, Socket socket)
        throws CertificateException {
      checks(chain).checkServerTrusted(chain, type, socket);
    }

    /** Without the connection the name cannot be checked: refused. */
    @Override
    public void checkServerTrusted(X509Certificate[] chain, String type)
        throws CertificateException {
      throw new CertificateException("A server is checked together with its address");
    }

    @Override
    public void checkClientTrusted(X509Certificate[] chain, String type, SSLEngine engine)
        throws CertificateException {
      throw new CertificateException("No client is asked for a certificate");
    }

    @Override
    public void checkClientTrusted(X509Certificate[] chain, String type, Socket socket)
        throws CertificateException {
      throw new CertificateException("No client is asked for a certificate");
    }

    @Override
    public void checkClientTrusted(X509Certificate[] chain, String type)
        throws CertificateException {
      throw new CertificateException("No client is asked for a certificate");
    }

    @Override
    public X509Certificate[] getAcceptedIssuers() {
      return new X509Certificate[0];
    }
  }
}

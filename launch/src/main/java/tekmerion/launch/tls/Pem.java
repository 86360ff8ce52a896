package tekmerion.launch.tls;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.PrivateKey;
import java.security.cert.X509Certificate;
import java.util.ArrayList;
import java.util.List;
import org.bouncycastle.asn1.pkcs.PrivateKeyInfo;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.openssl.PEMKeyPair;
import org.bouncycastle.openssl.PEMParser;
import org.bouncycastle.openssl.jcajce.JcaPEMKeyConverter;
import org.bouncycastle.openssl.jcajce.JcaPEMWriter;
import org.bouncycastle.openssl.jcajce.JcaPKCS8Generator;
import tekmerion.link.files.WholeFile;

/** Certificates and keys as text (RFC 7468), in files that only their owner can read. */
final class Pem {
  private Pem() {}

  static void write(Path file, X509Certificate... chain) {
    keep(file, (Object[]) chain);
  }

  static void write(Path file, PrivateKey key) {
    try {
      keep(file, new JcaPKCS8Generator(key, null));
    } catch (IOException e) {
      throw new TlsFileException("Cannot write a key to " + file + ": " + e.getMessage(), e);
    }
  }

  private static void keep(Path file, Object... things) {
    StringWriter text = new StringWriter();
    try (JcaPEMWriter pem = new JcaPEMWriter(text)) {
      for (Object thing : things) {
        pem.writeObject(thing);
      }
      pem.flush();
      WholeFile.write(file, text.toString());
    } catch (IOException e) {
      throw new TlsFileException("Cannot write " + file + ": " + e.getMessage(), e);
    }
  }

  /**
   * @return the server's own first, then those who signed it
   * @throws TlsFileException if there is no certificate in it
   */
  static List<X509Certificate> certificates(Path file) {
    List<X509Certificate> chain = new ArrayList<>();
    JcaX509CertificateConverter converter = new JcaX509CertificateConverter();
    for (Object thing : objects(file)) {
      if (thing instanceof X509CertificateHolder holder) {
        try {
          chain.add(converter.getCertificate(holder));
        } catch (GeneralSecurityException e) {
          throw unreadable(file, e);
        }
      }
    }
    if (chain.isEmpty()) {
      throw new TlsFileException(
          "There is no certificate in %s. It is a PEM file, with BEGIN CERTIFICATE in it."
              .formatted(file));
    }
    return List.copyOf(chain);
  }

  /**
   * @throws TlsFileException if there is no key in it, or one with a password
   */
  static PrivateKey key(Path file) {
    JcaPEMKeyConverter converter = new JcaPEMKeyConverter();
    try {
      for (Object thing : objects(file)) {
        if (thing instanceof PrivateKeyInfo info) {
          return converter.getPrivateKey(info);
        }
        if (thing instanceof PEMKeyPair pair) {
          return converter.getKeyPair(pair).getPrivate();
        }
      }
    } catch (IOException e) {
      throw unreadable(file, e);
    }
    throw new TlsFileException(
        "There is no key in %s that can be read. It is a PEM file with BEGIN PRIVATE KEY in it, without a password."
            .formatted(file));
  }

  private static List<Object> objects(Path file) {
    List<Object> all = new ArrayList<>();
    try (PEMParser parser = new PEMParser(new StringReader(Files.readString(file)))) {
      for (Object next = parser.readObject(); next != null; next = parser.readObject()) {
        all.add(next);
      }
      return all;
    } catch (IOException e) {
      throw unreadable(file, e);
    }
  }

  private static TlsFileException unreadable(Path file, Exception e) {
    return new TlsFileException("Cannot read %s: %s".formatted(file, e.getMessage()), e);
  }
}

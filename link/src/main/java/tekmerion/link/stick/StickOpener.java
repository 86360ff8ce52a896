package tekmerion.link.stick;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.util.Arrays;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.bouncycastle.crypto.AsymmetricCipherKeyPair;
import org.bouncycastle.crypto.InvalidCipherTextException;
import org.bouncycastle.crypto.hpke.HPKE;

/**
 * The shop's own half: opens what was sealed to its {@link StickKey}. The pair is derived from a
 * secret that the shop has anyway, so that no other one has to be kept and backed up.
 *
 * @see "RFC 9180, section 7.1.3, DeriveKeyPair"
 */
public final class StickOpener {
  /** So that the secret is used for nothing else that is made of the same key. */
  private static final String ABOUT = "tekmerion stick key";

  private final HPKE hpke = StickKey.suite();
  private final AsymmetricCipherKeyPair pair;

  /**
   * @param secret 32 random bytes or more, used for nothing else
   */
  public StickOpener(byte[] secret) {
    if (secret.length < StickKey.BYTES) {
      throw new IllegalArgumentException("a secret of %d bytes".formatted(secret.length));
    }
    pair = hpke.deriveKeyPair(secret);
  }

  /**
   * The one that belongs to a shop's seal key, the same each time.
   *
   * @param sealKey that the server keeps beside its database
   * @see "RFC 2104, HMAC"
   */
  public static StickOpener ofSealKey(byte[] sealKey) {
    try {
      Mac mac = Mac.getInstance("HmacSHA256");
      mac.init(new SecretKeySpec(sealKey, "HmacSHA256"));
      return new StickOpener(mac.doFinal(ABOUT.getBytes(StandardCharsets.UTF_8)));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("every Java platform has HMAC-SHA-256", e);
    }
  }

  /** What sticks of this shop are made with. */
  public StickKey key() {
    return StickKey.of(hpke.serializePublicKey(pair.getPublic()));
  }

  /**
   * @return empty if it was sealed to another key, for something else, or was changed since
   */
  public Optional<byte[]> open(byte[] sealed, byte[] about) {
    if (sealed.length <= StickKey.BYTES) {
      return Optional.empty();
    }
    byte[] begins = Arrays.copyOf(sealed, StickKey.BYTES);
    byte[] rest = Arrays.copyOfRange(sealed, StickKey.BYTES, sealed.length);
    try {
      return Optional.of(hpke.open(begins, pair, StickKey.INFO, about, rest, null, null, null));
    } catch (InvalidCipherTextException | IllegalArgumentException | IllegalStateException e) {
      return Optional.empty();
    }
  }
}

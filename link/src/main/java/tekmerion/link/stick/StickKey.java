package tekmerion.link.stick;

import java.util.Arrays;
import java.util.HexFormat;
import org.bouncycastle.crypto.InvalidCipherTextException;
import org.bouncycastle.crypto.hpke.HPKE;

/**
 * The shop's public key, to which its sticks seal what they keep: whoever finds a stick reads
 * nothing from it, not even who made it.
 *
 * @see "RFC 9180, Hybrid Public Key Encryption: DHKEM(X25519, HKDF-SHA256), HKDF-SHA256,
 *     AES-256-GCM"
 */
public final class StickKey {
  /** Of the public key, and of what a sealed text begins with. */
  static final int BYTES = 32;

  private static final String FORM = "x25519:";

  private final byte[] key;

  private StickKey(byte[] key) {
    this.key = key.clone();
  }

  /**
   * @param text as {@link #toString} writes it: "x25519:" and 64 hex digits
   * @throws IllegalArgumentException if it is none
   */
  public static StickKey parse(String text) {
    String hex = text.strip().toLowerCase(java.util.Locale.ROOT);
    if (!hex.matches(FORM + "[0-9a-f]{64}")) {
      throw new IllegalArgumentException(
          "%s is no key of a shop: x25519: and 64 hex digits are one".formatted(text));
    }
    return new StickKey(HexFormat.of().parseHex(hex.substring(FORM.length())));
  }

  static StickKey of(byte[] key) {
    return new StickKey(key);
  }

  byte[] bytes() {
    return key.clone();
  }

  /**
   * @param about what it is bound to: it opens only with the same
   */
  public byte[] seal(byte[] clear, byte[] about) {
    HPKE hpke = suite();
    try {
      byte[][] sealed =
          hpke.seal(hpke.deserializePublicKey(key), INFO, about, clear, null, null, null);
      byte[] all = Arrays.copyOf(sealed[1], BYTES + sealed[0].length);
      System.arraycopy(sealed[0], 0, all, BYTES, sealed[0].length);
      return all;
    } catch (InvalidCipherTextException e) {
      throw new IllegalStateException("sealing cannot fail", e);
    }
  }

  /** What all that is sealed so is for: it opens nowhere else. */
  static final byte[] INFO = "tekmerion stick 1".getBytes(java.nio.charset.StandardCharsets.UTF_8);

  static HPKE suite() {
    return new HPKE(
        HPKE.mode_base, HPKE.kem_X25519_SHA256, HPKE.kdf_HKDF_SHA256, HPKE.aead_AES_GCM256);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof StickKey that && Arrays.equals(key, that.key);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(key);
  }

  @Override
  public String toString() {
    return FORM + HexFormat.of().formatHex(key);
  }
}

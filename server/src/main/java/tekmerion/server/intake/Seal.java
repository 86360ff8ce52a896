package tekmerion.server.intake;

import static tekmerion.words.Words.say;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.UUID;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.problem.Refusal;

/**
 * Seals owners' passwords with a key that the database does not hold: AES-256-GCM (NIST SP
 * 800-38D), a fresh 96-bit nonce for each, bound to its intake.
 */
@Component
class Seal {
  private static final int NONCE_BYTES = 12;
  private static final int TAG_BITS = 128;
  private final SecureRandom random = new SecureRandom();
  private final SecretKeySpec key;

  record Sealed(byte[] nonce, byte[] bytes) {}

  Seal(TekmerionProperties properties) {
    byte[] bytes =
        properties.sealKey() == null || properties.sealKey().isBlank()
            ? null
            : Base64.getDecoder().decode(properties.sealKey());
    if (bytes != null && bytes.length != 32) {
      throw new IllegalStateException("TEKMERION_SEAL_KEY must be 32 bytes in base 64");
    }
    key = bytes == null ? null : new SecretKeySpec(bytes, "AES");
  }

  Sealed seal(UUID intake, String secret) {
    byte[] nonce = new byte[NONCE_BYTES];
    random.nextBytes(nonce);
    return new Sealed(
        nonce, run(Cipher.ENCRYPT_MODE, intake, nonce, secret.getBytes(StandardCharsets.UTF_8)));
  }

  String open(UUID intake, Sealed sealed) {
    return new String(
        run(Cipher.DECRYPT_MODE, intake, sealed.nonce(), sealed.bytes()), StandardCharsets.UTF_8);
  }

  private byte[] run(int mode, UUID intake, byte[] nonce, byte[] bytes) {
    if (key == null) {
      throw Refusal.notPossibleNow(
          say("intake.this-server-has-no-key-to"), say("intake.set-tekmerion-seal-key-or-leave"));
    }
    try {
      Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
      cipher.init(mode, key, new GCMParameterSpec(TAG_BITS, nonce));
      cipher.updateAAD(
          ByteBuffer.allocate(16)
              .putLong(intake.getMostSignificantBits())
              .putLong(intake.getLeastSignificantBits())
              .array());
      return cipher.doFinal(bytes);
    } catch (GeneralSecurityException e) {
      throw Refusal.notPossibleNow(
          say("intake.the-sealed-password-cannot-be-opened"),
          say("intake.use-the-key-that-it-was"));
    }
  }
}

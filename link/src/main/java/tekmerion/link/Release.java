package tekmerion.link;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.HexFormat;
import java.util.UUID;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import tekmerion.core.permit.DataStatus;

/**
 * What the server lets a probe write to, for one drive and one decision. It is authenticated with a
 * key that only the two of them can have: the SHA-256 of the probe's token, of which the server
 * keeps nothing else.
 *
 * @param run request that it is for
 * @param kind what may be done
 * @param driveKey of the drive
 * @param model as the drive told it
 * @param serial as the drive told it
 * @param sizeBytes as the drive told it
 * @param stance of the data when it was released
 * @param until after this it is worth nothing
 * @param mac HMAC-SHA-256 over all the others, in hex
 * @see "HMAC: RFC 2104; SHA-256: FIPS 180-4"
 */
public record Release(
    UUID run,
    RunKind kind,
    String driveKey,
    String model,
    String serial,
    long sizeBytes,
    DataStatus stance,
    Instant until,
    String mac) {
  private static final String HMAC = "HmacSHA256";

  /** Signed with the key. */
  public static Release of(
      UUID run,
      RunKind kind,
      String driveKey,
      String model,
      String serial,
      long sizeBytes,
      DataStatus stance,
      Instant until,
      byte[] key) {
    Release open = new Release(run, kind, driveKey, model, serial, sizeBytes, stance, until, "");
    return new Release(
        run, kind, driveKey, model, serial, sizeBytes, stance, until, open.macWith(key));
  }

  /** The key that a token gives. */
  public static byte[] key(String token) {
    try {
      return MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Whether whoever has this key signed it as it stands. */
  public boolean holds(byte[] key) {
    return MessageDigest.isEqual(
        macWith(key).getBytes(StandardCharsets.US_ASCII),
        String.valueOf(mac).getBytes(StandardCharsets.US_ASCII));
  }

  private String macWith(byte[] key) {
    // Each with its length, so that no two releases have one text.
    StringBuilder text = new StringBuilder("tekmerion release 2");
    for (Object part :
        new Object[] {
          run, kind, driveKey, model, serial, sizeBytes, stance, until.getEpochSecond()
        }) {
      String value = String.valueOf(part);
      text.append('\n').append(value.length()).append(' ').append(value);
    }
    try {
      Mac hmac = Mac.getInstance(HMAC);
      hmac.init(new SecretKeySpec(key, HMAC));
      return HexFormat.of()
          .formatHex(hmac.doFinal(text.toString().getBytes(StandardCharsets.UTF_8)));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }
}

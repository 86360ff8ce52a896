package tekmerion.link;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.UUID;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import tekmerion.core.permit.DataStatus;

/**
 * What the server lets a probe write to, for one drive, for a few seconds. The probe asks for it at
 * the moment of writing, with a nonce of its own, and asks again before it runs out: so whatever is
 * taken back is taken back within that time, and one that was given before is worth nothing.
 *
 * <p>It is authenticated with a key that only the two of them have. It is made from a secret that
 * is not in the database, and given to the probe at its enrolment.
 *
 * @param run request that it is for
 * @param kind what may be done
 * @param partKey of the drive
 * @param drive as it told of itself when the probe asked
 * @param status of the data on it
 * @param content what must be on the drive when the writing begins, by {@link
 *     SurveyResult#contentSha}; null if all that is on it was signed away in every open job that it
 *     is in, or it is not written to
 * @param nonce of the question that it answers
 * @param validForMs since that question was put; at most {@value #MAX_VALID_MS}
 * @param mac HMAC-SHA-256 over all the others, in hex
 * @see "HMAC: RFC 2104; SHA-256: FIPS 180-4"
 */
public record Release(
    UUID run,
    RunKind kind,
    String partKey,
    DriveSeen drive,
    DataStatus status,
    String content,
    String nonce,
    long validForMs,
    String mac) {
  public static final long MAX_VALID_MS = 15_000;

  private static final String HMAC = "HmacSHA256";

  /** Signed with the key. */
  public static Release of(
      UUID run,
      RunKind kind,
      String partKey,
      DriveSeen drive,
      DataStatus status,
      String content,
      String nonce,
      long validForMs,
      byte[] key) {
    Release open = new Release(run, kind, partKey, drive, status, content, nonce, validForMs, "");
    return new Release(
        run, kind, partKey, drive, status, content, nonce, validForMs, open.macWith(key));
  }

  /**
   * The key of one probe.
   *
   * @param secret that the server keeps out of its database
   */
  public static byte[] key(byte[] secret, UUID probe) {
    return hmac(secret, "tekmerion release key " + probe);
  }

  /** Whether whoever has this key signed it as it stands. */
  public boolean holds(byte[] key) {
    return key.length > 0
        && MessageDigest.isEqual(
            macWith(key).getBytes(StandardCharsets.US_ASCII),
            String.valueOf(mac).getBytes(StandardCharsets.US_ASCII));
  }

  private String macWith(byte[] key) {
    // Each with its length, so that no two releases have one text.
    StringBuilder text = new StringBuilder("tekmerion release 3");
    for (Object part :
        new Object[] {
          run,
          kind,
          partKey,
          drive == null ? null : drive.model(),
          drive == null ? null : drive.serial(),
          drive == null ? null : drive.sizeBytes(),
          status,
          content,
          nonce,
          validForMs
        }) {
      String value = String.valueOf(part);
      text.append('\n').append(value.length()).append(' ').append(value);
    }
    return HexFormat.of().formatHex(hmac(key, text.toString()));
  }

  private static byte[] hmac(byte[] key, String text) {
    try {
      Mac hmac = Mac.getInstance(HMAC);
      hmac.init(new SecretKeySpec(key, HMAC));
      return hmac.doFinal(text.getBytes(StandardCharsets.UTF_8));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }
}

package tekmerion.link;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.HexFormat;

/** SHA-256 (FIPS 180-4). */
public final class Sha256 {
  private Sha256() {}

  /** Of a text in UTF-8, in lower-case hex. */
  public static String hex(String text) {
    return HexFormat.of().formatHex(of(text.getBytes(StandardCharsets.UTF_8)));
  }

  /** 32 bytes. */
  public static byte[] of(byte[] bytes) {
    try {
      return MessageDigest.getInstance("SHA-256").digest(bytes);
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }
}

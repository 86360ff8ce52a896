package tekmerion.server.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Locale;

/** Makes codes and tokens, and the hashes under which they are kept. */
public final class Secrets {
  /** Without 0/O, 1/I and the like: the code is read from a screen and typed by hand. */
  private static final String ALPHABET = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";

  private static final int CODE_LETTERS = 8;
  private static final int TOKEN_BYTES = 32;
  private static final SecureRandom RANDOM = new SecureRandom();

  private Secrets() {}

  /** 40 bits, e.g. {@code K7QX-4M2P}: enough for a quarter of an hour with limited tries. */
  public static String newCode() {
    StringBuilder code = new StringBuilder();
    for (int i = 0; i < CODE_LETTERS; i++) {
      if (i == CODE_LETTERS / 2) {
        code.append('-');
      }
      code.append(ALPHABET.charAt(RANDOM.nextInt(ALPHABET.length())));
    }
    return code.toString();
  }

  public static String newToken() {
    byte[] bytes = new byte[TOKEN_BYTES];
    RANDOM.nextBytes(bytes);
    return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
  }

  /** A code's hash does not depend on case, spaces or hyphens. */
  public static byte[] hashOfCode(String code) {
    return hash(code.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", ""));
  }

  public static byte[] hash(String secret) {
    try {
      return MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java platform has SHA-256", e);
    }
  }
}

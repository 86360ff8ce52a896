package tekmerion.link;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.UUID;
import tekmerion.link.tls.Fingerprint;

/**
 * How a machine asks to be let in without a code: it commits itself to a number, hears one of the
 * server's, tells its own, and both sides make six digits of the two and of the server's
 * certificate. Who sits between has another certificate. It cannot look for numbers that give the
 * same digits: each side is bound to its own before it knows the other's. One try in a million
 * succeeds (short authentication strings, Vaudenay, CRYPTO 2005).
 */
public final class Knock {
  /** Bytes of each side's number, and of the commitment, which is a SHA-256. */
  public static final int BYTES = 32;

  private static final byte[] NAME = "Tekmerion knock 1".getBytes(StandardCharsets.US_ASCII);
  private static final int DIGITS = 1_000_000;

  private Knock() {}

  /**
   * The first message.
   *
   * @param commitment SHA-256 of the machine's number; hex
   * @param outboxId as for an {@link Enrolment.Request}
   */
  public record Request(
      String commitment, String probeVersion, UUID outboxId, MachineNote machine) {}

  /**
   * @param id of this knock
   * @param nonce the server's number; hex
   */
  public record Heard(UUID id, String nonce) {}

  /**
   * Told once so that the server can make its digits, then again to ask what became of it.
   *
   * @param nonce the machine's number; hex
   */
  public record Opening(String nonce) {}

  /** What became of a knock. */
  public enum KnockStage {
    WAITS,
    LET_IN,
    TURNED_AWAY
  }

  /**
   * @param granted null unless it was let in
   */
  public record Answer(KnockStage stage, Enrolment.Granted granted) {}

  /** What a machine's number is committed to with. */
  public static byte[] commitment(byte[] nonce) {
    return sha256().digest(nonce);
  }

  /**
   * @param machine the machine's number, {@link #BYTES} long
   * @param server the server's
   * @param certificate with which the server is reached; empty without TLS
   * @return six digits, e.g. {@code 048213}
   */
  public static String digits(byte[] machine, byte[] server, Optional<Fingerprint> certificate) {
    MessageDigest digest = sha256();
    digest.update(NAME);
    digest.update(machine);
    digest.update(server);
    certificate.ifPresent(c -> digest.update(HexFormat.of().parseHex(c.hex())));
    long first = ByteBuffer.wrap(digest.digest()).getLong();
    return "%06d".formatted(Long.remainderUnsigned(first, DIGITS));
  }

  /** As they are read out, e.g. {@code 048 213}. */
  public static String spaced(String digits) {
    return digits.substring(0, digits.length() / 2) + " " + digits.substring(digits.length() / 2);
  }

  private static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java platform has SHA-256", e);
    }
  }
}

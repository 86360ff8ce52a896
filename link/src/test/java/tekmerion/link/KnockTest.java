package tekmerion.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tekmerion.link.tls.Fingerprint;

/** Both ends of a knock, now and in other versions, make the same digits. */
class KnockTest {
  private static final byte[] MACHINE = bytes(0);
  private static final byte[] SERVER = bytes(32);

  /** 32 bytes that count up. */
  private static byte[] bytes(int from) {
    byte[] bytes = new byte[Knock.BYTES];
    for (int i = 0; i < bytes.length; i++) {
      bytes[i] = (byte) (from + i);
    }
    return bytes;
  }

  /**
   * Worked out with another program: the first 8 bytes of SHA-256("Tekmerion knock 1" || machine ||
   * server || certificate), as a number, modulo 1,000,000.
   */
  @Test
  void digitsAreOfBothNumbersAndTheCertificate() {
    assertThat(Knock.digits(MACHINE, SERVER, Optional.empty())).isEqualTo("175724");
    assertThat(Knock.digits(MACHINE, SERVER, Optional.of(new Fingerprint("ab".repeat(32)))))
        .isEqualTo("023483");
    assertThat(Knock.digits(SERVER, MACHINE, Optional.empty())).isNotEqualTo("175724");
    assertThat(Knock.spaced("023483")).isEqualTo("023 483");
  }

  /** SHA-256 of the bytes 0 to 31. */
  @Test
  void theCommitmentIsTheHashOfTheNumber() {
    assertThat(HexFormat.of().formatHex(Knock.commitment(MACHINE)))
        .isEqualTo("630dcd2966c4336691125448bbb25b4ff412a49c732db2c8abc1b8581bd710dd");
  }
}

package tekmerion.launch.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SealedTest {
  private static final char[] PASSPHRASE = "quay 7, low water".toCharArray();

  private static byte[] bytes(int count) {
    byte[] bytes = new byte[count];
    new Random(count).nextBytes(bytes);
    return bytes;
  }

  private static byte[] sealed(byte[] bytes) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (OutputStream to = Sealed.seal(out, PASSPHRASE)) {
      to.write(bytes);
    }
    return out.toByteArray();
  }

  private static byte[] opened(byte[] sealed, char[] passphrase) throws IOException {
    return Sealed.open(new ByteArrayInputStream(sealed), passphrase).readAllBytes();
  }

  /** None, less than a part of OpenPGP, and more than a chunk of 4 MiB. */
  @ParameterizedTest
  @ValueSource(ints = {0, 1, 70_000, 5_000_000})
  void whatWasSealedComesBack(int count) throws IOException {
    assertThat(opened(sealed(bytes(count)), PASSPHRASE)).isEqualTo(bytes(count));
  }

  @Test
  void itIsOtherBytesEachTime() throws IOException {
    assertThat(sealed(bytes(1000))).isNotEqualTo(sealed(bytes(1000)));
  }

  @Test
  void anotherPassphraseOpensNothing() throws IOException {
    byte[] sealed = sealed(bytes(100));

    assertThatThrownBy(() -> opened(sealed, "quay 7, high water".toCharArray()))
        .isInstanceOf(BackupException.class)
        .hasMessageContaining("this is not its passphrase");
  }

  /** Packet headers, salts, content and proofs alike; each try costs what a guess does. */
  @Test
  @Tag("nightly")
  void aFlippedBitAnywhereIsNoticed() throws IOException {
    byte[] sealed = sealed(bytes(40));
    for (int at = 0; at < sealed.length; at += at < 8 || at > sealed.length - 8 ? 1 : 11) {
      byte[] flipped = sealed.clone();
      flipped[at] ^= (byte) (1 << at % 8);
      assertThatThrownBy(() -> opened(flipped, PASSPHRASE)).as("byte %d", at).isNotNull();
    }
  }

  @Test
  void whateverIsCutOffIsNoticed() throws IOException {
    byte[] sealed = sealed(bytes(100_000));
    for (int left = 0; left < sealed.length; left += left < 300 ? 41 : 19_973) {
      byte[] cut = Arrays.copyOf(sealed, left);
      assertThatThrownBy(() -> opened(cut, PASSPHRASE)).as("%d left", left).isNotNull();
    }
    byte[] allButOne = Arrays.copyOf(sealed, sealed.length - 1);
    assertThatThrownBy(() -> opened(allButOne, PASSPHRASE)).isNotNull();
  }
}

package tekmerion.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RawPageTest {
  private static final RawPage PAGE = new RawPage(new byte[] {1, (byte) 0x80, (byte) 0xFF, 0, 7});

  @Test
  void readsLittleEndianWithoutASign() {
    assertThat(PAGE.u8(1)).isEqualTo(128);
    assertThat(PAGE.u16(1)).isEqualTo(0xFF80);
    assertThat(PAGE.unsignedLe(0, 4)).isEqualTo(0x00FF8001L);
    assertThat(PAGE.bigUnsignedLe(0, 5)).isEqualTo(new BigInteger("0700ff8001", 16));
  }

  @ParameterizedTest(name = "{1} bytes from {0}")
  @CsvSource({"-1, 1", "5, 1", "4, 2", "0, 6", "2147483647, 1", "1, 2147483647"})
  void nothingOutsideIsEverRead(int offset, int length) {
    assertThatThrownBy(() -> PAGE.bigUnsignedLe(offset, length))
        .isInstanceOf(IndexOutOfBoundsException.class);
    assertThatThrownBy(() -> PAGE.hex(offset, length))
        .isInstanceOf(IndexOutOfBoundsException.class);
  }

  @ParameterizedTest
  @CsvSource({"0", "8", "-1"})
  void aNumberThatCouldGetASignIsRefused(int length) {
    assertThatThrownBy(() -> new RawPage(new byte[16]).unsignedLe(0, length))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(String.valueOf(length));
  }

  @Test
  void nobodyCanChangeItFromOutside() {
    byte[] given = {1, 2};
    RawPage page = new RawPage(given);

    given[0] = 9;
    page.bytes()[1] = 9;

    assertThat(page).isEqualTo(new RawPage(new byte[] {1, 2}));
  }

  @Test
  void isNamedByItsContent() {
    // printf abc | sha256sum; FIPS 180-2, appendix B.1
    assertThat(new RawPage(new RawPage(new byte[] {'a', 'b', 'c'}).sha256()).hex(0, 32))
        .isEqualTo("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
  }
}

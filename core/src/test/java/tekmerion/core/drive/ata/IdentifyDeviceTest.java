package tekmerion.core.drive.ata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.util.Arrays;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** Word numbers are those of ACS-3, table "IDENTIFY DEVICE data". */
class IdentifyDeviceTest {
  private static final int INTEGRITY = 0xA5;

  private static Bytes drive() {
    return new Bytes()
        .word(0, 0x0040)
        .text(10, "OS7K-44019-B        ")
        .text(23, "HS04    ")
        .text(27, "HELM-1000S                              ");
  }

  private static IdentifyDevice decoded(RawPage page) {
    return IdentifyDevice.decode(page).decoded().orElseThrow();
  }

  @Test
  void readsTextWithTheFirstCharacterInTheUpperByte() {
    IdentifyDevice identify = decoded(drive().page());

    assertThat(identify.serialNumber()).isEqualTo("OS7K-44019-B");
    assertThat(identify.firmwareRevision()).isEqualTo("HS04");
    assertThat(identify.modelNumber()).isEqualTo("HELM-1000S");
  }

  @Test
  void takesTheSizeFromTheWidestFieldThatIsInUse() {
    // 1,953,525,168 sectors = 7470_6DB0h, IDEMA LBA1-03 for 1,000 GB
    Bytes small = drive().word(60, 0xFFFF).word(61, 0x0FFF);
    Bytes large =
        drive()
            .word(60, 0xFFFF)
            .word(61, 0x0FFF)
            .word(83, 0x4400)
            .word(100, 0x6DB0)
            .word(101, 0x7470);

    assertThat(decoded(small.page()).logicalSectors()).hasValue(268_435_455L);
    assertThat(decoded(large.page()).logicalSectors()).hasValue(1_953_525_168L);
    assertThat(decoded(large.page()).capacityBytes()).hasValue(1_000_204_886_016L);
  }

  @Test
  void aSizeOfZeroIsNotReportedRatherThanZero() {
    assertThat(decoded(drive().page()).capacityBytes()).isEmpty();
  }

  @Test
  void readsLongLogicalSectorsAndSeveralToAPhysicalOne() {
    // Word 106: 01b signature, bit 13 several per physical (2^3), bit 12 long sector of 2,048
    // words.
    RawPage page = drive().word(106, 0x7003).word(117, 2_048).page();

    assertThat(decoded(page).logicalSectorBytes()).isEqualTo(4_096);
    assertThat(decoded(page).physicalSectorBytes()).isEqualTo(32_768);
  }

  @ParameterizedTest(name = "word 217 = {0}: {1}/min, solid state {2}")
  @CsvSource({"0, , false", "1, , true", "5400, 5400, false", "65535, , false", "1024, , false"})
  void tellsTurningFromSolidStateFromNotReported(int code, Integer perMinute, boolean solid) {
    IdentifyDevice identify = decoded(drive().word(217, code).page());

    assertThat(identify.isSolidState().orElse(false)).isEqualTo(solid);
    if (perMinute == null) {
      assertThat(identify.rotationRatePerMinute()).isEmpty();
    } else {
      assertThat(identify.rotationRatePerMinute()).hasValue(perMinute);
    }
  }

  @ParameterizedTest(name = "word 89 = {0}: {1} min")
  @CsvSource({"0, ", "96, 192", "0x8100, 512", "0x0160, 192"})
  void readsEraseTimesInOneByteOrFifteenBits(String word, Integer minutes) {
    IdentifyDevice identify = decoded(drive().word(89, Integer.decode(word)).page());

    if (minutes == null) {
      assertThat(identify.normalSecurityEraseMinutes()).isEmpty();
    } else {
      assertThat(identify.normalSecurityEraseMinutes()).hasValue(minutes);
    }
  }

  @Test
  void leavesOutWordsWhoseSignatureIsMissing() {
    // Word 83 counts only with bits 15:14 = 01b; here they are 00b, then 11b.
    assertThat(decoded(drive().word(83, 0x0400).page()).fields())
        .doesNotContainKey(IdentifyField.ADDRESS_48_BIT_SUPPORTED);
    assertThat(decoded(drive().word(83, 0xC400).page()).fields())
        .doesNotContainKey(IdentifyField.ADDRESS_48_BIT_SUPPORTED);
    assertThat(decoded(drive().word(83, 0x4400).page()).fields())
        .containsEntry(IdentifyField.ADDRESS_48_BIT_SUPPORTED, true);
  }

  @Test
  void acceptsAnIntegrityWordThatHolds() {
    assertThat(IdentifyDevice.decode(drive().at(510, INTEGRITY).sealed()).damage()).isEmpty();
  }

  static Stream<Arguments> damagedPages() {
    RawPage sound = drive().at(510, INTEGRITY).sealed();
    byte[] flipped = sound.bytes();
    flipped[100] ^= 0x10;
    byte[] ones = new byte[512];
    Arrays.fill(ones, (byte) 0xFF);
    return Stream.of(
        arguments("empty", new RawPage(new byte[0]), Fault.Kind.WRONG_SIZE, 0),
        arguments(
            "one byte less",
            new RawPage(Arrays.copyOf(sound.bytes(), 511)),
            Fault.Kind.WRONG_SIZE,
            511),
        arguments(
            "one byte more",
            new RawPage(Arrays.copyOf(sound.bytes(), 513)),
            Fault.Kind.WRONG_SIZE,
            512),
        arguments("all 00h", new RawPage(new byte[512]), Fault.Kind.ALL_ZERO, 0),
        arguments("all FFh", new RawPage(ones), Fault.Kind.ALL_ONES, 0),
        arguments("a flipped bit", new RawPage(flipped), Fault.Kind.BAD_CHECKSUM, 511),
        arguments("a packet device", drive().word(0, 0x8580).page(), Fault.Kind.WRONG_KIND, 1),
        arguments("a serial of noise", drive().at(23, 0x9C).page(), Fault.Kind.NOT_TEXT, 23));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("damagedPages")
  void namesTheDamageAndKeepsTheBytes(String name, RawPage page, Fault.Kind kind, int offset) {
    Decoding<IdentifyDevice> decoding = IdentifyDevice.decode(page);

    assertThat(decoding.raw()).isEqualTo(page);
    assertThat(decoding.damage())
        .hasValueSatisfying(
            fault -> {
              assertThat(fault.kind()).isEqualTo(kind);
              assertThat(fault.offset()).isEqualTo(offset);
            });
  }

  @Test
  void noTwoFieldsShareABit() {
    boolean[] taken = new boolean[256 * 16];
    for (IdentifyField field : IdentifyField.values()) {
      IdentifyLayout layout = field.layout();
      for (int word = layout.word(); word < layout.word() + layout.words(); word++) {
        for (int bit = layout.lowBit(); bit <= layout.highBit(); bit++) {
          assertThat(taken[16 * word + bit]).as("%s, word %d bit %d", field, word, bit).isFalse();
          taken[16 * word + bit] = true;
        }
      }
    }
  }
}

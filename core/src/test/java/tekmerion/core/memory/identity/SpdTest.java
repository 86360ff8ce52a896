package tekmerion.core.memory.identity;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.core.memory.identity.Spd.Generation;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** Tables written out byte by byte after the standards; every serial and part number is made up. */
class SpdTest {
  private static void text(byte[] page, int at, int length, String text) {
    for (int i = 0; i < length; i++) {
      page[at + i] = (byte) (i < text.length() ? text.charAt(i) : ' ');
    }
  }

  /** CRC-16 as the DDR3 standard's own sample in C has it: "crc = crc ^ (int)*ptr++ << 8". */
  private static void checksum(byte[] page, int to, int at) {
    int crc = 0;
    for (int i = 0; i < to; i++) {
      crc ^= (page[i] & 0xFF) << 8;
      for (int bit = 0; bit < 8; bit++) {
        crc = (crc & 0x8000) != 0 ? crc << 1 ^ 0x1021 : crc << 1;
      }
    }
    page[at] = (byte) crc;
    page[at + 1] = (byte) (crc >> 8);
  }

  private static byte[] ddr3() {
    byte[] page = new byte[256];
    page[2] = 0x0B;
    page[3] = 0x03; // SO-DIMM
    page[4] = 0x04; // 4 Gb a chip, 8 banks
    page[6] = 0x02; // 1.35 V and 1.5 V
    page[7] = 0x09; // 2 ranks, 8 bits a chip
    page[8] = 0x03; // 64 bits, no correction
    page[9] = 0x11; // fine time base 1/1 ps
    page[10] = 1;
    page[11] = 8; // medium time base 1/8 ns
    page[12] = 0x0A; // 1.25 ns: 1,600 MT/s
    page[117] = (byte) 0x80;
    page[118] = (byte) 0xCE;
    page[120] = 0x19;
    page[121] = 0x23;
    page[122] = (byte) 0xAB;
    page[123] = (byte) 0xCD;
    page[124] = 0x01;
    page[125] = 0x02;
    text(page, 128, 18, "HBR-8G-1600");
    checksum(page, 126, 126);
    return page;
  }

  private static byte[] ddr4() {
    byte[] page = new byte[512];
    page[2] = 0x0C;
    page[3] = 0x02; // UDIMM
    page[4] = 0x05; // 8 Gb a chip
    page[11] = 0x01; // 1.2 V
    page[12] = 0x09; // 2 ranks, 8 bits a chip
    page[13] = 0x0B; // 64 bits and 8 of correction
    page[18] = 0x05; // 625 ps: 3,200 MT/s
    page[125] = 0;
    page[320] = (byte) 0x80;
    page[321] = 0x2C;
    text(page, 329, 20, "HBR-16G-3200E");
    checksum(page, 126, 126);
    return page;
  }

  private static byte[] ddr5() {
    byte[] page = new byte[1024];
    page[2] = 0x12;
    page[3] = 0x02;
    page[4] = 0x04; // 16 Gb a chip
    page[6] = 0x20; // 8 bits a chip
    page[20] = (byte) 0xA0;
    page[21] = 0x01; // 416 ps: 4,800 MT/s
    page[234] = 0; // 1 rank
    page[235] = 0x22; // two channels of 32 bits
    text(page, 521, 30, "HBR-16G-4800");
    checksum(page, 510, 510);
    return page;
  }

  private static Spd read(Generation generation, byte[] page) {
    return Spd.decode(generation, new RawPage(page)).decoded().orElseThrow();
  }

  /** Annex L, byte 6: not monolithic, 4 dies (011b), single load stack (10b): 16 GB four times. */
  @Test
  void theDiesOfAStackAreRanksOfTheirOwn() {
    byte[] page = ddr4();
    page[6] = (byte) 0xB2;
    checksum(page, 126, 126);
    assertThat(read(Generation.DDR4, page).sizeBytes()).hasValue(64L << 30);

    page[6] = (byte) 0xB1; // several loads: its ranks are package ranks
    checksum(page, 126, 126);
    assertThat(read(Generation.DDR4, page).sizeBytes()).hasValue(16L << 30);
  }

  @Test
  void theSecondBlockHasAChecksumOfItsOwn() {
    byte[] page = ddr4();
    page[130] ^= 1;

    assertThat(Spd.decode(Generation.DDR4, new RawPage(page)).damage().orElseThrow().offset())
        .isEqualTo(254);
  }

  /** 2,000,000 / 312 is 6,410, and the bin is 6,400: the clock is cut off to whole picoseconds. */
  @Test
  void ddr5IsToldByItsSpeedBin() {
    byte[] page = ddr5();
    page[20] = 0x38;
    page[21] = 0x01;
    page[4] = 0x44; // a stack of two dies
    checksum(page, 510, 510);

    Spd five = read(Generation.DDR5, page);
    assertThat(five.millionTransfers()).hasValue(6_400);
    assertThat(five.sizeBytes()).hasValue(32L << 30);
  }

  /** Two sorts of chip on one module: its size does not follow from the first sort. */
  @Test
  void aModuleOfTwoSortsOfChipTellsNoSize() {
    byte[] page = ddr4();
    page[12] |= 0x40;
    checksum(page, 126, 126);
    assertThat(read(Generation.DDR4, page).sizeBytes()).isEmpty();
  }

  /** Each time by the standard's own worked rule: medium units and a fine correction. */
  @Test
  void readsTimingsGeometryAndMakers() {
    byte[] three = ddr3();
    three[4] = 0x04; // 8 banks
    three[5] = 0x19; // rows 12 + 3, columns 9 + 1
    three[14] = (byte) 0xFC; // bits 2…7: CL 6…11
    three[15] = 0x01; // bit 8: CL 12
    three[16] = 0x6E; // 110 · 125 ps
    three[21] = 0x11; // high halves: tRC 1, tRAS 1
    three[22] = 0x18; // 118h · 125 ps = 35,000
    three[23] = (byte) 0x86; // 186h · 125 ps = 48,750
    three[148] = (byte) 0x80;
    three[149] = 0x2C;
    checksum(three, 126, 126);
    Spd old = read(Generation.DDR3, three);
    assertThat(old.timings().casLatencies()).containsExactly(6, 7, 8, 9, 10, 11, 12);
    assertThat(old.timings().accessPs()).hasValue(13_750);
    assertThat(old.timings().activeToPrechargePs()).hasValue(35_000);
    assertThat(old.timings().activeToActivePs()).hasValue(48_750);
    assertThat(old.geometry().banksPerGroup()).hasValue(8);
    assertThat(old.geometry().rowBits()).hasValue(15);
    assertThat(old.geometry().columnBits()).hasValue(10);
    assertThat(old.json()).containsEntry("dramManufacturer", "Micron Technology");

    byte[] four = ddr4();
    four[4] = (byte) 0x85; // 4 bank groups of 4
    four[5] = 0x21; // rows 12 + 4, columns 9 + 1
    four[22] = 0x02; // bit 17: CL 24
    four[24] = 0x6E;
    four[123] = (byte) 0xF6; // − 10 ps
    checksum(four, 126, 126);
    Spd middle = read(Generation.DDR4, four);
    assertThat(middle.timings().casLatencies()).containsExactly(24); // 7 + 17
    assertThat(middle.timings().accessPs()).hasValue(13_740);
    assertThat(middle.geometry().bankGroups()).hasValue(4);
    assertThat(middle.geometry().rowBits()).hasValue(16);

    byte[] five = ddr5();
    five[5] = 0x00; // rows 16, columns 10
    five[7] = 0x62; // 8 bank groups of 4
    five[26] = 0x04; // bit 18: CL 56
    five[30] = (byte) 0x80;
    five[31] = 0x3E; // 16,000 ps
    five[512] = (byte) 0x80;
    five[513] = (byte) 0xCE;
    checksum(five, 510, 510);
    Spd newest = read(Generation.DDR5, five);
    assertThat(newest.timings().casLatencies()).containsExactly(56); // 20 + 2 · 18
    assertThat(newest.timings().accessPs()).hasValue(16_000);
    assertThat(newest.geometry().bankGroups()).hasValue(8);
    assertThat(newest.geometry().banksPerGroup()).hasValue(4);
    assertThat(newest.json()).containsEntry("manufacturer", "Samsung");
  }

  /** JEP106: every code carries odd parity, so a name behind an even one would be a slip. */
  @Test
  void everyNamedMakerHasACodeOfOddParity() {
    for (String id : MemoryMaker.known()) {
      int code = Integer.parseInt(id.substring(3), 16);
      assertThat(Integer.bitCount(code) % 2).as(id).isEqualTo(1);
    }
  }

  @Test
  void readsSizeSpeedAndIdentityOfEachGeneration() {
    Spd three = read(Generation.DDR3, ddr3());
    // 4 Gb / 8 × (64 / 8) × 2 = 8 GB
    assertThat(three.sizeBytes()).hasValue(8L << 30);
    assertThat(three.millionTransfers()).hasValue(1600);
    assertThat(three.voltage()).isEqualTo("1.5 V, 1.35 V");
    assertThat(three.serial()).hasValue("ABCD0102");
    assertThat(three.partNumber()).isEqualTo("HBR-8G-1600");
    assertThat(three.madeYear()).hasValue("2019, week 23");

    Spd four = read(Generation.DDR4, ddr4());
    assertThat(four.words()).isEqualTo("16 GB DDR4, 3200 MT/s, 1.2 V, with error correction");
    assertThat(four.serial()).isEmpty(); // all 00h: the maker wrote none
    assertThat(four.madeYear()).isEmpty();

    Spd five = read(Generation.DDR5, ddr5());
    // 16 Gb / 8 × (64 / 8) × 1 = 16 GB; 2,000,000 / 416 = 4,807.7, the grade 4,800
    assertThat(five.words()).isEqualTo("16 GB DDR5, 4800 MT/s, 1.1 V");
  }

  @Test
  void aFlippedBitFailsTheChecksumAndNamesWhere() {
    byte[] page = ddr4();
    page[40] ^= 0x10;

    Fault fault = Spd.decode(Generation.DDR4, new RawPage(page)).damage().orElseThrow();

    assertThat(fault.kind()).isEqualTo(Fault.Kind.BAD_CHECKSUM);
    assertThat(fault.offset()).isEqualTo(126);
  }

  @Test
  void anotherGenerationIsSaidNotGuessed() {
    byte[] page = new byte[512];
    System.arraycopy(ddr3(), 0, page, 0, 256);

    Fault fault = Spd.decode(Generation.DDR4, new RawPage(page)).damage().orElseThrow();

    assertThat(fault.kind()).isEqualTo(Fault.Kind.WRONG_KIND);
    assertThat(fault.found()).isEqualTo("0Bh");
  }

  static LongStream seeds() {
    return LongStream.rangeClosed(1, 300);
  }

  @ParameterizedTest(name = "seed {0}")
  @MethodSource("seeds")
  void anyBytesGiveAnAnswerThatKeepsThem(long seed) {
    Random random = new Random(seed);
    for (Generation generation : Generation.values()) {
      byte[] page =
          switch (generation) {
            case DDR3 -> ddr3();
            case DDR4 -> ddr4();
            default -> ddr5();
          };
      for (int i = 0; i < 1 + random.nextInt(20); i++) {
        page[3 + random.nextInt(page.length - 3)] = (byte) random.nextInt();
      }
      checksum(
          page,
          generation == Generation.DDR5 ? 510 : (page[0] & 0x80) != 0 ? 117 : 126,
          generation == Generation.DDR5 ? 510 : 126);
      RawPage raw = new RawPage(page);

      Decoding<Spd> decoding = Spd.decode(generation, raw);

      assertThat(decoding.raw()).isEqualTo(raw);
      decoding.decoded().ifPresent(spd -> assertThat(spd.json()).containsKey("sizeBytes"));
    }
  }

  @ParameterizedTest
  @EnumSource(Generation.class)
  void nothingThereIsSaidAsThat(Generation generation) {
    assertThat(Spd.decode(generation, new RawPage(new byte[7])).damage().orElseThrow().kind())
        .isEqualTo(Fault.Kind.WRONG_SIZE);
  }
}

package tekmerion.core.memory.identity;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tekmerion.core.memory.identity.Smbios.MemorySlot;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** Structures written out after DSP0134; names and serials are made up. */
class SmbiosTest {
  private final ByteArrayOutputStream table = new ByteArrayOutputStream();

  private void structure(int type, int handle, byte[] area, String... strings) {
    table.write(type);
    table.write(4 + area.length);
    table.write(handle);
    table.write(handle >> 8);
    table.writeBytes(area);
    for (String string : strings) {
      table.writeBytes(string.getBytes(StandardCharsets.US_ASCII));
      table.write(0);
    }
    table.write(0);
    if (strings.length == 0) {
      table.write(0);
    }
  }

  private static void put16(byte[] area, int at, int value) {
    area[at - 4] = (byte) value;
    area[at - 3] = (byte) (value >> 8);
  }

  /** Type 17 with offsets as in the standard. */
  private static byte[] device(int size, long extendedMegabytes, int speed, int configured) {
    byte[] area = new byte[0x28 - 4];
    put16(area, 0x0C, size);
    area[0x0E - 4] = 0x0D; // SODIMM
    area[0x10 - 4] = 1; // locator: the first string
    area[0x12 - 4] = 0x1A; // DDR4
    put16(area, 0x15, speed);
    area[0x17 - 4] = 2;
    area[0x18 - 4] = 3;
    area[0x1A - 4] = 4;
    area[0x1B - 4] = 2; // two ranks
    put16(area, 0x1C, (int) extendedMegabytes);
    put16(area, 0x1E, (int) (extendedMegabytes >> 16));
    put16(area, 0x20, configured);
    put16(area, 0x26, 1200);
    return area;
  }

  private RawPage table() {
    structure(1, 1, new byte[] {1, 2, 0, 3}, "Ostrel", "14 laptop", "OST14-1907-552");
    structure(17, 0x40, device(8192, 0, 3200, 2667), "Slot 1", "Harbour", "AB12CD34", "HBR-8G");
    structure(17, 0x41, device(0x7FFF, 49_152, 3200, 3200), "Slot 2", "Harbour", "X", "HBR-48G");
    structure(17, 0x42, device(0, 0, 0, 0), "Slot 3");
    structure(17, 0x43, device(0xFFFF, 0, 0, 0), "Slot 4", "Harbour", "Y", "?");
    structure(127, 0x44, new byte[0]);
    return new RawPage(table.toByteArray());
  }

  /** Clause 5.2.2: the address of the table in its bytes 16 to 23; in a file, a place in it. */
  @Test
  void aSavedTableMayHaveItsEntryPointInFront() {
    byte[] bare = table().bytes();
    byte[] saved = new byte[32 + bare.length];
    System.arraycopy("_SM3_".getBytes(StandardCharsets.US_ASCII), 0, saved, 0, 5);
    saved[16] = 32;
    System.arraycopy(bare, 0, saved, 32, bare.length);

    assertThat(Smbios.decode(new RawPage(saved)).decoded().orElseThrow().structures())
        .extracting(Smbios.Structure::type)
        .isEqualTo(
            Smbios.decode(new RawPage(bare)).decoded().orElseThrow().structures().stream()
                .map(Smbios.Structure::type)
                .toList());
    saved[17] = 0x7F; // beyond the file
    assertThat(Smbios.decode(new RawPage(saved)).damage()).isPresent();
  }

  @Test
  void readsMachineAndSlots() {
    Smbios smbios = Smbios.decode(table()).decoded().orElseThrow();

    assertThat(smbios.machine().product()).hasValue("14 laptop");
    assertThat(smbios.machine().serial()).hasValue("OST14-1907-552");
    MemorySlot first = smbios.memorySlots().get(0);
    assertThat(first.slot()).hasValue("Slot 1");
    assertThat(first.sizeBytes()).hasValue(8L << 30); // 8,192 MB
    assertThat(first.kind()).hasValue("DDR4");
    assertThat(first.ratedMillionTransfers()).hasValue(3200);
    assertThat(first.configuredMillionTransfers()).hasValue(2667);
    assertThat(first.configuredMillivolts()).hasValue(1200);
    assertThat(first.serial()).hasValue("AB12CD34");
  }

  /** Clauses 7.1 to 7.4, 7.17, 7.23; the UUID's first three fields stand low byte first. */
  @Test
  void readsBiosBoardCaseAndWhatCorrectsErrors() {
    byte[] bios = new byte[0x14 - 4];
    bios[0] = 1;
    bios[1] = 2;
    bios[4] = 3;
    structure(0, 0, bios, "Fjord firmware", "1.42", "03/15/2024");
    byte[] system = new byte[0x1B - 4];
    system[0] = 1;
    system[1] = 2;
    for (int i = 0; i < 16; i++) {
      system[4 + i] = (byte) (0x10 + i);
    }
    structure(1, 1, system, "Ostrel", "14 laptop");
    structure(2, 2, new byte[] {1, 2, 3, 4}, "Ostrel", "OB-14", "rev 2", "B-0071");
    structure(3, 3, new byte[] {1, 0x0A, 2, 3}, "Ostrel", "v1", "C-0071");
    byte[] array = new byte[0x0F - 4];
    array[2] = 0x05;
    structure(16, 4, array);
    byte[] device = device(16_384, 0, 3200, 3200);
    put16(device, 0x08, 72);
    put16(device, 0x0A, 64);
    structure(17, 5, device, "A1", "Harbour", "S1", "HBR-16G");
    byte[] battery = new byte[0x1A - 4];
    battery[0x08 - 4] = 1;
    battery[0x09 - 4] = 2; // unknown: by the pack's own text
    put16(battery, 0x10, 0x01A1);
    put16(battery, 0x12, (2023 - 1980) << 9 | 3 << 5 | 15);
    battery[0x14 - 4] = 2;
    structure(22, 6, battery, "PM-3", "LION");
    structure(127, 7, new byte[0]);

    Smbios smbios = Smbios.decode(new RawPage(table.toByteArray())).decoded().orElseThrow();

    MachineIdentity machine = smbios.machine();
    assertThat(machine.bios().version()).hasValue("1.42");
    assertThat(machine.bios().date()).hasValue("03/15/2024");
    assertThat(machine.uuid().orElseThrow()).hasToString("13121110-1514-1716-1819-1a1b1c1d1e1f");
    assertThat(machine.board().serial()).hasValue("B-0071");
    assertThat(machine.chassis().kind()).hasValue("notebook");
    assertThat(machine.chassis().serial()).hasValue("C-0071");
    assertThat(smbios.errorCorrection()).hasValue("single-bit ECC");
    assertThat(smbios.memorySlots().get(0).correctionBits()).hasValue(8); // 72 − 64
    assertThat(smbios.batteries())
        .singleElement()
        .satisfies(
            b -> {
              assertThat(b.chemistry()).hasValue("LION");
              assertThat(b.made()).hasValue("2023-03-15");
              assertThat(b.serial()).hasValue("01A1");
            });
  }

  @Test
  void aUuidOfZerosOrOnesIsNone() {
    for (int fill : new int[] {0, 0xFF}) {
      table.reset();
      byte[] system = new byte[0x1B - 4];
      Arrays.fill(system, 4, 20, (byte) fill);
      structure(1, 1, system);
      Smbios smbios = Smbios.decode(new RawPage(table.toByteArray())).decoded().orElseThrow();
      assertThat(smbios.machine().uuid()).isEmpty();
      assertThat(smbios.machine().product()).isEmpty();
    }
  }

  @Test
  void tellsLargeEmptyAndUnknownApart() {
    Smbios smbios = Smbios.decode(table()).decoded().orElseThrow();

    // 7FFFh: the extended size, 49,152 MB
    assertThat(smbios.memorySlots().get(1).sizeBytes()).hasValue(48L << 30);
    assertThat(smbios.memorySlots().get(2).filled()).isFalse();
    assertThat(smbios.memorySlots().get(2).sizeBytes()).isEmpty();
    assertThat(smbios.memorySlots().get(3).filled()).isTrue();
    assertThat(smbios.memorySlots().get(3).sizeBytes()).isEmpty(); // FFFFh: unknown
    assertThat(smbios.memorySlots().get(3).ratedMillionTransfers()).isEmpty(); // 0: unknown
  }

  @Test
  void aCutTableIsToldWithItsPlace() {
    byte[] bytes = table().bytes();
    byte[] cut = Arrays.copyOf(bytes, bytes.length - 8);

    Fault fault = Smbios.decode(new RawPage(cut)).damage().orElseThrow();

    assertThat(fault.kind()).isEqualTo(Fault.Kind.WRONG_SIZE);
    assertThat(fault.offset()).isBetween(1, cut.length);
  }

  @Test
  void anyBytesGiveAnAnswer() {
    byte[] sound = table().bytes();
    Random random = new Random(5);
    for (int i = 0; i < 3000; i++) {
      byte[] page = sound.clone();
      for (int n = 0; n < 1 + random.nextInt(6); n++) {
        page[random.nextInt(page.length)] = (byte) random.nextInt();
      }
      RawPage raw = new RawPage(page);

      Decoding<Smbios> decoding = Smbios.decode(raw);

      assertThat(decoding.raw()).isEqualTo(raw);
      decoding.decoded().ifPresent(s -> assertThat(s.json()).containsKey("memorySlots"));
    }
  }
}

package tekmerion.sim.board;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import tekmerion.core.page.RawPage;

/**
 * Writes what a firmware would: machine, case, memory array and slots.
 *
 * @see "DMTF DSP0134 3.7, clauses 7.2, 7.4, 7.17 and 7.18"
 */
final class SmbiosTable {
  private static final int HEADER = 4;
  private static final int DDR4 = 0x1A;
  private static final int SODIMM = 0x0D;
  private static final int SPEED = 3200;
  private static final int MILLIVOLTS = 1200;

  private final ByteArrayOutputStream table = new ByteArrayOutputStream();

  private SmbiosTable() {}

  /**
   * @param slots by name; empty where nothing sits
   */
  static RawPage of(
      String maker,
      String product,
      String serial,
      boolean portable,
      List<String> names,
      List<Optional<SimModule>> slots) {
    SmbiosTable of = new SmbiosTable();
    of.structure(1, 1, new byte[] {1, 2, 0, 3}, maker, product, serial);
    of.structure(3, 2, new byte[] {1, (byte) (portable ? 0x09 : 0x03), 0, 0, 0}, maker);
    byte[] array = new byte[0x0F - HEADER];
    put16(array, 0x0D, slots.size());
    of.structure(16, 0x10, array);
    for (int i = 0; i < slots.size(); i++) {
      Optional<SimModule> module = slots.get(i);
      if (module.isPresent()) {
        SimModule m = module.get();
        of.structure(17, 0x20 + i, device(m), names.get(i), m.maker(), m.serial(), m.part());
      } else {
        byte[] empty = new byte[0x28 - HEADER];
        empty[0x10 - HEADER] = 1;
        of.structure(17, 0x20 + i, empty, names.get(i));
      }
    }
    of.structure(127, 0x7F, new byte[0]);
    return new RawPage(of.table.toByteArray());
  }

  private static byte[] device(SimModule module) {
    byte[] area = new byte[0x28 - HEADER];
    put16(area, 0x0C, module.megabytes());
    area[0x0E - HEADER] = SODIMM;
    area[0x10 - HEADER] = 1;
    area[0x12 - HEADER] = DDR4;
    put16(area, 0x15, SPEED);
    area[0x17 - HEADER] = 2;
    area[0x18 - HEADER] = 3;
    area[0x1A - HEADER] = 4;
    area[0x1B - HEADER] = 1;
    put16(area, 0x20, SPEED);
    put16(area, 0x26, MILLIVOLTS);
    return area;
  }

  private static void put16(byte[] area, int at, int value) {
    area[at - HEADER] = (byte) value;
    area[at - HEADER + 1] = (byte) (value >> 8);
  }

  private void structure(int type, int handle, byte[] area, String... strings) {
    table.write(type);
    table.write(HEADER + area.length);
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
}

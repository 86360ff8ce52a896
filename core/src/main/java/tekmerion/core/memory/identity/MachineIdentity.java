package tekmerion.core.memory.identity;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import tekmerion.core.memory.identity.Smbios.Structure;

/**
 * What the machine is by its firmware: the system (type 1) with its case (type 3), board (type 2)
 * and BIOS (type 0), each the first of its type. Texts stand as the maker wrote them.
 *
 * @param uuid empty if all its bytes are 00 (not present) or FF (not set)
 * @see "DMTF DSP0134 3.7, clauses 7.1 to 7.4"
 */
public record MachineIdentity(
    Optional<String> maker,
    Optional<String> product,
    Optional<String> version,
    Optional<String> serial,
    Optional<UUID> uuid,
    Optional<String> sku,
    Optional<String> family,
    Chassis chassis,
    Board board,
    Bios bios) {
  private static final int BIOS = 0;
  private static final int SYSTEM = 1;
  private static final int BOARD = 2;
  private static final int CHASSIS = 3;
  private static final int UUID_AT = 0x08;
  private static final int UUID_BYTES = 16;

  /**
   * @param kind e.g. "notebook"; empty if the firmware calls it other or unknown
   */
  public record Chassis(
      Optional<String> kind,
      Optional<String> maker,
      Optional<String> version,
      Optional<String> serial) {}

  /** The main board. */
  public record Board(
      Optional<String> maker,
      Optional<String> product,
      Optional<String> version,
      Optional<String> serial) {}

  /**
   * @param date of release, month/day/year as the standard has it
   */
  public record Bios(Optional<String> vendor, Optional<String> version, Optional<String> date) {}

  static MachineIdentity of(List<Structure> structures) {
    Optional<Structure> system = first(structures, SYSTEM);
    Optional<Structure> chassis = first(structures, CHASSIS);
    Optional<Structure> board = first(structures, BOARD);
    Optional<Structure> bios = first(structures, BIOS);
    return new MachineIdentity(
        text(system, 0x04),
        text(system, 0x05),
        text(system, 0x06),
        text(system, 0x07),
        system.flatMap(MachineIdentity::uuid),
        text(system, 0x19),
        text(system, 0x1A),
        new Chassis(
            chassis.flatMap(s -> Optional.ofNullable(kind(s.u8(0x05) & 0x7F))),
            text(chassis, 0x04),
            text(chassis, 0x06),
            text(chassis, 0x07)),
        new Board(text(board, 0x04), text(board, 0x05), text(board, 0x06), text(board, 0x07)),
        new Bios(text(bios, 0x04), text(bios, 0x05), text(bios, 0x08)));
  }

  private static Optional<Structure> first(List<Structure> structures, int type) {
    return structures.stream().filter(s -> s.type() == type).findFirst();
  }

  private static Optional<String> text(Optional<Structure> of, int at) {
    return of.flatMap(s -> s.text(at));
  }

  /** Clause 7.2.1: the first three fields low byte first, the rest as it stands. */
  private static Optional<UUID> uuid(Structure system) {
    if (system.bytes().size() < UUID_AT + UUID_BYTES
        || system.bytes().isFilledWith(0, UUID_AT, UUID_BYTES)
        || system.bytes().isFilledWith(0xFF, UUID_AT, UUID_BYTES)) {
      return Optional.empty();
    }
    long high =
        system.u32(UUID_AT) << 32 | (long) system.u16(UUID_AT + 4) << 16 | system.u16(UUID_AT + 6);
    long low = 0;
    for (int i = 8; i < UUID_BYTES; i++) {
      low = low << 8 | system.u8(UUID_AT + i);
    }
    return Optional.of(new UUID(high, low));
  }

  /** Clause 7.4.1, those of machines that come to a shop; others are told by their code. */
  private static String kind(int code) {
    return switch (code) {
      case 0x00, 0x01, 0x02 -> null;
      case 0x03, 0x04 -> "desktop";
      case 0x06, 0x07 -> "tower";
      case 0x08 -> "portable";
      case 0x09 -> "laptop";
      case 0x0A -> "notebook";
      case 0x0B -> "hand held";
      case 0x0D -> "all in one";
      case 0x0E -> "sub notebook";
      case 0x11, 0x17 -> "server";
      case 0x1E -> "tablet";
      case 0x1F -> "convertible";
      case 0x20 -> "detachable";
      case 0x23 -> "mini";
      case 0x24 -> "stick";
      default -> "case %02Xh".formatted(code);
    };
  }

  Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("maker", maker.orElse(null));
    json.put("product", product.orElse(null));
    json.put("version", version.orElse(null));
    json.put("serial", serial.orElse(null));
    json.put("uuid", uuid.map(u -> u.toString().toUpperCase(Locale.ROOT)).orElse(null));
    json.put("sku", sku.orElse(null));
    json.put("family", family.orElse(null));
    json.put("chassis", chassis.kind().orElse(null));
    json.put("chassisMaker", chassis.maker().orElse(null));
    json.put("chassisVersion", chassis.version().orElse(null));
    json.put("chassisSerial", chassis.serial().orElse(null));
    json.put("boardMaker", board.maker().orElse(null));
    json.put("boardProduct", board.product().orElse(null));
    json.put("boardVersion", board.version().orElse(null));
    json.put("boardSerial", board.serial().orElse(null));
    json.put("biosVendor", bios.vendor().orElse(null));
    json.put("biosVersion", bios.version().orElse(null));
    json.put("biosDate", bios.date().orElse(null));
    return json;
  }
}

package tekmerion.core.memory.identity;

import static tekmerion.core.page.OrNull.orNull;
import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.RawPage;

/**
 * The firmware's table of structures: what the machine is and what sits in its memory slots. Text
 * such as "Not Specified" is kept as it stands; a number that the standard calls unknown is empty.
 *
 * @see "DMTF DSP0134, System Management BIOS Reference Specification 3.7, clauses 6.1 and 7"
 */
public record Smbios(List<Structure> structures, List<FieldSpan> spans) implements DecodedPage {
  private static final int HEADER_BYTES = 4;
  private static final int MEMORY_ARRAY = 16;
  private static final int MEMORY_DEVICE = 17;
  private static final int BATTERY = 22;
  private static final int END = 127;

  /**
   * One structure.
   *
   * @param offset of its first byte in the table
   * @param bytes its formatted area, header included
   * @param strings in order, the first is number 1
   */
  public record Structure(int type, int handle, int offset, RawPage bytes, List<String> strings) {
    /** Zero beyond its end: an older structure that is shorter does not report the field. */
    int u8(int at) {
      return at < bytes.size() ? bytes.u8(at) : 0;
    }

    int u16(int at) {
      return at + 1 < bytes.size() ? bytes.u16(at) : 0;
    }

    long u32(int at) {
      return at + 3 < bytes.size() ? bytes.unsignedLe(at, 4) : 0;
    }

    /** Text by the number that stands at an offset; empty for number 0. */
    Optional<String> text(int at) {
      int number = u8(at);
      return number == 0 || number > strings.size()
          ? Optional.empty()
          : Optional.of(strings.get(number - 1).strip()).filter(s -> !s.isEmpty());
    }
  }

  /**
   * A memory slot (type 17), filled or not.
   *
   * @param slot its locator, e.g. as printed on the board
   * @param sizeBytes empty if the firmware does not know; 0 is never used: see {@code filled}
   * @param filled whether a module sits there
   * @param ratedMillionTransfers of the module [MT/s]
   * @param configuredMillionTransfers as it runs [MT/s]
   * @param dataBits of the module; empty if the firmware does not know
   * @param totalBits with those that correct errors; empty likewise
   */
  public record MemorySlot(
      Optional<String> slot,
      Optional<String> bank,
      boolean filled,
      OptionalLong sizeBytes,
      Optional<String> kind,
      Optional<String> form,
      OptionalLong ratedMillionTransfers,
      OptionalLong configuredMillionTransfers,
      OptionalLong configuredMillivolts,
      OptionalLong ranks,
      OptionalLong dataBits,
      OptionalLong totalBits,
      Optional<String> maker,
      Optional<String> partNumber,
      Optional<String> serial) {
    /** Bits beside the data that correct errors, 0 for none; empty if not known. */
    public OptionalLong correctionBits() {
      return dataBits.isPresent()
              && totalBits.isPresent()
              && totalBits.getAsLong() >= dataBits.getAsLong()
          ? OptionalLong.of(totalBits.getAsLong() - dataBits.getAsLong())
          : OptionalLong.empty();
    }

    /** What to buy in its place: "8 GB DDR4 SODIMM 3200 MT/s 1.20 V (maker part)". */
    public String words() {
      List<String> words = new ArrayList<>();
      sizeBytes.ifPresent(b -> words.add(ModuleSize.words(b)));
      kind.ifPresent(words::add);
      form.ifPresent(words::add);
      ratedMillionTransfers.ifPresent(t -> words.add("%d MT/s".formatted(t)));
      configuredMillivolts.ifPresent(
          v -> words.add(String.format(Locale.ROOT, "%.2f V", v / 1000.0)));
      String model =
          Stream.of(maker, partNumber).flatMap(Optional::stream).collect(Collectors.joining(" "));
      return model.isEmpty()
          ? String.join(" ", words)
          : "%s (%s)".formatted(String.join(" ", words), model);
    }
  }

  public Smbios {
    structures = List.copyOf(structures);
    spans = List.copyOf(spans);
  }

  /** Never an exception: a table that does not hold together is told with the place. */
  public static Decoding<Smbios> decode(RawPage raw) {
    return decodeTable(raw);
  }

  /**
   * Where the table begins: a saved one may have its entry point in front (clauses 5.2.1 and
   * 5.2.2), whose address of the table is then a place in the file.
   */
  private static int tableAt(RawPage raw) {
    if (starts(raw, "_SM3_") && raw.size() >= 24) {
      return (int) Math.min(Integer.MAX_VALUE, raw.unsignedLe(16, 7));
    }
    if (starts(raw, "_SM_") && raw.size() >= 31) {
      return (int) Math.min(Integer.MAX_VALUE, raw.unsignedLe(24, 4));
    }
    return 0;
  }

  private static boolean starts(RawPage raw, String text) {
    return raw.size() >= text.length()
        && new String(raw.bytes(), 0, text.length(), java.nio.charset.StandardCharsets.US_ASCII)
            .equals(text);
  }

  private static Decoding<Smbios> decodeTable(RawPage raw) {
    List<Structure> all = new ArrayList<>();
    List<FieldSpan> spans = new ArrayList<>();
    int at = tableAt(raw);
    if (at < 0 || at > raw.size()) {
      return cut(
          raw,
          0,
          say("page.the-table-of-structures"),
          say("page.an-entry-point-without-its-table"));
    }
    while (at < raw.size()) {
      if (raw.size() - at < HEADER_BYTES) {
        return cut(
            raw,
            at,
            say("page.a-header-of-bytes", "count", HEADER_BYTES),
            say("page.bytes", "count", raw.size() - at));
      }
      int length = raw.u8(at + 1);
      if (length < HEADER_BYTES || at + length + 2 > raw.size()) {
        return cut(
            raw, at + 1, say("page.a-length-that-lies-in-the-table"), "%02Xh".formatted(length));
      }
      int end = endOfStrings(raw, at + length);
      if (end < 0) {
        return cut(
            raw,
            at + length,
            say("page.two-zero-bytes-after-the-last-string"),
            say("page.the-end-of-the-table"));
      }
      byte[] bytes = new byte[length];
      System.arraycopy(raw.bytes(), at, bytes, 0, length);
      Structure structure =
          new Structure(
              raw.u8(at), raw.u16(at + 2), at, new RawPage(bytes), strings(raw, at + length, end));
      all.add(structure);
      spans.add(
          new FieldSpan("type" + structure.type(), at, end - at, structure.handle(), "handle"));
      at = end;
      if (structure.type() == END) {
        break; // what follows is not the table's
      }
    }
    return all.isEmpty()
        ? cut(raw, 0, say("page.at-least-one-structure"), say("page.nothing"))
        : new Decoded<>(raw, new Smbios(all, spans));
  }

  private static Decoding<Smbios> cut(RawPage raw, int at, String expected, String found) {
    return new Malformed<>(
        raw,
        new Fault(
            Fault.Kind.WRONG_SIZE,
            say("page.does-not-hold-together", "page", "SMBIOS"),
            at,
            expected,
            found));
  }

  /** After the two zero bytes; -1 if there are none. */
  private static int endOfStrings(RawPage raw, int from) {
    for (int i = from; i + 1 < raw.size(); i++) {
      if (raw.u8(i) == 0 && raw.u8(i + 1) == 0) {
        return i + 2;
      }
    }
    return -1;
  }

  private static List<String> strings(RawPage raw, int from, int end) {
    List<String> strings = new ArrayList<>();
    int start = from;
    for (int i = from; i < end - 1; i++) {
      if (raw.u8(i) == 0 && i > start) {
        strings.add(text(raw, start, i));
        start = i + 1;
      }
    }
    return strings;
  }

  private static String text(RawPage raw, int from, int to) {
    StringBuilder text = new StringBuilder();
    for (int i = from; i < to; i++) {
      int b = raw.u8(i);
      text.append(b >= 0x20 && b < 0x7F ? (char) b : '\uFFFD'); // the standard has ASCII only
    }
    return text.toString();
  }

  private List<Structure> ofType(int type) {
    return structures.stream().filter(s -> s.type() == type).toList();
  }

  public MachineIdentity machine() {
    return MachineIdentity.of(structures);
  }

  public List<MemorySlot> memorySlots() {
    return ofType(MEMORY_DEVICE).stream().map(Smbios::slot).toList();
  }

  /** How the memory's errors are corrected (type 16, clause 7.17.3); empty if not known. */
  public Optional<String> errorCorrection() {
    return ofType(MEMORY_ARRAY).stream()
        .flatMap(s -> Optional.ofNullable(correction(s.u8(0x06))).stream())
        .findFirst();
  }

  private static String correction(int code) {
    return switch (code) {
      case 0x03 -> "none";
      case 0x04 -> "parity";
      case 0x05 -> "single-bit ECC";
      case 0x06 -> "multi-bit ECC";
      case 0x07 -> "CRC";
      default -> null; // other, unknown
    };
  }

  public List<FirmwareBattery> batteries() {
    return ofType(BATTERY).stream().map(FirmwareBattery::of).toList();
  }

  private static MemorySlot slot(Structure s) {
    int size = s.u16(0x0C);
    boolean filled = size != 0;
    long rated = s.u16(0x15) == 0xFFFF ? s.u32(0x54) : s.u16(0x15);
    long configured = s.u16(0x20) == 0xFFFF ? s.u32(0x58) : s.u16(0x20);
    return new MemorySlot(
        s.text(0x10),
        s.text(0x11),
        filled,
        filled ? size(s, size) : OptionalLong.empty(),
        Optional.ofNullable(kind(s.u8(0x12))),
        Optional.ofNullable(form(s.u8(0x0E))),
        filled ? known(rated, 0) : OptionalLong.empty(),
        filled ? known(configured, 0) : OptionalLong.empty(),
        known(s.u16(0x26), 0),
        known(s.u8(0x1B) & 0x0F, 0),
        filled ? width(s.u16(0x0A)) : OptionalLong.empty(),
        filled ? width(s.u16(0x08)) : OptionalLong.empty(),
        filled ? s.text(0x17) : Optional.empty(),
        filled ? s.text(0x1A) : Optional.empty(),
        filled ? s.text(0x18) : Optional.empty());
  }

  /** Clause 7.18.5: megabytes, or kilobytes with bit 15; FFFFh unknown; 7FFFh see offset 1Ch. */
  private static OptionalLong size(Structure s, int size) {
    if (size == 0xFFFF) {
      return OptionalLong.empty();
    }
    if (size == 0x7FFF) {
      return OptionalLong.of((s.u32(0x1C) & 0x7FFF_FFFFL) << 20);
    }
    return OptionalLong.of((size & 0x8000) != 0 ? (size & 0x7FFFL) << 10 : (long) size << 20);
  }

  private static OptionalLong width(int bits) {
    return bits == 0xFFFF ? OptionalLong.empty() : known(bits, 0);
  }

  private static OptionalLong known(long value, long unknown) {
    return value == unknown ? OptionalLong.empty() : OptionalLong.of(value);
  }

  /** Clause 7.18.2, those that machines of a shop have; others are told by their code. */
  private static String kind(int code) {
    return switch (code) {
      case 0x00, 0x01, 0x02 -> null;
      case 0x12 -> "DDR";
      case 0x13 -> "DDR2";
      case 0x18 -> "DDR3";
      case 0x1A -> "DDR4";
      case 0x1B -> "LPDDR";
      case 0x1C -> "LPDDR2";
      case 0x1D -> "LPDDR3";
      case 0x1E -> "LPDDR4";
      case 0x22 -> "DDR5";
      case 0x23 -> "LPDDR5";
      default -> "type %02Xh".formatted(code);
    };
  }

  private static String form(int code) {
    return switch (code) {
      case 0x00, 0x01, 0x02 -> null;
      case 0x09 -> "DIMM";
      case 0x0B -> "row of chips";
      case 0x0D -> "SODIMM";
      case 0x10 -> "die";
      default -> "form %02Xh".formatted(code);
    };
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.putAll(machine().json());
    json.put("memorySlots", memorySlots().stream().map(Smbios::json).toList());
    json.put("memorySlotsInAll", ofType(MEMORY_ARRAY).stream().mapToInt(s -> s.u16(0x0D)).sum());
    json.put("errorCorrection", errorCorrection().orElse(null));
    json.put("batteries", batteries().stream().map(FirmwareBattery::json).toList());
    json.put(
        "structures",
        structures.stream()
            .map(
                s ->
                    Map.of(
                        "type",
                        s.type(),
                        "handle",
                        s.handle(),
                        "offset",
                        s.offset(),
                        "strings",
                        s.strings()))
            .toList());
    return json;
  }

  private static Map<String, Object> json(MemorySlot slot) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("slot", slot.slot().orElse(null));
    json.put("bank", slot.bank().orElse(null));
    json.put("filled", slot.filled());
    json.put("sizeBytes", orNull(slot.sizeBytes()));
    json.put("kind", slot.kind().orElse(null));
    json.put("form", slot.form().orElse(null));
    json.put("ratedMillionTransfers", orNull(slot.ratedMillionTransfers()));
    json.put("configuredMillionTransfers", orNull(slot.configuredMillionTransfers()));
    json.put("configuredMillivolts", orNull(slot.configuredMillivolts()));
    json.put("ranks", orNull(slot.ranks()));
    json.put("dataBits", orNull(slot.dataBits()));
    json.put("totalBits", orNull(slot.totalBits()));
    json.put("correctionBits", orNull(slot.correctionBits()));
    json.put("maker", slot.maker().orElse(null));
    json.put("partNumber", slot.partNumber().orElse(null));
    json.put("serial", slot.serial().orElse(null));
    return json;
  }
}

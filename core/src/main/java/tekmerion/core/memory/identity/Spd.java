package tekmerion.core.memory.identity;

import static tekmerion.core.page.OrNull.orNull;
import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * What a memory module says of itself in its serial presence detect chip.
 *
 * @param moduleType base module type code, as in the standard
 * @param sizeBytes of the module without what corrects errors; empty if a code is not known
 * @param ranks package ranks of a channel
 * @param deviceWidthBits of one chip; empty if the code is not known
 * @param dataBits of the module, over all its channels
 * @param correctionBits beside them; 0 for none
 * @param millionTransfers a second at its shortest clock [MT/s]; empty if it says 0
 * @param voltage as the standard words it
 * @param manufacturerId of the module, JEP106 "bank:code" in hex; empty if not given
 * @param dramManufacturerId of its chips, in the same form
 * @param serial eight hex digits; empty if all are 00 or FF
 * @param madeYear and week; empty if not given
 * @see "JEDEC Standard 21-C, Annex K release 6 (DDR3) and Annex L release 5 (DDR4); JESD400-5B
 *     (DDR5)"
 */
public record Spd(
    Generation generation,
    int moduleType,
    OptionalLong sizeBytes,
    int ranks,
    OptionalLong deviceWidthBits,
    int dataBits,
    int correctionBits,
    OptionalLong millionTransfers,
    String voltage,
    SpdTimings timings,
    SpdGeometry geometry,
    Optional<String> manufacturerId,
    Optional<String> dramManufacturerId,
    Optional<String> serial,
    String partNumber,
    Optional<String> madeYear,
    List<FieldSpan> spans)
    implements DecodedPage {

  /** With the code of its kind, the size of its table, and where the maker writes. */
  public enum Generation {
    DDR3(0x0B, 256, 117, 148, 128, 18),
    DDR4(0x0C, 512, 320, 350, 329, 20),
    DDR5(0x12, 1024, 512, 552, 521, 30);

    private final int code;
    private final int pageBytes;
    private final int maker;
    private final int dramMaker;
    private final int part;
    private final int partBytes;

    Generation(int code, int pageBytes, int maker, int dramMaker, int part, int partBytes) {
      this.code = code;
      this.pageBytes = pageBytes;
      this.maker = maker;
      this.dramMaker = dramMaker;
      this.part = part;
      this.partBytes = partBytes;
    }
  }

  private static final int KIND_AT = 2;

  /** Gigabits of one chip by the density code; 0 for codes that mean none. */
  private static final double[] DDR3_GIGABITS = {0.25, 0.5, 1, 2, 4, 8, 16};

  private static final double[] DDR4_GIGABITS = {0.25, 0.5, 1, 2, 4, 8, 16, 32, 12, 24};

  /** One, two in a package, stacks of 2, 4, 8 and 16. */
  private static final int[] DDR5_DIES = {1, 2, 2, 4, 8, 16};

  private static final double[] DDR5_GIGABITS = {0, 4, 8, 12, 16, 24, 32, 48, 64};

  public Spd {
    spans = List.copyOf(spans);
  }

  /** Never an exception: what does not follow the standard is told as what it is. */
  public static Decoding<Spd> decode(Generation generation, RawPage raw) {
    Optional<Fault> fault = damage(generation, raw);
    return fault.isPresent()
        ? new Malformed<>(raw, fault.get())
        : new Decoded<>(raw, new Reader(generation, raw).read());
  }

  /** Of whichever generation its own byte says. */
  public static Decoding<Spd> decode(RawPage raw) {
    for (Generation g : Generation.values()) {
      if (raw.size() > KIND_AT && raw.u8(KIND_AT) == g.code) {
        return decode(g, raw);
      }
    }
    return new Malformed<>(
        raw,
        PageDamage.ofAtLeast(raw, "SPD", KIND_AT + 1)
            .orElseGet(
                () ->
                    new Fault(
                        Fault.Kind.WRONG_KIND,
                        say("page.memory-not-known-here"),
                        KIND_AT,
                        say(
                            "page.one-of-three",
                            "one",
                            "0Bh (DDR3)",
                            "two",
                            "0Ch (DDR4)",
                            "three",
                            "12h (DDR5)"),
                        "%02Xh".formatted(raw.u8(KIND_AT)))));
  }

  private static Optional<Fault> damage(Generation g, RawPage raw) {
    Optional<Fault> fault = PageDamage.of(raw, "SPD of " + g, g.pageBytes);
    if (fault.isPresent()) {
      return fault;
    }
    if (raw.u8(KIND_AT) != g.code) {
      return Optional.of(
          new Fault(
              Fault.Kind.WRONG_KIND,
              say("page.memory-of-another-kind"),
              KIND_AT,
              "%02Xh (%s)".formatted(g.code, g),
              "%02Xh".formatted(raw.u8(KIND_AT))));
    }
    int to =
        switch (g) {
          case DDR3 -> (raw.u8(0) & 0x80) != 0 ? 117 : 126; // bit 7: the shorter coverage
          case DDR4 -> 126;
          default -> 510;
        };
    int at = g == Generation.DDR5 ? 510 : 126;
    Optional<Fault> second = g == Generation.DDR4 ? checksum(raw, 128, 254, 254) : Optional.empty();
    return checksum(raw, 0, to, at).or(() -> second);
  }

  private static Optional<Fault> checksum(RawPage raw, int from, int to, int at) {
    int stored = raw.u16(at);
    int counted = Crc16.of(raw, from, to);
    return stored == counted
        ? Optional.empty()
        : Optional.of(
            new Fault(
                Fault.Kind.BAD_CHECKSUM,
                say("page.fails-its-own-checksum", "page", "SPD"),
                at,
                "%04Xh".formatted(counted),
                "%04Xh".formatted(stored)));
  }

  /** What to buy in its place: "16 GB DDR4, 3200 MT/s, 1.2 V". */
  public String words() {
    return "%s %s, %s, %s%s"
        .formatted(
            sizeBytes.isPresent() ? ModuleSize.words(sizeBytes.getAsLong()) : "size not known",
            generation,
            millionTransfers.isPresent()
                ? millionTransfers.getAsLong() + " MT/s"
                : "speed not reported",
            voltage,
            correctionBits > 0 ? ", with error correction" : "");
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("generation", generation.name());
    json.put("words", words());
    json.put("moduleTypeCode", moduleType);
    json.put("sizeBytes", orNull(sizeBytes));
    json.put("ranks", ranks);
    json.put("deviceWidthBits", orNull(deviceWidthBits));
    json.put("dataBits", dataBits);
    json.put("correctionBits", correctionBits);
    json.put("millionTransfers", orNull(millionTransfers));
    json.put("voltage", voltage);
    json.put("timings", timings.json());
    json.put("geometry", geometry.json());
    json.put("manufacturerId", manufacturerId.orElse(null));
    json.put("manufacturer", manufacturerId.flatMap(MemoryMaker::name).orElse(null));
    json.put("dramManufacturerId", dramManufacturerId.orElse(null));
    json.put("dramManufacturer", dramManufacturerId.flatMap(MemoryMaker::name).orElse(null));
    json.put("serial", serial.orElse(null));
    json.put("partNumber", partNumber.isEmpty() ? null : partNumber);
    json.put("made", madeYear.orElse(null));
    return json;
  }

  /** Reads the fields of a table whose checksum holds. */
  private static final class Reader {
    private final Generation g;
    private final RawPage raw;
    private final List<FieldSpan> spans = new ArrayList<>();

    Reader(Generation g, RawPage raw) {
      this.g = g;
      this.raw = raw;
    }

    Spd read() {
      int organisation = u8("moduleOrganization", g == Generation.DDR5 ? 234 : orgAt());
      int bus = u8("busWidth", g == Generation.DDR5 ? 235 : g == Generation.DDR3 ? 8 : 13);
      int ranks = (organisation >> 3 & 7) + 1;
      int channels = g == Generation.DDR5 ? (bus >> 5 & 3) + 1 : 1;
      int data = (8 << (bus & 7)) * channels;
      int correction = (bus >> 3 & 3) * (g == Generation.DDR5 ? 4 : 8) * channels;
      OptionalLong width = width(organisation);
      SpdTimings timings = SpdTimings.of(g, raw);
      return new Spd(
          g,
          u8("moduleType", 3) & 0x0F,
          size(width, data, ranks * dies(organisation), organisation),
          ranks,
          width,
          data,
          correction,
          speed(timings),
          voltage(),
          timings,
          SpdGeometry.of(g, raw),
          maker("manufacturerId", g.maker),
          maker("dramManufacturerId", g.dramMaker),
          serial(),
          part(),
          made(),
          spans);
    }

    private int orgAt() {
      return g == Generation.DDR3 ? 7 : 12;
    }

    private int u8(String name, int at) {
      int value = raw.u8(at);
      spans.add(new FieldSpan(name, at, 1, value, ""));
      return value;
    }

    private OptionalLong width(int organisation) {
      int code = g == Generation.DDR5 ? u8("ioWidth", 6) >> 5 & 7 : organisation & 7;
      return code <= 3 ? OptionalLong.of(4L << code) : OptionalLong.empty();
    }

    /**
     * How often a package rank holds as much as one die: of DDR4 the dies of a 3DS stack are ranks
     * of their own (Annex L, bytes 6 and 12); of DDR5 the dies in a package (JESD400-5, byte 4).
     */
    private int dies(int organisation) {
      if (g == Generation.DDR4) {
        int type = u8("sdramPackageType", 6);
        boolean stack3ds = (type & 0x80) != 0 && (type & 3) == 2;
        return stack3ds ? (type >> 4 & 7) + 1 : 1;
      }
      if (g == Generation.DDR5) {
        int code = raw.u8(4) >> 5;
        return code < DDR5_DIES.length ? DDR5_DIES[code] : 1;
      }
      return 1;
    }

    /**
     * Density over eight, times chips beside each other, times ranks. Not told of a module whose
     * ranks are of two sorts of chip (bit 6 of its organisation): only the first is read here.
     */
    private OptionalLong size(OptionalLong width, int dataBits, int ranks, int organisation) {
      double[] table =
          switch (g) {
            case DDR3 -> DDR3_GIGABITS;
            case DDR4 -> DDR4_GIGABITS;
            default -> DDR5_GIGABITS;
          };
      int code = u8("density", 4) & (g == Generation.DDR5 ? 0x1F : 0x0F);
      boolean asymmetrical = g != Generation.DDR3 && (organisation & 0x40) != 0;
      if (asymmetrical || code >= table.length || table[code] == 0 || width.isEmpty()) {
        return OptionalLong.empty();
      }
      double bits = table[code] * (1L << 30) * (dataBits / (double) width.getAsLong()) * ranks;
      return OptionalLong.of(Math.round(bits / 8));
    }

    /** Two transfers a clock; the shortest clock in picoseconds. */
    private OptionalLong speed(SpdTimings timings) {
      OptionalLong picoseconds = timings.clockPs();
      spans.add(
          new FieldSpan(
              "shortestClock",
              g == Generation.DDR3 ? 12 : g == Generation.DDR4 ? 18 : 20,
              g == Generation.DDR5 ? 2 : 1,
              picoseconds.isPresent() ? picoseconds.getAsLong() : null,
              "ps"));
      if (picoseconds.isEmpty()) {
        return OptionalLong.empty();
      }
      double exact = 2_000_000.0 / picoseconds.getAsLong();
      return OptionalLong.of(g == Generation.DDR5 ? nearestBin(exact) : nearestGrade(exact));
    }

    /** Grades are named in steps of a third of a hundred: 1333, 1600, 1866 … */
    private static long nearestGrade(double exact) {
      double thirds = Math.round(exact * 3 / 100);
      double grade = thirds * 100 / 3;
      return Math.abs(grade - exact) < 8 ? (long) Math.floor(grade + 1e-9) : Math.round(exact);
    }

    /** Its speed bins go by 400; the clock stands in whole picoseconds, cut off (JESD79-5). */
    private static long nearestBin(double exact) {
      long bin = Math.round(exact / 400) * 400;
      return Math.abs(bin - exact) < 0.01 * exact ? bin : Math.round(exact);
    }

    private String voltage() {
      return switch (g) {
        case DDR3 -> {
          int code = u8("nominalVoltage", 6);
          yield ((code & 1) == 0 ? "1.5 V" : "not 1.5 V")
              + ((code & 2) != 0 ? ", 1.35 V" : "")
              + ((code & 4) != 0 ? ", 1.25 V" : "");
        }
        case DDR4 -> (u8("nominalVoltage", 11) & 1) != 0 ? "1.2 V" : "not 1.2 V";
        default -> "1.1 V";
      };
    }

    private Optional<String> maker(String field, int at) {
      Optional<String> id = MemoryMaker.id(raw.u8(at), raw.u8(at + 1));
      spans.add(new FieldSpan(field, at, 2, id.orElse(null), ""));
      return id;
    }

    private Optional<String> serial() {
      int at = g.maker + 5;
      String hex = raw.hex(at, 4).replace(" ", "").toUpperCase(Locale.ROOT);
      spans.add(new FieldSpan("serialNumber", at, 4, hex, ""));
      return raw.isFilledWith(0, at, 4) || raw.isFilledWith(0xFF, at, 4)
          ? Optional.empty()
          : Optional.of(hex);
    }

    private String part() {
      byte[] bytes = new byte[g.partBytes];
      for (int i = 0; i < bytes.length; i++) {
        int b = raw.u8(g.part + i);
        bytes[i] = (byte) (b >= 0x20 && b < 0x7F ? b : 0x20);
      }
      String text = new String(bytes, StandardCharsets.US_ASCII).strip();
      spans.add(new FieldSpan("partNumber", g.part, g.partBytes, text, ""));
      return text;
    }

    /** Year and week in binary-coded decimals. */
    private Optional<String> made() {
      int at = g.maker + 3;
      int year = raw.u8(at);
      int week = raw.u8(at + 1);
      boolean given = isDecimal(year) && isDecimal(week) && week >= 0x01 && week <= 0x53;
      String text = given ? "20%02X, week %X".formatted(year, week) : null;
      spans.add(new FieldSpan("manufacturingDate", at, 2, text, ""));
      return Optional.ofNullable(text);
    }

    private static boolean isDecimal(int bcd) {
      return (bcd & 0x0F) <= 9 && bcd >> 4 <= 9;
    }
  }
}

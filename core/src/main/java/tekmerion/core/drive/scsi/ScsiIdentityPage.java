package tekmerion.core.drive.scsi;

import static tekmerion.words.Words.say;

import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
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
import tekmerion.core.page.Reported;

/**
 * What a SCSI drive, or a USB one that speaks the same, tells of who and what it is. A field whose
 * value is null is not reported.
 *
 * @param title in the standard's words
 * @param fields in order of place
 */
public record ScsiIdentityPage(String title, String standard, List<FieldSpan> fields)
    implements DecodedPage {
  /** A disk; with 0Eh also those that know only the reduced commands. */
  public static final long DIRECT_ACCESS = 0x00;

  private static final int VPD_HEADER = 4;
  private static final int DESIGNATOR_HEADER = 4;

  public ScsiIdentityPage {
    fields = List.copyOf(fields);
  }

  /** Standard INQUIRY data: SPC-5, 6.7.2. */
  public static Decoding<ScsiIdentityPage> inquiry(RawPage raw) {
    return PageDamage.ofAtLeast(raw, "INQUIRY data", 36)
        .or(() -> textDamage(raw, 8, 28))
        .<Decoding<ScsiIdentityPage>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(
            () ->
                decoded(
                    raw,
                    "Standard INQUIRY data",
                    "SPC-5",
                    List.of(
                        new FieldSpan("peripheralDeviceType", 0, 1, (long) (raw.u8(0) & 0x1F), ""),
                        new FieldSpan("removableMedium", 1, 1, (raw.u8(1) & 0x80) != 0, ""),
                        new FieldSpan("version", 2, 1, (long) raw.u8(2), ""),
                        new FieldSpan("vendorIdentification", 8, 8, text(raw, 8, 8), ""),
                        new FieldSpan("productIdentification", 16, 16, text(raw, 16, 16), ""),
                        new FieldSpan("productRevisionLevel", 32, 4, text(raw, 32, 4), ""))));
  }

  /** Unit Serial Number VPD page (80h): SPC-5, 7.7.19. */
  public static Decoding<ScsiIdentityPage> unitSerialNumber(RawPage raw) {
    return vpdDamage(raw, 0x80, "Unit Serial Number page", 0)
        .or(() -> textDamage(raw, VPD_HEADER, raw.u16be(2)))
        .<Decoding<ScsiIdentityPage>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(
            () -> {
              int length = raw.u16be(2);
              String serial = Reported.serial(text(raw, VPD_HEADER, length)).orElse(null);
              return decoded(
                  raw,
                  "Unit Serial Number (80h)",
                  "SPC-5",
                  List.of(new FieldSpan("productSerialNumber", VPD_HEADER, length, serial, "")));
            });
  }

  /** Device Identification VPD page (83h): SPC-5, 7.7.6. Names of the unit itself only. */
  public static Decoding<ScsiIdentityPage> deviceIdentification(RawPage raw) {
    Optional<Fault> damage = vpdDamage(raw, 0x83, "Device Identification page", 0);
    if (damage.isPresent()) {
      return new Malformed<>(raw, damage.get());
    }
    List<FieldSpan> fields = new ArrayList<>();
    int end = VPD_HEADER + raw.u16be(2);
    for (int at = VPD_HEADER; at < end; ) {
      int length = at + DESIGNATOR_HEADER <= end ? raw.u8(at + 3) : end;
      int from = at + DESIGNATOR_HEADER;
      if (from + length > end) {
        return new Malformed<>(
            raw,
            new Fault(
                Fault.Kind.WRONG_SIZE,
                say("page.a-designator-does-not-fit"),
                at,
                say("page.one-that-ends-in-time", "end", end),
                raw.hex(at, Math.min(DESIGNATOR_HEADER, end - at))));
      }
      boolean ofTheUnit = (raw.u8(at + 1) >> 4 & 3) == 0;
      String name = designator(raw.u8(at + 1) & 0x0F);
      if (ofTheUnit && !name.isEmpty()) {
        boolean binary = (raw.u8(at) & 0x0F) == 1;
        String value =
            binary
                ? Reported.name(raw.hex(from, length)).orElse(null)
                : Reported.serial(text(raw, from, length)).orElse(null);
        fields.add(new FieldSpan(name, from, length, value, ""));
      }
      at = from + length;
    }
    return decoded(raw, "Device Identification (83h)", "SPC-5", fields);
  }

  private static String designator(int type) {
    return switch (type) {
      case 1 -> "vendorIdentificationBased";
      case 2 -> "eui64";
      case 3 -> "naa";
      case 8 -> "scsiNameString";
      case 0xA -> "uuid";
      default -> "";
    };
  }

  /** Block Device Characteristics VPD page (B1h): SBC-4, 6.6.2. */
  public static Decoding<ScsiIdentityPage> blockDeviceCharacteristics(RawPage raw) {
    return vpdDamage(raw, 0xB1, "Block Device Characteristics page", 4)
        .<Decoding<ScsiIdentityPage>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(
            () -> {
              int rate = raw.u16be(4);
              return decoded(
                  raw,
                  "Block Device Characteristics (B1h)",
                  "SBC-4",
                  List.of(
                      new FieldSpan(
                          "mediumRotationRate",
                          4,
                          2,
                          rate >= 0x0401 && rate <= 0xFFFE ? (Long) (long) rate : null,
                          "1/min"),
                      new FieldSpan(
                          "nonRotatingMedium",
                          4,
                          2,
                          rate == 1 ? (Boolean) true : rate > 0x0400 ? (Boolean) false : null,
                          "")));
            });
  }

  /** READ CAPACITY (16) parameter data: SBC-4, 5.16.2. */
  public static Decoding<ScsiIdentityPage> capacity(RawPage raw) {
    return PageDamage.ofAtLeast(raw, "READ CAPACITY (16) data", 32)
        .<Decoding<ScsiIdentityPage>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(
            () -> {
              BigInteger last = new BigInteger(raw.hex(0, 8), 16);
              long blockBytes = raw.unsignedBe(8, 4);
              BigInteger bytes = last.add(BigInteger.ONE).multiply(BigInteger.valueOf(blockBytes));
              int exponent = raw.u8(13) & 0x0F;
              return decoded(
                  raw,
                  "READ CAPACITY (16) data",
                  "SBC-4",
                  List.of(
                      new FieldSpan("returnedLogicalBlockAddress", 0, 8, ScsiLog.number(last), ""),
                      new FieldSpan(
                          "logicalBlockLength", 8, 4, blockBytes == 0 ? null : blockBytes, "bytes"),
                      new FieldSpan(
                          "capacity",
                          0,
                          12,
                          blockBytes == 0 || bytes.bitLength() > 62 ? null : bytes.longValueExact(),
                          "bytes"),
                      new FieldSpan(
                          "physicalBlockLength",
                          13,
                          1,
                          blockBytes == 0 ? null : blockBytes << exponent,
                          "bytes")));
            });
  }

  private static Decoding<ScsiIdentityPage> decoded(
      RawPage raw, String title, String standard, List<FieldSpan> fields) {
    return new Decoded<>(raw, new ScsiIdentityPage(title, standard, fields));
  }

  private static Optional<Fault> vpdDamage(RawPage raw, int page, String name, int least) {
    return PageDamage.ofAtLeast(raw, name, VPD_HEADER + least)
        .or(
            () ->
                raw.u8(1) == page
                    ? Optional.empty()
                    : Optional.of(
                        new Fault(
                            Fault.Kind.WRONG_KIND,
                            say("page.is-another-page", "page", name),
                            1,
                            "%02Xh".formatted(page),
                            "%02Xh".formatted(raw.u8(1)))))
        .or(
            () ->
                raw.u16be(2) >= least && VPD_HEADER + raw.u16be(2) <= raw.size()
                    ? Optional.empty()
                    : Optional.of(
                        new Fault(
                            Fault.Kind.WRONG_SIZE,
                            say("page.is-cut-off", "page", name),
                            2,
                            say("page.bytes-after-the-header", "count", raw.u16be(2)),
                            say("page.bytes", "count", raw.size() - VPD_HEADER))));
  }

  private static Optional<Fault> textDamage(RawPage raw, int from, int length) {
    for (int at = from; at < from + length; at++) {
      int b = raw.u8(at);
      if (b != 0 && (b < 0x20 || b > 0x7E)) {
        return Optional.of(
            new Fault(
                Fault.Kind.NOT_TEXT,
                say("page.what-should-be-text-is-none"),
                at,
                say("page.a-printable-character"),
                "%02Xh".formatted(b)));
      }
    }
    return Optional.empty();
  }

  private static String text(RawPage raw, int from, int length) {
    return new String(raw.bytes(), from, length, StandardCharsets.US_ASCII)
        .replace("\0", " ")
        .strip();
  }

  /** A text of this name; empty text if there is none or it is not reported. */
  public String text(String field) {
    return value(field) instanceof String text ? text : "";
  }

  public OptionalLong number(String field) {
    return value(field) instanceof Long number ? OptionalLong.of(number) : OptionalLong.empty();
  }

  public boolean is(String field) {
    return Boolean.TRUE.equals(value(field));
  }

  private Object value(String field) {
    return fields.stream()
        .filter(f -> f.name().equals(field))
        .findFirst()
        .map(FieldSpan::value)
        .orElse(null);
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", title);
    json.put("standard", standard);
    fields.forEach(f -> json.put(f.name(), f.value()));
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    return fields;
  }
}

package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Hex;
import tekmerion.core.page.RawPage;

/**
 * IDENTIFY DEVICE data (command ECh): who the drive is and what it can do. ACS-3 clause 7.12.7.
 *
 * @param fields every field that the drive reports; one that is missing is not reported
 */
public record IdentifyDevice(Map<IdentifyField, Object> fields) implements DecodedPage {
  private static final String NAME = "IDENTIFY DEVICE data";
  private static final int INTEGRITY_WORD_OFFSET = 510;
  private static final int INTEGRITY_INDICATOR = 0xA5;
  private static final List<IdentifyField> MUST_BE_TEXT =
      List.of(
          IdentifyField.SERIAL_NUMBER, IdentifyField.FIRMWARE_REVISION, IdentifyField.MODEL_NUMBER);

  public IdentifyDevice {
    fields = Collections.unmodifiableMap(new EnumMap<>(fields));
  }

  /**
   * @param raw any bytes
   * @return malformed if not 512 bytes, all 00h or FFh, of a packet device, with an integrity word
   *     that does not hold, or with an identity that is no text
   */
  public static Decoding<IdentifyDevice> decode(RawPage raw) {
    Optional<Fault> damage = AtaPage.damage(raw, NAME).or(() -> ownDamage(raw));
    if (damage.isPresent()) {
      return new Malformed<>(raw, damage.get());
    }
    Map<IdentifyField, Object> fields = new EnumMap<>(IdentifyField.class);
    for (IdentifyField field : IdentifyField.values()) {
      field.in(raw).ifPresent(value -> fields.put(field, value));
    }
    return new Decoded<>(raw, new IdentifyDevice(fields));
  }

  private static Optional<Fault> ownDamage(RawPage raw) {
    if (raw.u8(INTEGRITY_WORD_OFFSET) == INTEGRITY_INDICATOR) {
      Optional<Fault> checksum = AtaPage.checksumDamage(raw, NAME);
      if (checksum.isPresent()) {
        return checksum;
      }
    }
    if ((raw.u16(0) & 0x8000) != 0) {
      return Optional.of(
          new Fault(
              Fault.Kind.WRONG_KIND,
              say("page.is-of-a-packet-device", "page", NAME),
              1,
              say("page.bit-15-of-word-0-clear"),
              Hex.code(raw.u16(0), 4)));
    }
    for (IdentifyField field : MUST_BE_TEXT) {
      int at = field.layout().firstNonText(raw);
      if (at >= 0) {
        return Optional.of(
            new Fault(
                Fault.Kind.NOT_TEXT,
                say("page.is-not-text", "page", NAME, "field", field.jsonName()),
                at,
                say("page.printable-ascii"),
                Hex.code(raw.u8(at), 2)));
      }
    }
    return Optional.empty();
  }

  public String modelNumber() {
    return text(IdentifyField.MODEL_NUMBER);
  }

  public String serialNumber() {
    return text(IdentifyField.SERIAL_NUMBER);
  }

  public String firmwareRevision() {
    return text(IdentifyField.FIRMWARE_REVISION);
  }

  /**
   * Addressable logical sectors: words 230–233, else 100–103, else 60–61. Empty if all are zero.
   */
  public OptionalLong logicalSectors() {
    if (is(IdentifyField.EXTENDED_NUMBER_OF_SECTORS_SUPPORTED)
        && number(IdentifyField.EXTENDED_USER_ADDRESSABLE_LOGICAL_SECTORS) > 0) {
      return OptionalLong.of(number(IdentifyField.EXTENDED_USER_ADDRESSABLE_LOGICAL_SECTORS));
    }
    long sectors48 = number(IdentifyField.USER_ADDRESSABLE_LOGICAL_SECTORS);
    if (is(IdentifyField.ADDRESS_48_BIT_SUPPORTED) && sectors48 > 0) {
      return OptionalLong.of(sectors48);
    }
    long sectors28 = number(IdentifyField.USER_ADDRESSABLE_LOGICAL_SECTORS_28_BIT);
    return sectors28 > 0 ? OptionalLong.of(sectors28) : OptionalLong.empty();
  }

  /** Bytes of a logical sector: 512 unless words 117–118 say otherwise (ACS-3, 7.12.7.57). */
  public long logicalSectorBytes() {
    long words = number(IdentifyField.LOGICAL_SECTOR_SIZE_WORDS);
    return words > 0 ? 2 * words : 512;
  }

  /** Bytes of a physical sector: a power of two of logical ones. */
  public long physicalSectorBytes() {
    return is(IdentifyField.MULTIPLE_LOGICAL_SECTORS_PER_PHYSICAL_SECTOR)
        ? logicalSectorBytes() << number(IdentifyField.LOGICAL_SECTORS_PER_PHYSICAL_SECTOR_EXPONENT)
        : logicalSectorBytes();
  }

  /** Empty if not reported, or if the numbers it is made of cannot be true (over 2^62 bytes). */
  public OptionalLong capacityBytes() {
    OptionalLong sectors = logicalSectors();
    if (sectors.isEmpty() || sectors.getAsLong() > (1L << 62) / logicalSectorBytes()) {
      return OptionalLong.empty();
    }
    return OptionalLong.of(sectors.getAsLong() * logicalSectorBytes());
  }

  /** Turns a minute of a spinning disk; empty for solid state and where not reported. */
  public OptionalInt rotationRatePerMinute() {
    long code = number(IdentifyField.NOMINAL_MEDIA_ROTATION_RATE_CODE);
    return code >= 0x0401 && code <= 0xFFFE ? OptionalInt.of((int) code) : OptionalInt.empty();
  }

  /** Whether it is a non-rotating medium (code 0001h); empty if it tells no rate at all. */
  public Optional<Boolean> isSolidState() {
    long code = number(IdentifyField.NOMINAL_MEDIA_ROTATION_RATE_CODE);
    return code == 0x0001
        ? Optional.of(true)
        : rotationRatePerMinute().isPresent() ? Optional.of(false) : Optional.empty();
  }

  /**
   * Minutes of a security erase by words 89 and 90: twice the value, in one byte or, where bit 15
   * says so, in 15 bits. Empty if zero, "not specified".
   */
  public OptionalInt normalSecurityEraseMinutes() {
    return eraseMinutes(
        IdentifyField.NORMAL_SECURITY_ERASE_EXTENDED_TIME_REPORTED,
        IdentifyField.NORMAL_SECURITY_ERASE_TIME_CODE);
  }

  public OptionalInt enhancedSecurityEraseMinutes() {
    return eraseMinutes(
        IdentifyField.ENHANCED_SECURITY_ERASE_EXTENDED_TIME_REPORTED,
        IdentifyField.ENHANCED_SECURITY_ERASE_TIME_CODE);
  }

  /** The form factor's words in ACS-3, table "Nominal form factor field"; empty if not reported. */
  public Optional<String> nominalFormFactor() {
    return Optional.ofNullable(
        switch ((int) number(IdentifyField.NOMINAL_FORM_FACTOR_CODE)) {
          case 1 -> "5.25 inch";
          case 2 -> "3.5 inch";
          case 3 -> "2.5 inch";
          case 4 -> "1.8 inch";
          case 5 -> "less than 1.8 inch";
          case 6 -> "mSATA";
          case 7 -> "M.2";
          case 8 -> "MicroSSD";
          case 9 -> "CFast";
          default -> null;
        });
  }

  private OptionalInt eraseMinutes(IdentifyField extended, IdentifyField code) {
    long value = is(extended) ? number(code) : number(code) & 0xFF;
    return value == 0 ? OptionalInt.empty() : OptionalInt.of((int) (2 * value));
  }

  private boolean is(IdentifyField field) {
    return Boolean.TRUE.equals(fields.get(field));
  }

  private String text(IdentifyField field) {
    return fields.get(field) instanceof String s ? s : "";
  }

  private long number(IdentifyField field) {
    return fields.get(field) instanceof Long n ? n : 0;
  }

  @Override
  public Map<String, Object> json() {
    return AtaJson.of(this);
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    for (IdentifyField field : IdentifyField.values()) {
      IdentifyLayout at = field.layout();
      spans.add(new FieldSpan(field.jsonName(), at.offset(), at.length(), fields.get(field), ""));
    }
    return spans;
  }
}

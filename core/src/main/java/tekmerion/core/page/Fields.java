package tekmerion.core.page;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;

/**
 * A structure read by its table of fields.
 *
 * @param <E> the table: an enum of all fields in order of offset
 */
public final class Fields<E extends Enum<E> & LayoutField> {
  private final Class<E> table;
  private final int base;
  private final EnumMap<E, Object> values;

  private Fields(Class<E> table, int base, EnumMap<E, Object> values) {
    this.table = table;
    this.base = base;
    this.values = values;
  }

  /**
   * @param base offset of the structure in the page
   * @throws IndexOutOfBoundsException if it does not lie inside the page
   */
  public static <E extends Enum<E> & LayoutField> Fields<E> read(
      Class<E> table, RawPage page, int base) {
    EnumMap<E, Object> values = new EnumMap<>(table);
    for (E field : table.getEnumConstants()) {
      values.put(field, field.layout().read(page, base));
    }
    return new Fields<>(table, base, values);
  }

  /** Number, text, true or false; null if the device does not report it. */
  public Object get(E field) {
    return values.get(field);
  }

  /** Exact; empty if not reported or no number. */
  public Optional<BigInteger> exact(E field) {
    return switch (field.layout().kind()) {
      case UNSIGNED_LE, UNSIGNED_BE, SIGNED_BYTE, BITS ->
          Optional.ofNullable(values.get(field)).map(v -> new BigInteger(v.toString()));
      default -> Optional.empty();
    };
  }

  /** Empty also if the number does not fit 63 bits, which no healthy counter reaches. */
  public OptionalLong number(E field) {
    Optional<BigInteger> exact = exact(field).filter(n -> n.bitLength() <= 63);
    return exact.isPresent() ? OptionalLong.of(exact.get().longValueExact()) : OptionalLong.empty();
  }

  public OptionalInt small(E field) {
    OptionalLong number = number(field);
    return number.isPresent() && number.getAsLong() == (int) number.getAsLong()
        ? OptionalInt.of((int) number.getAsLong())
        : OptionalInt.empty();
  }

  public boolean isSet(E flag) {
    return Boolean.TRUE.equals(values.get(flag));
  }

  /** Empty text if not reported. */
  public String text(E field) {
    Object value = values.get(field);
    return value == null ? "" : value.toString();
  }

  /** In the order of the table; not reported fields are null. */
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    for (E field : table.getEnumConstants()) {
      json.put(field.jsonName(), values.get(field));
    }
    return Collections.unmodifiableMap(json);
  }

  /**
   * @param prefix put before each name, e.g. "entry 3: "
   */
  public List<FieldSpan> spans(String prefix) {
    List<FieldSpan> spans = new ArrayList<>();
    for (E field : table.getEnumConstants()) {
      FieldLayout layout = field.layout();
      spans.add(
          new FieldSpan(
              prefix + field.jsonName(),
              base + layout.offset(),
              layout.length(),
              values.get(field),
              layout.unit()));
    }
    return spans;
  }
}

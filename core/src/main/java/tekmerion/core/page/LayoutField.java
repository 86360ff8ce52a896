package tekmerion.core.page;

/** A field of a structure: implemented by enums whose constants are the standard's own names. */
public interface LayoutField {
  /** Where it lies and how it is read. */
  FieldLayout layout();

  /** The constant's name; given by every enum. */
  String name();

  /** {@code PERCENTAGE_USED} as {@code percentageUsed}. */
  default String jsonName() {
    return jsonName(name());
  }

  /** The same for a constant of another enum. Worked out once: pages have hundreds of fields. */
  static String jsonName(String constant) {
    return JsonNames.KNOWN.computeIfAbsent(constant, JsonNames::of);
  }
}

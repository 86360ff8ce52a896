package tekmerion.core.page;

/**
 * A decoded field and the bytes that it came from.
 *
 * @param name in the standard's words, in camel case, as in JSON
 * @param offset of its first byte in the page
 * @param length how many bytes it lies in; a flag's is that of the whole byte or word
 * @param value number, text, true or false; null if the device does not report it
 * @param unit of a number, e.g. "°C", "min"; empty for counts, codes and texts
 */
public record FieldSpan(String name, int offset, int length, Object value, String unit) {}

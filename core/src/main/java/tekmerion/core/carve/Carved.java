package tekmerion.core.carve;

/**
 * A file that was found by its content.
 *
 * @param extension without a dot
 * @param offset of its first byte on the source
 * @param bytes its length, by its own structure
 * @param checked what of it was checked, in words
 */
public record Carved(String extension, long offset, long bytes, String checked) {}

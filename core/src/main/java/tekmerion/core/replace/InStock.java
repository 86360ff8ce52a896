package tekmerion.core.replace;

/**
 * A part in stock, as far as somebody said what it is.
 *
 * @param kind "drive", "module", "battery" or another
 * @param bus of a drive, or the sort of memory; null if nobody said
 * @param form null if nobody said
 * @param bytes null if nobody said
 */
public record InStock(String kind, String model, String bus, String form, Long bytes) {}

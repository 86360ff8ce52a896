package tekmerion.core.drive.ata;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * What a raw value was read as.
 *
 * @param value in {@code unit}
 * @param rule which convention was used
 * @param also other numbers that were packed beside it, by name
 */
public record RawMeaning(long value, String unit, RawRule rule, Map<String, Long> also) {
  public RawMeaning {
    also = Collections.unmodifiableMap(new TreeMap<>(also));
  }
}

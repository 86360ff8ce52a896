package tekmerion.core.knowhow;

import java.util.List;
import java.util.Map;
import tekmerion.core.permit.Touch;
import tekmerion.core.ruling.Course;

/**
 * A piece of a ruling: what it costs and what it mends.
 *
 * @param course under which it is ruled
 * @param part what is replaced by it, as a word; empty if nothing is
 * @param minutes hands-on, then waiting
 * @param parts price of parts, in minutes of work
 * @param cures probability that it mends a cause for good, by cause
 */
public record Remedy(
    String id,
    String name,
    Course course,
    String part,
    List<Integer> minutes,
    Integer parts,
    Integer touch,
    Map<String, Double> cures) {
  public Remedy {
    part = part == null ? "" : part;
    minutes = List.copyOf(minutes);
    cures = Map.copyOf(cures);
  }

  public Touch touches() {
    return Touch.values()[touch];
  }
}

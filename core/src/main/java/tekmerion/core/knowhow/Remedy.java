package tekmerion.core.knowhow;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Map;
import tekmerion.core.decision.Course;
import tekmerion.core.permit.Invasiveness;

/**
 * A piece of a decision: what it costs and what it mends.
 *
 * @param course under which it is decided
 * @param part what is replaced by it, as a word; empty if nothing is
 * @param minutes hands-on, then waiting
 * @param setUp what of its hands-on minutes is spent to get there; null for nothing
 * @param parts price of parts, in minutes of work
 * @param owner minutes that its owner needs afterwards, with every file copied too: programs put in
 *     again, settings, logins, licences; null for none
 * @param cures probability that it mends a cause for good, by cause
 * @param doneBy moves that do what it does, beside one of its own id; null for none
 */
public record Remedy(
    String id,
    String name,
    Course course,
    String part,
    List<Integer> minutes,
    SetUp setUp,
    Integer parts,
    Invasiveness invasiveness,
    Integer owner,
    Map<String, Double> cures,
    List<String> doneBy) {
  /**
   * What has to be open before it can be done; another remedy that needs the same open finds it so.
   *
   * @param of e.g. the case, the frame of the panel
   */
  public record SetUp(String of, int minutes) {}

  public Remedy {
    part = part == null ? "" : part;
    owner = owner == null ? 0 : owner;
    minutes = List.copyOf(minutes);
    cures = Map.copyOf(cures);
    doneBy = doneBy == null ? List.of() : List.copyOf(doneBy);
  }

  /** Whether it brings the data to safety and mends nothing. */
  public boolean recoversOnly() {
    return course == Course.RECOVER_DATA && cures.isEmpty();
  }

  /** What is replaced, as a sort: "Power supply"; empty if nothing is. */
  public String partWords() {
    return part.isEmpty() ? "" : partWords(part);
  }

  /**
   * @param part as remedies name it
   */
  public static String partWords(String part) {
    return say("remedy.sort-of-part", "part", part.replace(' ', '_'));
  }

  /** Whether making this move is doing it. */
  public boolean isDoneBy(String move) {
    return move.equals(id) || doneBy.contains(move);
  }
}

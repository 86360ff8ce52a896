package tekmerion.core.weigh;

import java.util.LinkedHashSet;
import java.util.List;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.words.Sentences;

/**
 * Remedies in order, each only if the complaint is there after those before it, and what that is
 * expected to cost.
 *
 * @param remedies none means: nothing found, hand back
 * @param reached for each remedy, the probability that it is needed
 * @param minutes expected hands-on minutes, and waiting at its lower weight
 * @param parts expected price of parts, in minutes
 * @param owner expected minutes that the owner needs afterwards
 * @param comeback expected minutes of a comeback: its probability times its cost
 * @param data expected minutes of lost data
 * @param fails probability that the complaint is not mended
 */
public record Plan(
    List<Remedy> remedies,
    List<Double> reached,
    double minutes,
    double parts,
    double owner,
    double comeback,
    double data,
    double fails) {
  private static final double LIKELY = 0.5;

  public Plan {
    remedies = List.copyOf(remedies);
    reached = List.copyOf(reached);
  }

  /** The same, as dear as this by what nobody would do. */
  Plan costing(double comebackMinutes) {
    return new Plan(remedies, reached, minutes, parts, owner, comebackMinutes, data, fails);
  }

  public double cost() {
    return minutes + parts + owner + comeback + data;
  }

  /** As they are decided, each once: what is more likely needed than not. */
  public List<Course> courses() {
    if (remedies.isEmpty()) {
      return List.of(Course.NOTHING_FOUND);
    }
    LinkedHashSet<Course> courses = new LinkedHashSet<>();
    for (int i = 0; i < remedies.size(); i++) {
      if (isLikely(i)) {
        courses.add(remedies.get(i).course());
      }
    }
    return List.copyOf(courses);
  }

  /** "Recover the data, then replace the drive; if that does not end it, replace the board". */
  public String words() {
    if (remedies.isEmpty()) {
      return Course.NOTHING_FOUND.words();
    }
    StringBuilder words = new StringBuilder(remedies.get(0).name());
    for (int i = 1; i < remedies.size(); i++) {
      words
          .append(isLikely(i) ? ", then " : "; if that does not end it, ")
          .append(Sentences.lowerFirst(remedies.get(i).name()));
    }
    return words.toString();
  }

  private boolean isLikely(int remedy) {
    return reached.get(remedy) >= LIKELY;
  }
}

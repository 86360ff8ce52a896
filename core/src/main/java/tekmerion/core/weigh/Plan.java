package tekmerion.core.weigh;

import java.util.LinkedHashSet;
import java.util.List;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.words.Sentences;

/**
 * A combination of remedies in order, and what it is expected to cost.
 *
 * @param remedies none means: nothing found, hand back
 * @param minutes hands-on minutes, and waiting at its lower weight
 * @param parts price of parts, in minutes
 * @param comeback expected minutes of a comeback: its probability times its cost
 * @param data expected minutes of lost data
 * @param fails probability that the complaint is not mended
 */
public record Plan(
    List<Remedy> remedies,
    double minutes,
    double parts,
    double comeback,
    double data,
    double fails) {
  public Plan {
    remedies = List.copyOf(remedies);
  }

  public double cost() {
    return minutes + parts + comeback + data;
  }

  /** As they are decided, each once. */
  public List<Course> courses() {
    if (remedies.isEmpty()) {
      return List.of(Course.NOTHING_FOUND);
    }
    LinkedHashSet<Course> courses = new LinkedHashSet<>();
    remedies.forEach(remedy -> courses.add(remedy.course()));
    return List.copyOf(courses);
  }

  /** "Recover the data, then replace the drive". */
  public String words() {
    return remedies.isEmpty()
        ? Course.NOTHING_FOUND.words()
        : Sentences.inOrder(remedies.stream().map(Remedy::name).toList());
  }
}

package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.function.Function;
import java.util.function.IntToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
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
 * @param dataLost probability that data which is wanted is lost, whatever comes of the rest
 * @param fails probability that something known is left which brings the complaint
 * @param gone probability that the complaint is gone: nothing known is left, and it was nothing
 *     that nobody knows of
 */
public record Plan(
    List<Remedy> remedies,
    List<Double> reached,
    double minutes,
    double parts,
    double owner,
    double comeback,
    double data,
    double dataLost,
    double fails,
    double gone) {
  /** Id of the plan that does nothing. */
  public static final String HAND_BACK = "hand-back";

  private static final double LIKELY = 0.5;

  public Plan {
    remedies = List.copyOf(remedies);
    reached = List.copyOf(reached);
  }

  /** What it is known by among the plans of a job: its remedies in order. */
  public String id() {
    return remedies.isEmpty()
        ? HAND_BACK
        : remedies.stream().map(Remedy::id).collect(Collectors.joining("+"));
  }

  /** Expected hands-on minutes, none of waiting. */
  public double handsOnMinutes() {
    return sum(k -> reached.get(k) * handsOnMinutes(k));
  }

  /** Expected minutes in which nobody works on it. */
  public double waitingMinutes() {
    return sum(k -> reached.get(k) * remedies.get(k).minutes().get(1));
  }

  /** Hands-on minutes of one remedy here: less what one before it has open already. */
  public int handsOnMinutes(int place) {
    return remedies.get(place).minutes().get(0) - spentBefore(remedies, place);
  }

  /** Of the minutes of a remedy, those that one before it has spent to get there. */
  static int spentBefore(List<Remedy> remedies, int place) {
    Remedy.SetUp setUp = remedies.get(place).setUp();
    int spent = 0;
    for (int k = 0; k < place && setUp != null; k++) {
      Remedy.SetUp before = remedies.get(k).setUp();
      if (before != null && before.of().equals(setUp.of())) {
        spent = Math.max(spent, Math.min(before.minutes(), setUp.minutes()));
      }
    }
    return spent;
  }

  private double sum(IntToDoubleFunction each) {
    return IntStream.range(0, remedies.size()).mapToDouble(each).sum();
  }

  public double cost() {
    return minutes + parts + owner + comeback + data;
  }

  /** As they are decided, each once: what is more likely needed than not. */
  public List<Course> courses() {
    if (remedies.isEmpty()) {
      return List.of(Course.NOTHING_FOUND);
    }
    return likely().stream().map(Remedy::course).distinct().toList();
  }

  /** "Recover the data, then replace the drive; if that does not end it, replace the board". */
  public String words() {
    return words(Remedy::name);
  }

  /**
   * The same with other names.
   *
   * @param name of a remedy, with the part that it is for
   */
  public String words(Function<Remedy, String> name) {
    if (remedies.isEmpty()) {
      return Course.NOTHING_FOUND.words();
    }
    String words = name.apply(remedies.get(0));
    for (int i = 1; i < remedies.size(); i++) {
      words =
          say(
              isLikely(i) ? "words.then" : "weigh.if-that-does-not-end-it",
              "before",
              words,
              "next",
              Sentences.lowerFirst(name.apply(remedies.get(i))));
    }
    return words;
  }

  /** Its remedies that are likelier needed than not, in order. */
  public List<Remedy> likely() {
    return IntStream.range(0, remedies.size())
        .filter(this::isLikely)
        .mapToObj(remedies::get)
        .toList();
  }

  /** Whether a remedy is likelier needed than not. */
  public boolean isLikely(int remedy) {
    return reached.get(remedy) >= LIKELY;
  }
}

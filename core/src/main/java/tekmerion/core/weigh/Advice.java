package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.Permission;
import tekmerion.core.weigh.Weighing.Part;
import tekmerion.core.words.Sentences;

/**
 * What to do next, and what would be decided now.
 *
 * @param moves best first, locked ones after those that can be made
 * @param plans cheapest first, none that only adds to one before it; at most three
 * @param turns likeliest first; at most three
 * @param mayBeSigned whether the first plan may be, by what was found so far
 * @param names of remedies by id, with the part that each is for: "Replace drive A"
 */
public record Advice(
    List<Ranked> moves,
    List<Plan> plans,
    List<Turn> turns,
    boolean mayBeSigned,
    Map<String, String> names) {
  /** Minutes gained by a minute. */
  private static final double WORTH_ITS_MINUTES = 1;

  /** A plan that leaves less than this of the complaint needs no more looks for their own sake. */
  private static final double SETTLED = 0.05;

  /** Of a job that is ended. */
  public static final Advice NONE = new Advice(List.of(), List.of(), List.of(), true, Map.of());

  /** A plan with the parts that it is done to. */
  public String words(Plan plan) {
    return plan.words(remedy -> names.getOrDefault(remedy.id(), remedy.name()));
  }

  /**
   * Whether to decide now: no move that can be made gains as many minutes as it takes. Where a plan
   * is likely to end the complaint a bit counts less: there is nothing left that later moves could
   * make of it, but its owner is told which part it was.
   */
  public boolean enough() {
    return stop().enough();
  }

  /** The same with what it rests on. */
  public Stop stop() {
    Optional<Ranked> best =
        moves.stream().filter(r -> r.lock().isEmpty()).max(Comparator.comparingDouble(this::worth));
    if (best.isEmpty()) {
      return new Stop(true, say("weigh.there-is-no-open-test-left"), best, 0);
    }
    double cost = best.get().minutes();
    double saves = Math.max(0, worth(best.get()) * cost);
    String name = Sentences.lowerFirst(best.get().name());
    if (!mayBeSigned) {
      return new Stop(false, say("weigh.test-on-no-part-is-replaced", "name", name), best, saves);
    }
    if (worth(best.get()) < WORTH_ITS_MINUTES) {
      return new Stop(
          true,
          say(
              "weigh.no-open-test-is-worth-its",
              "cost",
              Math.round(cost),
              "floor",
              (long) Math.floor(saves)),
          best,
          saves);
    }
    return new Stop(
        false,
        say(
            "weigh.test-on-costs-min-and-saves",
            "best",
            best.get().name(),
            "cost",
            Math.round(cost),
            "saves",
            Math.round(saves)),
        best,
        saves);
  }

  private double worth(Ranked move) {
    boolean settled = !plans.isEmpty() && plans.get(0).fails() < SETTLED;
    return settled ? move.worthNow() : move.worth();
  }

  /**
   * Whether to stop testing.
   *
   * @param enough no open move is worth its minutes: decide
   * @param words the same in a sentence, with the best of them
   * @param best the open move that gains most for its minutes; none if there is none
   * @param saves minutes that it is expected to save, with what it tells for what comes after
   */
  public record Stop(boolean enough, String words, Optional<Ranked> best, double saves) {}

  /**
   * A move that could be made.
   *
   * @param bits what it would tell of what is at fault
   * @param savedMinutes what it is expected to save of the cost of decision now
   * @param minutes what it costs, waiting at a tenth, with what it takes to get there
   * @param worth per minute; the higher, the sooner
   * @param worthNow the same where the plan is settled
   * @param why in a plain sentence
   * @param lock why it cannot be made now, and what opens it; empty if it can
   * @param again whether it was made already, and what was seen is worth a second look
   */
  public record Ranked(
      Move move,
      Part part,
      double bits,
      double savedMinutes,
      double minutes,
      double worth,
      double worthNow,
      String why,
      Optional<Permission.Locked> lock,
      boolean again) {
    /** As it is put to somebody: a second look says that it is one. */
    public String name() {
      String name = move.named(part.name());
      return again ? say("weigh.once-more", "name", Sentences.lowerFirst(name)) : name;
    }

    /** Identity among the moves of a job. */
    public String id() {
      return move.id() + "@" + part.key();
    }
  }

  /**
   * A finding that would change the best plan.
   *
   * @param outcome as the technician would see it
   * @param chance that it is seen
   * @param plan what would be best then
   */
  public record Turn(Move move, Part part, String outcome, double chance, Plan plan) {}
}

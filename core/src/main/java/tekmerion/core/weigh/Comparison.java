package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Grounds.OfCause;
import tekmerion.core.weigh.Network.Instance;
import tekmerion.core.weigh.Weighing.Part;
import tekmerion.core.words.Sentences;

/**
 * Plans side by side, as somebody decides between them: the cheapest; then each time the cheapest
 * that does not do what those before it begin with; the best without a copy; and nothing at all.
 *
 * @param plans cheapest first; the first is the best
 * @param why what makes the first the best, in a sentence
 * @param remedies what a plan of one's own can be put together from
 * @param names of these by id, with the part that each is for: "Replace drive A"
 */
public record Comparison(
    List<Compared> plans, String why, List<Remedy> remedies, Map<String, String> names) {
  /** Rows that come by themselves. */
  private static final int SHOWN = 5;

  /** What ends the complaint less often than this is not named as another way. */
  private static final double MIN_HELP = 0.005;

  private static final double NAMED = 0.01;
  private static final int NAMED_CAUSES = 2;
  private static final int EXPLAINED_CAUSES = 5;

  public Comparison {
    plans = List.copyOf(plans);
    remedies = List.copyOf(remedies);
    names = Map.copyOf(names);
  }

  /** What is likely done by a plan of these remedies, with the parts that it is done to. */
  public String words(Plan plan) {
    List<String> likely =
        plan.likely().stream().map(r -> names.getOrDefault(r.id(), r.name())).toList();
    return likely.isEmpty() ? plan.words() : Sentences.inOrder(likely);
  }

  /**
   * One plan.
   *
   * @param words what it does, with the parts that it is done to: "Recover the data, then replace
   *     drive A"
   * @param onlyIf what it does only if that does not end the complaint; empty for nothing
   * @param against what it mends, likeliest first: "failing drive A, 99 in 100"; for a plan that
   *     mends nothing, what that means
   * @param steps what each of its remedies is called here: "Replace drive A"
   * @param gone probability that the complaint is gone, with the middle eight of ten draws of all
   *     priors, likelihoods and cures within their ranges
   * @param grounds how its numbers were made
   * @param own whether somebody put it together
   */
  public record Compared(
      Plan plan,
      String words,
      String onlyIf,
      String against,
      List<String> steps,
      Range gone,
      Grounds grounds,
      boolean own) {}

  /**
   * A probability with its range.
   *
   * @param low one of ten draws is below it, likewise high
   */
  public record Range(double low, double middle, double high) {}

  /**
   * The plans that can be decided now.
   *
   * @param data status of the data on the drives
   * @param own remedies of a plan that somebody put together, by id and in order; none for no such
   *     plan
   * @throws IllegalArgumentException if one of them is no remedy that can stand in a plan now, if
   *     one stands twice, or if more than three of them mend
   */
  public static Comparison of(
      KnowHow knowHow,
      Collection<String> families,
      List<Part> parts,
      List<Finding> findings,
      DataStatus data,
      Optional<List<String>> own) {
    Network network = Network.of(knowHow, families, parts, findings);
    Posterior faults = network.posterior(Plans.MIN_SHARE);
    Plans plans = new Plans(knowHow, network, faults, Mended.by(knowHow, network));
    return new Maker(network, faults, plans, Stake.of(data))
        .compare(own.map(plans.choices()::named));
  }

  /** Puts it together from what a weighing knows. */
  private static final class Maker {
    private final Network network;
    private final Posterior faults;
    private final Plans plans;
    private final Choices choices;
    private final Stake stake;
    private final Draws draws;
    private final RemedyNames names;

    Maker(Network network, Posterior faults, Plans plans, Stake stake) {
      this.network = network;
      this.faults = faults;
      this.plans = plans;
      this.choices = plans.choices();
      this.stake = stake;
      this.draws = new Draws(network, choices);
      this.names = new RemedyNames(network, faults);
    }

    /**
     * @param own remedies of a plan of one's own; none for no such plan
     */
    Comparison compare(Optional<List<Remedy>> own) {
      List<Plan> chosen = chosen();
      own.map(list -> plans.of(faults, stake, list))
          .filter(plan -> chosen.stream().noneMatch(c -> c.id().equals(plan.id())))
          .ifPresent(chosen::add);
      chosen.sort(Comparator.comparingDouble(Plan::cost));
      List<Compared> rows =
          chosen.stream()
              .map(
                  plan ->
                      new Compared(
                          plan,
                          words(plan),
                          Sentences.inOrder(names(plan, false)),
                          against(plan),
                          plan.remedies().stream().map(names::of).toList(),
                          draws.gone(plan),
                          grounds(plan),
                          own.filter(list -> isOf(plan, list)).isPresent()))
              .toList();
      return new Comparison(rows, why(rows), choices.all(), names.of(choices.all()));
    }

    private static boolean isOf(Plan plan, List<Remedy> list) {
      return plan.remedies().equals(list);
    }

    private List<Plan> chosen() {
      List<Plan> chosen = new ArrayList<>();
      for (Plan plan : plans.rank(faults, stake)) {
        if (chosen.size() < SHOWN
            && Double.isFinite(plan.cost())
            && (chosen.isEmpty() || !mends(plan) || plan.gone() >= MIN_HELP)
            && chosen.stream().noneMatch(c -> isAnotherFormOf(plan, c))) {
          chosen.add(plan);
        }
      }
      Plan best = chosen.get(0);
      List<Remedy> mends = best.remedies().stream().filter(r -> !choices.isRecovery(r)).toList();
      if (!mends.isEmpty() && recovers(best)) {
        add(chosen, plans.of(faults, stake, mends)); // the same without its copy
      }
      add(chosen, plans.of(faults, stake, List.of()));
      return chosen;
    }

    /** Whether it is likelier than not that the data is recovered in it. */
    private boolean recovers(Plan plan) {
      return IntStream.range(0, plan.remedies().size())
          .anyMatch(k -> plan.isLikely(k) && choices.isRecovery(plan.remedies().get(k)));
    }

    private boolean mends(Plan plan) {
      return first(plan).isPresent();
    }

    private static void add(List<Plan> chosen, Plan plan) {
      if (chosen.stream().noneMatch(c -> c.id().equals(plan.id()))) {
        chosen.add(plan);
      }
    }

    /** Whether it does what the other does first as well, sooner or later. */
    private boolean isAnotherFormOf(Plan plan, Plan other) {
      return first(other).map(plan.remedies()::contains).orElse(plan.remedies().isEmpty());
    }

    private Optional<Remedy> first(Plan plan) {
      return plan.remedies().stream().filter(r -> !choices.isRecovery(r)).findFirst();
    }

    /** Its remedies that are likelier needed than not, or those that are not. */
    private List<String> names(Plan plan, boolean likely) {
      return IntStream.range(0, plan.remedies().size())
          .filter(k -> plan.isLikely(k) == likely)
          .mapToObj(k -> names.of(plan.remedies().get(k)))
          .toList();
    }

    private String words(Plan plan) {
      return plan.remedies().isEmpty() ? plan.words() : Sentences.inOrder(names(plan, true));
    }

    private String against(Plan plan) {
      if (plan.remedies().isEmpty()) {
        return say("weigh.nothing-is-changed");
      }
      List<Integer> causes = names.likeliest(plan.remedies());
      if (causes.isEmpty()) {
        return say("weigh.nothing-is-mended-it-goes-on");
      }
      return say(
          "weigh.against",
          "causes",
          causes.stream()
              .limit(NAMED_CAUSES)
              .map(i -> network.instances().get(i))
              .map(this::chance)
              .collect(Collectors.joining(", ")));
    }

    private Grounds grounds(Plan plan) {
      List<OfCause> causes =
          IntStream.range(0, network.instances().size())
              .filter(c -> faults.probability()[c] >= NAMED)
              .boxed()
              .sorted(Comparator.comparingDouble((Integer c) -> -faults.probability()[c]))
              .limit(EXPLAINED_CAUSES)
              .map(c -> new OfCause(named(c), faults.probability()[c], ended(plan, c)))
              .toList();
      double[] lost = plans.lost(faults, plan);
      double copied = Math.min(lost[DataRisk.COPIED_FIRST], lost[DataRisk.COPIED_BEFORE_RISK]);
      double wanted = stake.wanted();
      return new Grounds(causes, faults.none(), wanted * lost[DataRisk.UNCOPIED], wanted * copied);
    }

    /** With its part, where there may be more than one of them. */
    private String named(int cause) {
      Instance instance = network.instances().get(cause);
      return "%s (%s)"
          .formatted(instance.cause().name(), Sentences.lowerFirst(instance.part().name()));
    }

    /** That all of a plan ends a cause that is there. */
    private double ended(Plan plan, int cause) {
      return 1
          - plan.remedies().stream()
              .mapToDouble(remedy -> 1 - choices.cure(remedy, cause))
              .reduce(1, (one, other) -> one * other);
    }

    private String chance(Instance instance) {
      double p = faults.probability()[network.instances().indexOf(instance)];
      return "%s %s"
          .formatted(
              instance.cause().name().toLowerCase(Locale.ROOT),
              p > 0.99 ? ">99" : p < NAMED ? "<1" : Long.toString(Math.round(100 * p)));
    }

    /** Against the runner-up, by what differs most. */
    private String why(List<Compared> rows) {
      if (rows.size() < 2) {
        return say("weigh.nothing-else-was-found-that-could");
      }
      Plan best = rows.get(0).plan();
      Plan next = rows.get(1).plan();
      String than = say("words.quoted", "text", rows.get(1).words());
      double gone = best.gone() - next.gone();
      double lost = next.dataLost() - best.dataLost();
      long minutes = Math.round(next.cost() - best.cost());
      if (minutes < 1) {
        return say("weigh.this-plan-and-are-nearly-equal", "than", than);
      }
      String saves = say("weigh.it-saves-minutes-of-work-comebacks", "minutes", minutes);
      if (gone >= NAMED && gone >= lost) {
        return say(
            "weigh.this-plan-ends-the-complaint-in",
            "gone",
            Math.round(100 * gone),
            "than",
            than,
            "saves",
            saves);
      }
      if (lost >= NAMED) {
        return say(
            "weigh.this-plan-loses-data-in-fewer",
            "lost",
            Math.round(100 * lost),
            "than",
            than,
            "saves",
            saves);
      }
      return say("weigh.this-plan-costs-minutes-of-work", "minutes", minutes, "than", than);
    }
  }
}

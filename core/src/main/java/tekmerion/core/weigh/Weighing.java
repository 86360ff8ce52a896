package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import tekmerion.core.decision.Course;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Network.Counted;
import tekmerion.core.weigh.Network.Instance;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighed.FindingWeight;

/** Weighs the findings of one job. */
public final class Weighing {
  private static final double MIN_DECIBANS_SHOWN = 0.05;
  private static final double MIN_RATIO_SHOWN = Math.pow(10, MIN_DECIBANS_SHOWN / 10);

  /** For what is shown in hundredths of a bit. */
  private static final double MIN_SHARE = 1e-6;

  private final Network network;
  private final Posterior posterior;
  private final LeftOut without;
  private final double[] blame;
  private final double[] prior;

  /** A part that causes can be attached to. */
  public record Part(String key, String kind, String name) {
    /** Kind of a part that is a drive. */
    public static final String DRIVE = "drive";

    static Part wholeMachine() {
      return new Part(Finding.MACHINE, Cause.WHOLE_MACHINE, say("weigh.the-machine"));
    }
  }

  private Weighing(Network network) {
    this.network = network;
    this.prior = network.shares();
    this.posterior = network.posterior();
    this.without = LeftOut.of(posterior);
    this.blame = network.complaint().blame(posterior);
  }

  /**
   * @param families ids of the complaint families; if several hold, a cause has the highest of its
   *     priors in them
   * @param parts the machine's parts
   * @param findings at most one per kind and part; later ones of the same kind replace earlier ones
   * @throws IllegalArgumentException if a finding or a level is not in the know-how
   */
  public static Weighed of(
      KnowHow knowHow, Collection<String> families, List<Part> parts, List<Finding> findings) {
    return of(knowHow, families, parts, findings, DataStatus.NOT_ASKED);
  }

  /**
   * @param dataStatus of the data on the drives, which the plan that it leans to depends on
   */
  public static Weighed of(
      KnowHow knowHow,
      Collection<String> families,
      List<Part> parts,
      List<Finding> findings,
      DataStatus dataStatus) {
    Network network = Network.of(knowHow, families, parts, findings);
    Weighing weighing = new Weighing(network);
    return weighing.result(knowHow, Stake.of(dataStatus));
  }

  /**
   * How much each question would tell, as things stand: the mutual information between what is at
   * fault and the levels of the question's findings, which are independent given the fault.
   *
   * @param questions findings that each question asks for, by its id; findings already known are
   *     left out
   * @return bits, at least 0, by question id
   * @see "Shannon, C. E.: A mathematical theory of communication, section 12 (1948)"
   */
  public static Map<String, Double> bits(
      KnowHow knowHow,
      Collection<String> families,
      List<Part> parts,
      List<Finding> findings,
      Map<String, ? extends Collection<String>> questions) {
    Network network = Network.of(knowHow, families, parts, findings);
    Set<String> known = findings.stream().map(Finding::id).collect(Collectors.toSet());
    Posterior faults = network.posterior(MIN_SHARE);
    Map<String, Double> bits = new HashMap<>();
    questions.forEach(
        (question, asked) -> {
          List<List<Observation>> open =
              asked.stream()
                  .filter(id -> !known.contains(id))
                  .map(id -> network.levelsOf(id, Finding.MACHINE))
                  .toList();
          bits.put(question, Information.bits(faults, open));
        });
    return bits;
  }

  private Weighed result(KnowHow knowHow, Stake stake) {
    List<CauseShare> shares = new ArrayList<>();
    for (int i = 0; i < network.instances().size(); i++) {
      shares.add(share(i));
    }
    List<CauseShare> all = List.copyOf(shares);
    shares.sort(Comparator.comparingDouble(CauseShare::probability).reversed());
    IntStream.range(0, blame.length)
        .boxed()
        .max(Comparator.comparingDouble(i -> blame[i]))
        .map(number -> all.get(number))
        .ifPresent(
            first -> {
              shares.remove(first);
              shares.add(0, first);
            });
    Conflict conflict = Conflict.of(network, posterior, without);
    return new Weighed(
        Headline.of(inOrder(shares), shares, posterior.none()),
        network.counted().size(),
        shares,
        posterior.none(),
        conflict.bits(),
        conflict.words(),
        leaning(shares, knowHow, stake));
  }

  private CauseShare share(int i) {
    Instance instance = network.instances().get(i);
    double probability = posterior.probability()[i];
    double all = decibans(probability);
    boolean anyFinding = false;
    List<FindingWeight> weights = new ArrayList<>();
    for (int o = 0; o < network.counted().size(); o++) {
      Counted one = network.counted().get(o);
      boolean bears = one.observation().bearsOn(i);
      if (!bears && isAsBefore(probability, without.probability()[o][i])) {
        continue;
      }
      double decibans = all - decibans(without.probability()[o][i]);
      anyFinding |= bears;
      if (bears || Math.abs(decibans) >= MIN_DECIBANS_SHOWN) {
        weights.add(new FindingWeight(one.finding(), decibans, bears, "", one.kind().source()));
      }
    }
    network
        .countedBy()
        .forEach(
            (finding, by) -> {
              if (network.kindOf(finding).links().containsKey(instance.cause().id())
                  && (instance.part().key().equals(finding.part())
                      || instance.cause().isOfWholeMachine())) {
                weights.add(
                    new FindingWeight(
                        finding, 0, true, by.words(), network.kindOf(finding).source()));
              }
            });
    weights.sort(
        Comparator.comparingDouble((FindingWeight w) -> Math.abs(w.decibans())).reversed());
    return new CauseShare(
        instance.cause().id(),
        instance.part().key(),
        instance.cause().name(),
        instance.part().name(),
        instance.cause().place(),
        isBehind(i),
        prior[i],
        probability,
        Suspicion.of(probability, anyFinding),
        weights.stream().mapToDouble(FindingWeight::decibans).filter(d -> d > 0).sum(),
        weights.stream().mapToDouble(FindingWeight::decibans).filter(d -> d < 0).sum(),
        weights);
  }

  /** Whether it brings such complaints, or is likelier than not what brought this one. */
  private boolean isBehind(int i) {
    return network.isBehindComplaint(i) || blame[i] > posterior.probability()[i] / 2;
  }

  /** Whether two probabilities differ by less than what is shown; needs no logarithm. */
  private static boolean isAsBefore(double p, double q) {
    double a = p * (1 - q);
    double b = q * (1 - p);
    return a < b * MIN_RATIO_SHOWN && b < a * MIN_RATIO_SHOWN;
  }

  private List<Cause> inOrder(List<CauseShare> shares) {
    Map<String, Cause> byId = new HashMap<>();
    network.instances().forEach(i -> byId.put(i.cause().id(), i.cause()));
    return shares.stream().map(share -> byId.get(share.cause())).toList();
  }

  /** Of the cheapest plan, once some cause leans. */
  private List<Course> leaning(List<CauseShare> shares, KnowHow knowHow, Stake stake) {
    if (shares.isEmpty() || shares.get(0).suspicion().compareTo(Suspicion.LEANING) < 0) {
      return List.of();
    }
    Posterior faults = posterior.heavy(Plans.MIN_SHARE);
    Plans plans = new Plans(knowHow, network, faults, Mended.by(knowHow, network));
    return plans.best(faults, stake).courses();
  }

  /** Log-odds in decibans: 10·log10(p / (1 − p)). */
  private static double decibans(double p) {
    double held = Math.min(Math.max(p, 1e-15), 1 - 1e-15);
    return 10 * (Math.log10(held) - Math.log10(1 - held));
  }
}

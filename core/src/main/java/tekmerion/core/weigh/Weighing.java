package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.SignKind;
import tekmerion.core.ruling.Course;
import tekmerion.core.sign.Sign;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighed.SignWeight;

/**
 * Weighs the signs of one job. Each cause stands once for every part of its kind; a sign of a part
 * bears on that part's causes and on those of the whole machine.
 */
public final class Weighing {
  private static final double LEAST_DECIBANS_SHOWN = 0.05;

  private final KnowHow knowHow;
  private final Collection<String> families;
  private final List<Instance> instances = new ArrayList<>();
  private final List<Counted> counted = new ArrayList<>();
  private final Map<Sign, Sign> countedBy = new HashMap<>();

  /** A part that causes can be attached to. */
  public record Part(String key, String kind, String name) {}

  private record Instance(Cause cause, Part part) {}

  private record Counted(Sign sign, SignKind kind, Observation observation) {}

  private Weighing(KnowHow knowHow, Collection<String> families) {
    this.knowHow = knowHow;
    this.families = families;
  }

  /**
   * @param families ids of the complaint families; if several hold, a cause has the highest of its
   *     priors in them
   * @param parts the machine's parts
   * @param signs at most one per kind and part; later ones of the same kind replace earlier ones
   * @throws IllegalArgumentException if a sign or a level is not in the know-how
   */
  public static Weighed of(
      KnowHow knowHow, Collection<String> families, List<Part> parts, List<Sign> signs) {
    return ready(knowHow, families, parts, signs).result();
  }

  /**
   * How much each question would tell, as things stand: the mutual information between what is at
   * fault and the levels of the question's signs, which are independent given the fault.
   *
   * @param questions signs that each question asks for, by its id; signs already known are left out
   * @return bits, at least 0, by question id
   * @see "Shannon, C. E.: A mathematical theory of communication, section 12 (1948)"
   */
  public static Map<String, Double> bits(
      KnowHow knowHow,
      Collection<String> families,
      List<Part> parts,
      List<Sign> signs,
      Map<String, ? extends Collection<String>> questions) {
    Weighing weighing = ready(knowHow, families, parts, signs);
    Set<String> known = signs.stream().map(Sign::id).collect(Collectors.toSet());
    Posterior faults = Posterior.of(weighing.priors(), weighing.observations());
    Map<String, Double> bits = new HashMap<>();
    questions.forEach(
        (question, asked) -> {
          List<List<Observation>> open =
              asked.stream().filter(id -> !known.contains(id)).map(weighing::levelsOf).toList();
          bits.put(question, Information.bits(faults, open));
        });
    return bits;
  }

  private static Weighing ready(
      KnowHow knowHow, Collection<String> families, List<Part> parts, List<Sign> signs) {
    Weighing weighing = new Weighing(knowHow, families);
    weighing.place(parts);
    weighing.count(signs);
    return weighing;
  }

  private double[] priors() {
    return instances.stream().mapToDouble(i -> i.cause().priorIn(families)).toArray();
  }

  private List<Observation> observations() {
    return counted.stream().map(Counted::observation).toList();
  }

  /** What would be seen if a sign of the whole machine were at each of its levels. */
  private List<Observation> levelsOf(String sign) {
    SignKind kind =
        knowHow.sign(sign).orElseThrow(() -> new IllegalArgumentException("no sign " + sign));
    return kind.levels().stream()
        .map(
            level ->
                ready(new Sign(sign, Sign.MACHINE, level, sign, Sign.Basis.intake())).observation())
        .toList();
  }

  private void place(List<Part> parts) {
    Part whole = new Part(Sign.MACHINE, Cause.WHOLE_MACHINE, "the machine");
    for (Cause cause : knowHow.causes()) {
      if (cause.isOfWholeMachine()) {
        instances.add(new Instance(cause, whole));
      }
      parts.stream()
          .filter(part -> part.kind().equals(cause.partKind()))
          .forEach(part -> instances.add(new Instance(cause, part)));
    }
  }

  /** Of each group on each part only the sign that tells most is counted. */
  private void count(List<Sign> signs) {
    Map<String, Sign> latest = new HashMap<>();
    List<Sign> inOrder = new ArrayList<>();
    for (Sign sign : signs) {
      Sign before = latest.put(sign.id() + "@" + sign.part(), sign);
      inOrder.remove(before);
      inOrder.add(sign);
    }
    Map<String, Counted> best = new HashMap<>();
    for (Sign sign : inOrder) {
      Counted candidate = ready(sign);
      best.merge(candidate.kind().group() + "@" + sign.part(), candidate, this::stronger);
    }
    for (Sign sign : inOrder) {
      Counted winner = best.get(kindOf(sign).group() + "@" + sign.part());
      if (winner.sign().equals(sign)) {
        counted.add(winner);
      } else {
        countedBy.put(sign, winner.sign());
      }
    }
  }

  private Counted stronger(Counted a, Counted b) {
    return b.observation().strength() > a.observation().strength() ? b : a;
  }

  private Counted ready(Sign sign) {
    SignKind kind = kindOf(sign);
    int level =
        kind.levelIndex(sign.level())
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "sign %s has no level %s".formatted(sign.id(), sign.level())));
    double[][] links = new double[instances.size()][];
    for (int i = 0; i < links.length; i++) {
      Instance at = instances.get(i);
      boolean reaches =
          sign.part().equals(Sign.MACHINE)
              || at.cause().isOfWholeMachine()
              || at.part().key().equals(sign.part());
      List<Double> link = kind.links().get(at.cause().id());
      links[i] = reaches && link != null ? toArray(link) : null;
    }
    return new Counted(sign, kind, new Observation(level, toArray(kind.leak()), links));
  }

  private SignKind kindOf(Sign sign) {
    return knowHow
        .sign(sign.id())
        .orElseThrow(() -> new IllegalArgumentException("no sign " + sign.id()));
  }

  private Weighed result() {
    double[] prior = priors();
    Posterior posterior = Posterior.of(prior, observations());
    double[][] without = posterior.without();
    List<CauseShare> shares = new ArrayList<>();
    for (int i = 0; i < instances.size(); i++) {
      shares.add(share(i, prior[i], posterior, without));
    }
    shares.sort(Comparator.comparingDouble(CauseShare::probability).reversed());
    return new Weighed(
        Headline.of(instancesByShare(shares), shares, posterior.none()),
        counted.size(),
        shares,
        posterior.none(),
        leaning(shares));
  }

  private CauseShare share(int i, double prior, Posterior posterior, double[][] without) {
    Instance instance = instances.get(i);
    double probability = posterior.probability()[i];
    boolean anySign = false;
    List<SignWeight> weights = new ArrayList<>();
    for (int o = 0; o < counted.size(); o++) {
      Counted one = counted.get(o);
      double decibans = decibans(probability) - decibans(without[o][i]);
      boolean bears = one.observation().bearsOn(i);
      anySign |= bears;
      if (bears || Math.abs(decibans) >= LEAST_DECIBANS_SHOWN) {
        weights.add(new SignWeight(one.sign(), decibans, bears, "", one.kind().source()));
      }
    }
    countedBy.forEach(
        (sign, by) -> {
          if (kindOf(sign).links().containsKey(instance.cause().id())
              && (instance.part().key().equals(sign.part())
                  || instance.cause().isOfWholeMachine())) {
            weights.add(new SignWeight(sign, 0, true, by.words(), kindOf(sign).source()));
          }
        });
    weights.sort(Comparator.comparingDouble((SignWeight w) -> Math.abs(w.decibans())).reversed());
    return new CauseShare(
        instance.cause().id(),
        instance.part().key(),
        instance.cause().name(),
        instance.part().name(),
        instance.cause().place(),
        prior,
        probability,
        Tilt.of(probability, anySign),
        weights.stream().mapToDouble(SignWeight::decibans).filter(d -> d > 0).sum(),
        weights.stream().mapToDouble(SignWeight::decibans).filter(d -> d < 0).sum(),
        weights);
  }

  private List<Cause> instancesByShare(List<CauseShare> shares) {
    return shares.stream()
        .map(
            share ->
                instances.stream()
                    .map(Instance::cause)
                    .filter(cause -> cause.id().equals(share.cause()))
                    .findFirst()
                    .orElseThrow())
        .toList();
  }

  private List<Course> leaning(List<CauseShare> shares) {
    if (shares.isEmpty() || shares.get(0).tilt().compareTo(Tilt.LEANING) < 0) {
      return List.of();
    }
    return instancesByShare(shares).get(0).courses();
  }

  /** Log-odds in decibans: 10·log10(p / (1 − p)). */
  private static double decibans(double p) {
    double held = Math.min(Math.max(p, 1e-15), 1 - 1e-15);
    return 10 * (Math.log10(held) - Math.log10(1 - held));
  }

  private static double[] toArray(List<Double> values) {
    return values.stream().mapToDouble(Double::doubleValue).toArray();
  }
}

package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.weigh.Weighing.Part;

/**
 * The causes of one machine and what was seen of them, ready to be counted. Each cause stands once
 * for every part of its kind; a finding of a part bears on that part's causes and on those of the
 * whole machine.
 */
final class Network {
  /** Judgement: one machine in ten has two causes of what its owner complains of. */
  private static final double BEFORE_COMPLAINT = 0.2;

  /** Judgement: a machine in thirty comes with nothing that we know. */
  private static final double UNEXPLAINED = 0.01;

  /**
   * Judgement, range a half to double: that a cause which the complaint's family does not list
   * makes an owner come with it all the same.
   */
  private static final double IN_OTHER_WORDS = 0.05;

  /** What is left of a cause of another kind of machine, if the kind is named wrongly. */
  private static final double OF_ANOTHER_KIND = 0.005;

  /**
   * Judgement, range half to double: of what people see and type by hand so much is wrong, whatever
   * it is. One slip must not outweigh three findings that agree.
   */
  private static final double SLIP = 0.02;

  /** Judgement, range half to double: the same of what owners remember and put in words. */
  private static final double MISTOLD = 0.03;

  private final KnowHow knowHow;
  private final Collection<String> families;
  private final List<Instance> instances = new ArrayList<>();

  /** Where each cause stands among the instances, by its id. */
  private final Map<String, List<Integer>> numbersOf = new HashMap<>();

  private final List<Counted> counted = new ArrayList<>();
  private final Map<Finding, Finding> countedBy = new HashMap<>();
  private final Map<String, Finding> known = new HashMap<>();

  /** Of what was looked for by hand, each look in its order, by finding and part. */
  private final Map<String, List<Finding>> looks = new HashMap<>();

  /** A cause of one part. */
  record Instance(Cause cause, Part part) {}

  /** A finding that is counted. */
  record Counted(Finding finding, FindingKind kind, Observation observation) {}

  private Network(KnowHow knowHow, Collection<String> families) {
    this.knowHow = knowHow;
    this.families = families;
  }

  /**
   * @param families ids of the complaint families; if several hold, a cause has the highest of its
   *     priors in them
   * @param findings later ones of the same kind and part replace earlier ones, but what was looked
   *     for by hand is counted by every look
   * @throws IllegalArgumentException if a finding or a level is not in the know-how
   */
  static Network of(
      KnowHow knowHow, Collection<String> families, List<Part> parts, List<Finding> findings) {
    Network network = new Network(knowHow, families);
    network.place(parts);
    network.count(findings);
    return network;
  }

  List<Instance> instances() {
    return instances;
  }

  List<Counted> counted() {
    return counted;
  }

  /** Findings that are not counted, each with the finding of its group that is. */
  Map<Finding, Finding> countedBy() {
    return countedBy;
  }

  /** The level that stands for a finding of a part. */
  Optional<String> level(String finding, String part) {
    return Optional.ofNullable(known.get(finding + "@" + part)).map(Finding::level);
  }

  /** The level that stands for a finding of whatever part. */
  Optional<String> level(String finding) {
    return known.values().stream()
        .filter(one -> one.id().equals(finding))
        .map(Finding::level)
        .findFirst();
  }

  /** Among machines that come with these complaints, the share that has each cause. */
  double[] shares() {
    return instances.stream().mapToDouble(i -> i.cause().priorIn(families)).toArray();
  }

  /**
   * Of each cause before anybody complained: as shares, but rarer as a whole, so that two causes
   * behind one complaint stay the exception that they are.
   */
  double[] priors() {
    double[] priors = shares();
    Optional<String> kind = machineKind();
    for (int i = 0; i < priors.length; i++) {
      priors[i] *= !families.isEmpty() && isBehindComplaint(i) ? BEFORE_COMPLAINT : 1;
      priors[i] *= instances.get(i).cause().fitsKind(kind) ? 1 : OF_ANOTHER_KIND;
    }
    return priors;
  }

  /** Level of the finding that names the kind of machine. */
  Optional<String> machineKind() {
    return level(FindingKind.MACHINE_KIND, Finding.MACHINE);
  }

  /** What the complaint itself tells. */
  Complaint complaint() {
    if (families.isEmpty()) {
      return Complaint.NONE;
    }
    double[] brings = new double[instances.size()];
    for (int i = 0; i < brings.length; i++) {
      brings[i] = isBehindComplaint(i) ? 1 : IN_OTHER_WORDS;
    }
    return new Complaint(brings, UNEXPLAINED);
  }

  /**
   * Whether a cause is one of those that bring such complaints: it has a prior of its own for one
   * of them. Others may be there as well, but seldom did anybody come because of them.
   */
  boolean isBehindComplaint(int number) {
    Cause cause = instances.get(number).cause();
    return families.isEmpty() || families.stream().anyMatch(cause.prior()::containsKey);
  }

  List<Observation> observations() {
    return counted.stream().map(Counted::observation).toList();
  }

  Posterior posterior() {
    return Posterior.of(priors(), observations(), complaint());
  }

  /** Of fault sets that have at least this share. */
  Posterior posterior(double least) {
    return Posterior.heavy(priors(), observations(), complaint(), least);
  }

  /** What would be seen if a finding were at each of its levels. */
  List<Observation> levelsOf(String finding, String part) {
    FindingKind kind =
        knowHow
            .finding(finding)
            .orElseThrow(() -> new IllegalArgumentException("no finding " + finding));
    return kind.levels().stream()
        .map(
            level ->
                ready(new Finding(finding, part, level, finding, Finding.Basis.intake()))
                    .observation())
        .toList();
  }

  private void place(List<Part> parts) {
    Part whole = Part.wholeMachine();
    for (Cause cause : knowHow.causes()) {
      if (cause.isOfWholeMachine()) {
        instances.add(new Instance(cause, whole));
      }
      parts.stream()
          .filter(part -> part.kind().equals(cause.partKind()))
          .forEach(part -> instances.add(new Instance(cause, part)));
    }
    for (int i = 0; i < instances.size(); i++) {
      numbersOf.computeIfAbsent(instances.get(i).cause().id(), id -> new ArrayList<>()).add(i);
    }
  }

  /** Of each group on each part only the finding that tells most is counted. */
  private void count(List<Finding> findings) {
    List<Finding> inOrder = new ArrayList<>();
    for (Finding finding : findings) {
      Finding before = known.put(key(finding), finding);
      if (before != null) {
        inOrder.remove(before);
      }
      inOrder.add(finding);
      if (finding.basis().wasByHand() && knowHow.isSeenByHand(finding.id())) {
        looks.computeIfAbsent(key(finding), k -> new ArrayList<>()).add(finding);
      } else {
        looks.remove(key(finding)); // what a program read stands above what was looked for
      }
    }
    Map<String, Counted> best = new HashMap<>();
    for (Finding finding : inOrder) {
      Counted candidate = ready(finding);
      best.merge(candidate.kind().group() + "@" + finding.part(), candidate, Network::stronger);
    }
    for (Finding finding : inOrder) {
      Counted winner = best.get(kindOf(finding).group() + "@" + finding.part());
      if (winner.finding().equals(finding)) {
        counted.add(winner);
      } else {
        countedBy.put(finding, winner.finding());
      }
    }
  }

  private static String key(Finding finding) {
    return finding.id() + "@" + finding.part();
  }

  private static Counted stronger(Counted a, Counted b) {
    return b.observation().strength() > a.observation().strength() ? b : a;
  }

  private Counted ready(Finding finding) {
    FindingKind kind = kindOf(finding);
    return new Counted(finding, kind, observation(finding, kind));
  }

  /** The same finding with other likelihoods. */
  Observation observation(Finding finding, FindingKind kind) {
    return new Observation(allTold(finding, kind), array(kind.leak()), links(finding, kind));
  }

  /** Every look of it by hand, first one first; none if it was not looked for by hand. */
  private List<Finding> looks(Finding finding) {
    return looks.getOrDefault(key(finding), List.of());
  }

  /** Whether it was looked for by hand once, or twice with another outcome. */
  boolean isUnsure(String finding, String part) {
    return looks.getOrDefault(finding + "@" + part, List.of()).size() == 1
        || differs(finding, part);
  }

  /** Whether it was looked for by hand twice, with another outcome each time. */
  boolean differs(String finding, String part) {
    List<Finding> seen = looks.getOrDefault(finding + "@" + part, List.of());
    return seen.size() == 2 && !seen.get(0).level().equals(seen.get(1).level());
  }

  /** What would be told if it was looked for once more, by level. */
  List<Observation> levelsAgain(String finding, String part) {
    Finding last = known.get(finding + "@" + part);
    FindingKind kind = kindOf(last);
    double[] leak = array(kind.leak());
    double[][] links = links(last, kind);
    double[] soFar = allTold(last, kind);
    Observation first = new Observation(soFar, leak, links);
    return kind.levels().stream()
        .map(
            level -> {
              double[] next = telling(kind).once(indexOf(kind, level), leak.length);
              return Observation.again(first, Told.both(soFar, next), leak, links);
            })
        .toList();
  }

  /** By this finding and every look before it. */
  private double[] allTold(Finding finding, FindingKind kind) {
    double[] all = told(finding, kind);
    for (Finding look : looks(finding)) {
      all = look == finding ? all : Told.both(told(look, kind), all);
    }
    return all;
  }

  private double[] told(Finding finding, FindingKind kind) {
    return telling(kind).once(indexOf(kind, finding.level()), kind.levels().size());
  }

  private static int indexOf(FindingKind kind, String level) {
    return kind.levelIndex(level)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "finding %s has no level %s".formatted(kind.id(), level)));
  }

  private Told telling(FindingKind kind) {
    double slip =
        knowHow.isSeenByHand(kind.id()) ? SLIP : knowHow.isSaidByOwner(kind.id()) ? MISTOLD : 0;
    OptionalInt gone =
        Recurrence.isOfIt(kind.id())
            ? OptionalInt.empty()
            : knowHow
                .goneLevel(kind.id())
                .map(word -> OptionalInt.of(indexOf(kind, word)))
                .orElse(OptionalInt.empty());
    return new Told(slip, gone, gone.isPresent() ? Recurrence.missed(this) : 0);
  }

  private double[][] links(Finding finding, FindingKind kind) {
    double[][] links = new double[instances.size()][];
    kind.links()
        .forEach(
            (cause, link) -> {
              for (int i : numbersOf.getOrDefault(cause, List.of())) {
                Instance at = instances.get(i);
                boolean reaches =
                    finding.part().equals(Finding.MACHINE)
                        || at.cause().isOfWholeMachine()
                        || at.part().key().equals(finding.part());
                links[i] = reaches ? array(link) : null;
              }
            });
    return links;
  }

  private static double[] array(List<Double> values) {
    return values.stream().mapToDouble(Double::doubleValue).toArray();
  }

  FindingKind kindOf(Finding finding) {
    return knowHow
        .finding(finding.id())
        .orElseThrow(() -> new IllegalArgumentException("no finding " + finding.id()));
  }
}

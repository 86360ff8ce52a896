package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import tekmerion.core.decision.Course;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.core.weigh.Weighing.Part;

/**
 * Which move is worth making next: what it would tell, and what it would save of the expected cost
 * of decision now, for its minutes, less what it risks of the data. The order of work (gentle
 * first, hardware before system, big things first) is not written anywhere: it comes out of
 * minutes, invasiveness, risk and priors.
 *
 * <p>The saving is the expected value of sample information: the cost of the best plan now, less
 * the expectation over the outcomes of the cost of the best plan then. A move with several findings
 * is counted with those that tell most together, up to {@value #MAX_COMBINATIONS} combinations; the
 * rest can only add.
 *
 * @see "Raiffa & Schlaifer: Applied statistical decision theory, 1961, section 4.3"
 * @see "Heckerman, Breese & Rommelse: Decision-theoretic troubleshooting, CACM 38(3), 1995"
 */
public final class NextMoves {
  /** What a bit is worth beside what it saves at once: it also makes later moves worth more. */
  private static final double MINUTES_PER_BIT = 60;

  /**
   * What a bit is worth where the plan is settled: its owner is told which part it was, and the
   * first remedy is the right one. Judgement, range half to double.
   */
  private static final double NAMED_MINUTES_PER_BIT = 25;

  /** A second look at the same is not for its own sake. */
  private static final double WORTH_ANOTHER_LOOK = 1;

  /** To go back to what was put away. */
  private static final double BACK_TO_IT_MINUTES = 2;

  private static final int MAX_COMBINATIONS = 81;

  /** To ask for something and to read what came takes a minute too. */
  private static final double MIN_MINUTES = 1;

  /** To reach a drive in a machine that does not start it goes into a dock first. */
  private static final int DOCKING_MINUTES = 12;

  /** A stranger's machine is started into the probe once: cables, firmware's start order. */
  private static final int REACHING_MINUTES = 7;

  private static final double MIN_BITS = 4e-3;
  private static final double LIKELY = 0.1;
  private static final int SHOWN = 3;

  private final KnowHow knowHow;
  private final Network network;
  private final Posterior faults;
  private final Plans plans;
  private final Expected expected;
  private final MoveLocks locks;
  private final Stake stake;
  private final Situation at;
  private final List<Part> parts;
  private final double now;
  private final MoveRisk risk;
  private final Optional<Move> mendedBy;

  /** Causes that came up although nobody lists them for what the owner called it. */
  private final Set<String> likely = new HashSet<>();

  /** What broke off half way, by the id of what comes after it. */
  private final Map<String, Move> failedBefore = new HashMap<>();

  /**
   * What holds of the machine beside its findings.
   *
   * @param permissions what is permitted in the job
   * @param done moves that were made or could not be made, {@code move@part}
   * @param probe whether a probe is there to do what only a probe can
   * @param reached whether the machine answers it already
   * @param everyLook whether the findings hold every look, so that a second one is told from a
   *     correction of the first; only then is a move offered a second time
   */
  public record Situation(
      Permissions permissions,
      Set<String> done,
      boolean probe,
      boolean reached,
      boolean everyLook) {
    /** Where only the last look at anything is kept. */
    public Situation(Permissions permissions, Set<String> done, boolean probe, boolean reached) {
      this(permissions, done, probe, reached, false);
    }

    /** Of one drive of which only this is known: for simulations, benchmarks and files. */
    public static Situation assumed(
        DataStatus status, Optional<String> failing, Set<String> done, boolean probe) {
      return new Situation(
          Permissions.of(tekmerion.core.permit.Situation.assumed(status, failing)),
          done,
          probe,
          probe);
    }

    DataStatus data() {
      return permissions.least();
    }
  }

  private NextMoves(KnowHow knowHow, Network network, List<Part> parts, Situation at) {
    this.knowHow = knowHow;
    this.network = network;
    this.parts = parts;
    this.at = at;
    this.faults = network.posterior(Plans.MIN_SHARE);
    this.mendedBy = Mended.by(knowHow, network);
    this.plans = new Plans(knowHow, network, faults, mendedBy);
    this.locks = new MoveLocks(knowHow, network, faults, at);
    this.stake = Stake.of(at.data());
    this.now = plans.least(faults, stake);
    this.risk = new MoveRisk(network, faults, stake);
    this.expected = new Expected(plans, stake);
    for (int i = 0; i < network.instances().size(); i++) {
      if (faults.probability()[i] >= LIKELY && !network.isBehindComplaint(i)) {
        likely.add(network.instances().get(i).cause().id());
      }
    }
    knowHow.moves().stream()
        .filter(move -> !move.whenFailed().isEmpty())
        .filter(
            move ->
                move.tells().stream()
                    .anyMatch(a -> network.level(a.id()).filter(Move.FAILED::equals).isPresent()))
        .forEach(move -> failedBefore.put(move.whenFailed(), move));
  }

  /** Moves best first, locked ones after those that can be made. */
  public static Advice of(
      KnowHow knowHow,
      Collection<String> families,
      List<Part> parts,
      List<Finding> findings,
      Situation situation) {
    Network network = Network.of(knowHow, families, parts, findings);
    NextMoves next = new NextMoves(knowHow, network, parts, situation);
    List<Ranked> ranked = next.ranked(families);
    List<Plan> plans = next.plans();
    return new Advice(
        ranked,
        plans,
        new Turns(next.network, next.faults, next.plans, next.stake).of(ranked, plans.get(0)),
        next.mayBeSigned(plans.get(0)),
        new RemedyNames(next.network, next.faults).of(next.plans.choices().all()));
  }

  /** A part is not replaced on what its owner said alone, or on one finding. */
  private boolean mayBeSigned(Plan plan) {
    if (!plan.courses().contains(Course.REPLACE_PART)) {
      return true;
    }
    boolean looked =
        network.counted().stream()
            .anyMatch(seen -> !seen.finding().basis().equals(Finding.Basis.intake()));
    return looked
        && at.permissions().of(new Action.Decide(Course.REPLACE_PART.effects(), true)).isOpen();
  }

  private List<Plan> plans() {
    List<Plan> best = new ArrayList<>();
    for (Plan plan : plans.rank(faults, stake)) {
      if (best.size() < SHOWN
          && best.stream().noneMatch(b -> plan.remedies().containsAll(b.remedies()))) {
        best.add(plan);
      }
    }
    return best;
  }

  private List<Ranked> ranked(Collection<String> families) {
    List<Ranked> all = new ArrayList<>();
    for (Move move : knowHow.offered()) {
      if (!move.fits(families) && !bearsOnSomethingLikely(move)) {
        continue;
      }
      for (Part part : partsOf(move, parts)) {
        if (makesSense(move, part)) {
          all.add(rank(move, part));
        }
      }
    }
    List<Ranked> asCounted = List.copyOf(all);
    all.replaceAll(r -> opening(r, asCounted));
    all.removeIf(
        r ->
            r.worth() <= 0
                && r.lock().isEmpty()
                && (r.again()
                    || !failedBefore.containsKey(r.move().id()) && !clearsAHazard(r.move()))
                // What may be decided can be done, however little it is worth trying now.
                && (r.again() || knowHow.remedy(r.move().id()).isEmpty()));
    all.sort(
        Comparator.comparing((Ranked r) -> r.lock().isPresent())
            .thenComparing(r -> !failedBefore.containsKey(r.move().id()))
            .thenComparing(Comparator.comparingDouble(Ranked::worth).reversed())
            .thenComparing(r -> r.move().invasiveness()));
    return all;
  }

  /** Owners put things in many words: a family does not leave out what the evidence points to. */
  private boolean bearsOnSomethingLikely(Move move) {
    return move.given().stream()
        .flatMap(id -> knowHow.finding(id).stream())
        .flatMap(kind -> kind.links().keySet().stream())
        .anyMatch(likely::contains);
  }

  /** A look that another move waits for is worth what that one is worth. */
  private Ranked opening(Ranked look, List<Ranked> all) {
    double worth =
        all.stream()
            .filter(r -> locks.waitsFor(r.move(), r.part(), look.move()))
            .mapToDouble(Ranked::worth)
            .reduce(look.worth(), Math::max);
    return new Ranked(
        look.move(),
        look.part(),
        look.bits(),
        look.savedMinutes(),
        look.minutes(),
        worth,
        Math.max(worth - look.worth(), 0) + look.worthNow(),
        look.why(),
        look.lock(),
        look.again());
  }

  /** What a move can be made on: the whole machine, or each part of its kind. */
  public static List<Part> partsOf(Move move, List<Part> parts) {
    return move.isOfWholeMachine()
        ? List.of(Part.wholeMachine())
        : parts.stream().filter(p -> p.kind().equals(move.of())).toList();
  }

  /** Not done already, and the machine does not get too far for it. */
  private boolean makesSense(Move move, Part part) {
    if (at.done().contains(move.id() + "@" + part.key())) {
      return isWorthASecondLook(move, part);
    }
    if (mendedBy.isPresent()
        && move.tells().stream().anyMatch(asked -> asked.complaint() != null)) {
      return false; // there is no complaint left to try it on
    }
    Predicate<String> known = finding -> network.level(finding, part.key()).isPresent();
    // What the probe does gives what the part has: one finding of it tells that it was done.
    boolean told =
        move.by() == null
            ? move.given().stream().allMatch(known)
            : move.given().stream().anyMatch(known);
    return !told
        && locks.wasSeen(move)
        && move.fitsKind(network.machineKind())
        && locks.isWithin(move);
  }

  /**
   * Whether what was seen in it may be looked at again: by hand, once, or twice with another
   * outcome. A remedy is not done again to see what it does.
   */
  private boolean isWorthASecondLook(Move move, Part part) {
    if (!at.everyLook() || move.by() != null || mendedBy.isPresent()) {
      return false;
    }
    return locks.isWithin(move)
        && move.tells().stream()
            .allMatch(
                asked ->
                    asked.complaint() != Move.ComplaintAsked.MENDED
                        && network.isUnsure(asked.id(), part.key()));
  }

  private Ranked rankAgain(Move move, Part part) {
    List<List<Observation>> again =
        move.tells().stream().map(a -> network.levelsAgain(a.id(), part.key())).toList();
    boolean differ = move.tells().stream().anyMatch(a -> network.differs(a.id(), part.key()));
    double bits = plans.bits(faults, again);
    double saved = bits < MIN_BITS ? 0 : Math.max(0, now - expected.cost(faults, again));
    double worth =
        (saved - risk.minutes(move) + NAMED_MINUTES_PER_BIT * bits)
            / (minutes(move) + BACK_TO_IT_MINUTES);
    return new Ranked(
        move,
        part,
        bits,
        saved,
        minutes(move) + BACK_TO_IT_MINUTES,
        worth < WORTH_ANOTHER_LOOK ? 0 : worth,
        worth,
        MoveReason.again(saved, differ, move),
        locks.lock(move, part),
        true);
  }

  private double minutes(Move move) {
    return Math.max(MIN_MINUTES, move.handsOnMinutes())
        + Stake.WAITING * move.waitingMinutes()
        + move.invasiveness().ordinal()
        + (move.by() != null ? reachingMinutes() : 0);
  }

  private Ranked rank(Move move, Part part) {
    if (at.done().contains(move.id() + "@" + part.key())) {
      return rankAgain(move, part);
    }
    List<List<Observation>> open = open(move, part);
    double bits = plans.bits(faults, open);
    double saved =
        (bits < MIN_BITS ? 0 : Math.max(0, now - expected.cost(faults, open)))
            + securedMinutes(move);
    double minutes = minutes(move);
    double atOnce = saved - risk.minutes(move) - ownerMinutes(move);
    double gain = atOnce + MINUTES_PER_BIT * bits;
    return new Ranked(
        move,
        part,
        bits,
        saved,
        minutes,
        gain / minutes,
        (atOnce + NAMED_MINUTES_PER_BIT * bits) / minutes,
        MoveReason.of(move, bits, saved, failedBefore.get(move.id()), clearsAHazard(move)),
        locks.lock(move, part),
        false);
  }

  /** A machine that answers a probe is asked for more at no cost; a drive in a dock is docked. */
  private double reachingMinutes() {
    return locks.startsNothing() ? DOCKING_MINUTES : at.reached() ? 0 : REACHING_MINUTES;
  }

  /** A move that is a remedy costs its owner what the remedy does. */
  private double ownerMinutes(Move move) {
    return knowHow.remedy(move.id()).map(Remedy::owner).orElse(0);
  }

  /**
   * Whether it would show that a hazard is not of this part: however little it tells else, it opens
   * a lock.
   */
  private boolean clearsAHazard(Move move) {
    return knowHow.hazards().stream()
        .filter(
            hazard -> network.level(hazard.finding()).filter(hazard.level()::equals).isPresent())
        .anyMatch(hazard -> hazard.clearedBy().keySet().stream().anyMatch(move.given()::contains));
  }

  /** A finding that is not known yet, and what it would tell by itself. */
  private record Open(List<Observation> levels, double bits) {}

  /** The findings that tell most together, as long as their combinations can be counted. */
  private List<List<Observation>> open(Move move, Part part) {
    List<Open> all = new ArrayList<>();
    for (String finding : move.given()) {
      if (network.level(finding, part.key()).isEmpty()) {
        List<Observation> levels = network.levelsOf(finding, part.key());
        all.add(new Open(levels, plans.bits(faults, List.of(levels))));
      }
    }
    all.sort(Comparator.comparingDouble(Open::bits).reversed());
    List<List<Observation>> chosen = new ArrayList<>();
    int combinations = 1;
    for (Open open : all) {
      if (combinations * open.levels().size() <= MAX_COMBINATIONS) {
        combinations *= open.levels().size();
        chosen.add(open.levels());
      }
    }
    return chosen;
  }

  /** What a verified copy saves, beside what it tells: nothing can be lost any more. */
  private double securedMinutes(Move move) {
    return move.act() == Move.Act.COPY && !at.data().allowsWriting()
        ? now - plans.least(faults, Stake.of(DataStatus.COPY_VERIFIED))
        : 0;
  }
}

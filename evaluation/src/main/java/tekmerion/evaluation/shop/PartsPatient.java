package tekmerion.evaluation.shop;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import tekmerion.core.drive.DriveFindings;
import tekmerion.core.drive.PartReading;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.weigh.Plan;
import tekmerion.sim.parts.PartsMachine;
import tekmerion.sim.parts.PartsMachines;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Rung;

/** Of the second world: parts, what befell them, and what follows. */
final class PartsPatient implements Patient {
  private static final int GOES = 5;
  private static final double WAITING = 0.1;
  private static final double MUCH_MORE = 1.5;
  private static final double LITTLE_MINUTES = 30;

  private final KnowHow knowHow;
  private final PartsMachine machine;

  PartsPatient(KnowHow knowHow, long seed) {
    this.knowHow = knowHow;
    machine = new PartsMachines(seed).next();
  }

  @Override
  public Set<Complaint> complaints() {
    return machine.complaints();
  }

  @Override
  public Optional<List<String>> answer(String question) {
    return machine.answer(question);
  }

  @Override
  public Map<String, String> heard() {
    return machine.heard();
  }

  @Override
  public Rung start() {
    return machine.start();
  }

  @Override
  public Map<String, String> make(String move) {
    return machine.make(move);
  }

  @Override
  public List<Finding> readDrive() {
    Map<String, String> seen = new LinkedHashMap<>();
    List<Finding> all = new ArrayList<>();
    machine
        .driveSpeaks(seen)
        .ifPresent(d -> all.addAll(DriveFindings.of(DriveWork.PART, new PartReading(d.pages()))));
    seen.forEach(
        (id, level) -> all.add(new Finding(id, DriveWork.PART, level, id, Finding.Basis.run())));
    return all;
  }

  @Override
  public boolean isDataWanted() {
    return machine.isDataWanted();
  }

  @Override
  public boolean isDriveGoing() {
    return machine.isDriveGoing();
  }

  @Override
  public boolean isDriveClicking() {
    return machine.isDriveClicking();
  }

  @Override
  public boolean isSwollen() {
    return machine.isSwollen();
  }

  @Override
  public List<String> truth() {
    return machine.origins().stream().map(Enum::name).toList();
  }

  @Override
  public boolean has(String cause) {
    return machine.causes().contains(cause);
  }

  @Override
  public boolean isBehind(String cause) {
    return machine.causes().contains(cause);
  }

  @Override
  public boolean isSound() {
    return machine.isElsewhere();
  }

  @Override
  public Outcome follow(Plan plan) {
    // A remedy can miss what it mends: what happens in most of some goes is what counts.
    List<Go> goes =
        IntStream.range(0, GOES)
            .mapToObj(i -> go(plan))
            .sorted(Comparator.comparingDouble(Go::cost))
            .toList();
    List<Remedy> followed = goes.get(GOES / 2).followed();
    boolean ends = goes.stream().filter(Go::ends).count() > GOES / 2;
    if (isSound()) {
      boolean nothing = followed.stream().allMatch(r -> r.id().equals("recover-data"));
      return new Outcome(nothing, followed.stream().anyMatch(PartsPatient::rebuilds), nothing);
    }
    double cost = followed.stream().mapToDouble(this::cost).sum();
    boolean rebuilt = followed.stream().anyMatch(PartsPatient::rebuilds);
    boolean needless = rebuilt && least(false).map(less -> less < cost).orElse(false);
    Optional<Double> leastOfAll = least(true);
    boolean dear = leastOfAll.map(best -> cost > MUCH_MORE * best + LITTLE_MINUTES).orElse(false);
    return new Outcome(ends, needless, (ends || leastOfAll.isEmpty()) && !needless && !dear);
  }

  private record Go(List<Remedy> followed, double cost, boolean ends) {}

  /** One go of the plan, until the complaint is gone. */
  private Go go(Plan plan) {
    List<Remedy> followed = new ArrayList<>();
    PartsMachine tried = machine.copy();
    boolean there = tried.isStillMet();
    for (Remedy remedy : plan.remedies()) {
      if (there || isSound()) {
        followed.add(remedy);
        there = tried.remedied(remedy.id());
      }
    }
    return new Go(followed, followed.stream().mapToDouble(this::cost).sum(), !there);
  }

  private static boolean rebuilds(Remedy remedy) {
    return remedy.owner() > 0 || remedy.invasiveness() == Invasiveness.ERASES;
  }

  /** What is not for the complaint costs nothing here: data, and a drive that is going anyway. */
  private double cost(Remedy remedy) {
    boolean beside =
        remedy.id().equals("recover-data")
            || remedy.id().equals("replace-drive") && machine.isDriveGoing();
    return beside
        ? 0
        : remedy.minutes().get(0)
            + WAITING * remedy.minutes().get(1)
            + remedy.parts()
            + remedy.owner();
  }

  private boolean ends(Remedy remedy) {
    for (int i = 0; i < 2; i++) {
      if (!machine.copy().remedied(remedy.id())) {
        return true;
      }
    }
    return false;
  }

  /** The cheapest one or two remedies that end the complaint; empty if none do. */
  private Optional<Double> least(boolean evenRebuilding) {
    if (!machine.copy().isStillMet()) {
      return Optional.of(0.0);
    }
    List<Remedy> all =
        knowHow.remedies().stream().filter(r -> evenRebuilding || !rebuilds(r)).toList();
    Optional<Double> one = all.stream().filter(this::ends).map(this::cost).min(Double::compare);
    if (one.isPresent() || machine.origins().size() < 2) {
      return one;
    }
    double best = Double.POSITIVE_INFINITY;
    for (Remedy first : all) {
      for (Remedy second : all) {
        double cost = cost(first) + cost(second);
        if (cost < best) {
          PartsMachine tried = machine.copy();
          tried.remedied(first.id());
          best = tried.remedied(second.id()) ? best : cost;
        }
      }
    }
    return Double.isFinite(best) ? Optional.of(best) : Optional.empty();
  }
}

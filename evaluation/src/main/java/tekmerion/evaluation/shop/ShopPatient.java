package tekmerion.evaluation.shop;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import tekmerion.core.finding.Finding;
import tekmerion.core.weigh.Plan;
import tekmerion.sim.shop.Ailment;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Quantity;
import tekmerion.sim.shop.Rung;
import tekmerion.sim.shop.ShopMachine;
import tekmerion.sim.shop.ShopMachines;

/** Of the first world: ailments by incidence, and rates of what each shows. */
final class ShopPatient implements Patient {
  private final ShopMachine machine;
  private final Bench bench;
  private final Owner owner;

  ShopPatient(long seed) {
    machine = new ShopMachines(seed).next();
    bench = new Bench(machine, new Random(seed ^ 0xBE7C4));
    owner = new Owner(machine, new Random(seed ^ 0x0E11E8));
  }

  @Override
  public Set<Complaint> complaints() {
    Set<Complaint> all = new LinkedHashSet<>();
    machine.noticed().forEach(ill -> all.addAll(ill.complaints()));
    return all;
  }

  @Override
  public Optional<List<String>> answer(String question) {
    return Optional.ofNullable(owner.answer(question));
  }

  @Override
  public Map<String, String> heard() {
    return owner.heard();
  }

  @Override
  public Rung start() {
    return bench.start();
  }

  @Override
  public Map<String, String> make(String move) {
    boolean known =
        FirstLook.make(move, bench)
            || DriveWork.make(move, bench)
            || MemoryWork.make(move, bench)
            || PowerWork.make(move, bench)
            || SystemWork.make(move, bench);
    if (!known) {
      throw new IllegalStateException("the simulated shop cannot make the move " + move);
    }
    return bench.seen();
  }

  @Override
  public List<Finding> readDrive() {
    return DriveWork.read(bench);
  }

  @Override
  public boolean isDataWanted() {
    return machine.isDataWanted();
  }

  @Override
  public boolean isDriveGoing() {
    return machine.has(Ailment.SURFACE_GOING, Ailment.HEADS_WEAK);
  }

  @Override
  public boolean isDriveClicking() {
    return machine.has(Ailment.HEADS_WEAK, Ailment.MOTOR_STUCK);
  }

  @Override
  public boolean isSwollen() {
    return machine.value(Quantity.SWELLING_MM) > 1;
  }

  @Override
  public List<String> truth() {
    return machine.noticed().stream().map(ill -> ill.what().name()).toList();
  }

  @Override
  public boolean has(String cause) {
    return Truth.isPresent(machine, cause);
  }

  @Override
  public boolean isBehind(String cause) {
    return Truth.isBehind(machine, cause);
  }

  @Override
  public boolean isSound() {
    return machine.noticed().isEmpty();
  }

  @Override
  public Outcome follow(Plan plan) {
    boolean ends = isSound() ? plan.remedies().isEmpty() : Truth.ends(machine, plan);
    boolean rebuilt = Truth.rebuildsWithoutNeed(machine, plan);
    return new Outcome(ends, rebuilt, ends && !rebuilt);
  }
}

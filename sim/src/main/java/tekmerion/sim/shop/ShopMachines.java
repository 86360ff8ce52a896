package tekmerion.sim.shop;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import tekmerion.sim.ShopDrive;
import tekmerion.sim.ShopDrive.Health;

/**
 * Machines as they come in: an ailment by its incidence, what it does to what can be measured, how
 * it shows, and beside it what age has done to the rest and what nobody came for.
 */
public final class ShopMachines {
  private static final double SOUND_SHARE = 0.015;
  private static final double SECOND_SHARE = 0.06;
  private static final double UNNOTICED_DRIVE = 0.01;

  private static final Set<Ailment> OF_LAPTOPS =
      EnumSet.of(
          Ailment.CELLS_WORN,
          Ailment.CELLS_RESIST,
          Ailment.GAUGE_OFF,
          Ailment.SOCKET_LOOSE,
          Ailment.CHARGER_BAD,
          Ailment.PANEL_CABLE_BAD,
          Ailment.PANEL_BAD,
          Ailment.ADAPTER_BAD);

  /** Of a drive that is plugged in from outside, or of a second one. */
  private static final Set<Ailment> OF_OUTSIDE_DRIVES =
      EnumSet.of(
          Ailment.CASE_BRIDGE_BAD,
          Ailment.PORT_STARVES,
          Ailment.VOLUME_NONE,
          Ailment.VOLUME_FOREIGN,
          Ailment.NAME_TAKEN,
          Ailment.DRIVES_CONFLICT);

  private final Random random;
  private final Measures measures;
  private final Showing showing;

  public ShopMachines(long seed) {
    random = new Random(seed);
    measures = new Measures(random);
    showing = new Showing(random);
  }

  /** The next one at the counter. */
  public ShopMachine next() {
    if (random.nextDouble() < SOUND_SHARE) {
      return machine(List.of());
    }
    Ailment first = byIncidence();
    List<Ailment> all = new ArrayList<>(List.of(first));
    if (random.nextDouble() < SECOND_SHARE) {
      Ailment second = byIncidence();
      if (second != first && isOutside(second) == isOutside(first)) {
        all.add(second);
      }
    }
    return machine(all);
  }

  private static boolean isOutside(Ailment what) {
    return OF_OUTSIDE_DRIVES.contains(what);
  }

  private Ailment byIncidence() {
    int sum = Arrays.stream(Ailment.values()).mapToInt(Ailment::incidence).sum();
    int luck = random.nextInt(sum);
    for (Ailment what : Ailment.values()) {
      luck -= what.incidence();
      if (luck < 0) {
        return what;
      }
    }
    throw new IllegalStateException();
  }

  private ShopMachine machine(List<Ailment> ailments) {
    boolean laptop =
        ailments.stream().anyMatch(OF_LAPTOPS::contains)
            || !ailments.contains(Ailment.SUPPLY_BAD) && chance(0.68);
    boolean drives = ailments.stream().anyMatch(ShopMachines::canBeOutside);
    boolean outside = ailments.stream().anyMatch(ShopMachines::isOutside) || drives && chance(0.3);
    double age = 6 * random.nextDouble() + (chance(0.2) ? 4 * random.nextDouble() : 0);
    Map<Quantity, Double> measured = measures.aged(age);
    List<Ill> ills = new ArrayList<>();
    for (Ailment what : ailments) {
      measures.sicken(what, measured);
      ills.add(showing.of(what, outside));
    }
    if (laptop
        && !ailments.contains(Ailment.CELLS_WORN)
        && measured.get(Quantity.CAPACITY_SHARE) < 0.6) {
      ills.add(new Ill(Ailment.CELLS_WORN, 0, Rung.DESKTOP, Set.of())); // nobody came for it
    }
    boolean otherDrive = ailments.stream().anyMatch(ShopMachines::canBeOutside);
    if (!otherDrive && chance(UNNOTICED_DRIVE)) {
      ills.add(new Ill(Ailment.SURFACE_GOING, 0, Rung.DESKTOP, Set.of()));
    }
    return new ShopMachine(
        ills,
        measured,
        drive(ills.stream().map(Ill::what).toList(), age),
        laptop,
        outside,
        chance(outside ? 0.85 : 0.7));
  }

  private static boolean canBeOutside(Ailment what) {
    return switch (what) {
      case SURFACE_GOING,
          HEADS_WEAK,
          MOTOR_STUCK,
          DRIVE_BOARD_BAD,
          CABLE_LOOSE,
          TABLE_LOST,
          VOLUME_LOCKED,
          VOLUME_DAMAGED ->
          true;
      default -> false;
    };
  }

  private ShopDrive drive(List<Ailment> ailments, double age) {
    Health health = Health.SOUND;
    for (Ailment what : ailments) {
      health =
          switch (what) {
            case SURFACE_GOING -> Health.SURFACE;
            case HEADS_WEAK -> Health.HEADS;
            case MOTOR_STUCK -> Health.MOTOR;
            case DRIVE_BOARD_BAD -> Health.ELECTRONICS;
            default -> health;
          };
    }
    boolean spins =
        health == Health.HEADS
            || health == Health.MOTOR
            || ailments.contains(Ailment.DISK_SLOW)
            || ailments.contains(Ailment.FILES_SCATTERED)
            || chance(ailments.contains(Ailment.INDEXING_BUSY) ? 0.85 : 0.3);
    boolean link = ailments.contains(Ailment.CABLE_LOOSE);
    long linkErrors =
        link && chance(0.8) ? 5 + random.nextInt(400) : chance(0.05) ? 1 + random.nextInt(6) : 0;
    boolean hot = ailments.contains(Ailment.FINS_BLOCKED) || ailments.contains(Ailment.FAN_BAD);
    double hours = Math.max(100, age * 365 * (2 + 5 * random.nextDouble()));
    return new ShopDrive(
        random, health, spins, hours, linkErrors, (hot ? 22 : 10) + 10 * random.nextDouble());
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }
}

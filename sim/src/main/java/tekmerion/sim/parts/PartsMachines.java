package tekmerion.sim.parts;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import tekmerion.sim.ShopDrive;
import tekmerion.sim.ShopDrive.Health;
import tekmerion.sim.shop.Complaint;

/**
 * Machines as they come in: years, what befell them, and then a fortnight of use. Owners bring what
 * they noticed in it; a machine that did nothing is not brought.
 */
public final class PartsMachines {
  private static final double SECOND_SHARE = 0.08;
  private static final int FORTNIGHT = 14;
  private static final double USE_MINUTES = 90;

  private final Random random;

  public PartsMachines(long seed) {
    random = new Random(seed);
  }

  /** The next one at the counter. */
  public PartsMachine next() {
    while (true) {
      List<Origin> origins = new ArrayList<>(List.of(byIncidence()));
      if (chance(SECOND_SHARE)) {
        Origin second = byIncidence();
        if (goTogether(origins.get(0), second)) {
          origins.add(second);
        }
      }
      State state = state(origins);
      Set<Complaint> noticed = noticed(state, origins.get(0));
      if (!noticed.isEmpty()) {
        return new PartsMachine(origins, noticed, state, random);
      }
    }
  }

  private static boolean goTogether(Origin a, Origin b) {
    return a != b
        && !a.cause().isEmpty()
        && !b.cause().isEmpty()
        && a.isOfOutsideDrives() == b.isOfOutsideDrives()
        && (a == Origin.SUPPLY_AGED) == (b == Origin.SUPPLY_AGED)
        && !(a.canBeOutside() && b.canBeOutside());
  }

  private Origin byIncidence() {
    int luck = random.nextInt(Arrays.stream(Origin.values()).mapToInt(Origin::incidence).sum());
    for (Origin origin : Origin.values()) {
      luck -= origin.incidence();
      if (luck < 0) {
        return origin;
      }
    }
    throw new IllegalStateException();
  }

  private State state(List<Origin> origins) {
    State s = new State();
    s.laptop =
        !origins.contains(Origin.SUPPLY_AGED)
            && (origins.stream().anyMatch(Origin::isOfLaptops) || chance(0.66));
    s.outside =
        origins.stream().anyMatch(Origin::isOfOutsideDrives)
            || origins.stream().anyMatch(Origin::canBeOutside) && chance(0.3);
    Befall befall = new Befall(s, random);
    double years = 0.2 + 6.5 * random.nextDouble();
    befall.years(years);
    s.drive = drive(origins, s.outside, years);
    origins.forEach(befall::befall);
    s.dataWanted = chance(s.outside ? 0.85 : 0.7);
    return s;
  }

  private ShopDrive drive(List<Origin> origins, boolean outside, double years) {
    Health health =
        origins.contains(Origin.SURFACE_WORE)
            ? Health.SURFACE
            : origins.contains(Origin.HEADS_WORE)
                ? Health.HEADS
                : origins.contains(Origin.MOTOR_STUCK)
                    ? Health.MOTOR
                    : origins.contains(Origin.DRIVE_BOARD_BURNT)
                        ? Health.ELECTRONICS
                        : Health.SOUND;
    if (health == Health.SOUND && chance(0.01)) {
      health = Health.SURFACE; // nobody has noticed yet
    }
    boolean spins =
        health == Health.HEADS
            || health == Health.MOTOR
            || origins.contains(Origin.OLD_DISK)
            || origins.contains(Origin.FILES_SCATTERED)
            || origins.contains(Origin.INDEX_REBUILT) && chance(0.9)
            || outside && chance(0.6)
            || chance(0.25);
    boolean counted = origins.contains(Origin.CABLE_WORE) && !outside && chance(0.85);
    long linkErrors = counted ? 8 + random.nextInt(600) : chance(0.05) ? 1 + random.nextInt(5) : 0;
    double hours = Math.max(80, years * 365 * (1.5 + 6 * random.nextDouble()));
    boolean hot = origins.contains(Origin.DUST) || origins.contains(Origin.FAN_WORE);
    return new ShopDrive(
        random, health, spins, hours, linkErrors, (hot ? 20 : 9) + 10 * random.nextDouble());
  }

  /** What its owner meets in a fortnight, and comes with: the worst, now and then a second. */
  private Set<Complaint> noticed(State s, Origin first) {
    if (s.farServerSlow) {
      return EnumSet.of(chance(0.7) ? Complaint.SLOW : Complaint.STUTTER);
    }
    if (s.ownerExpects) {
      return EnumSet.of(chance(0.5) ? Complaint.SLOW : Complaint.NOISE_HEAT);
    }
    Map<Complaint, Integer> days = new EnumMap<>(Complaint.class);
    Use use = new Use(s, random);
    for (int day = 0; day < FORTNIGHT; day++) {
      Set<Swap> how = EnumSet.noneOf(Swap.class);
      if (chance(0.4)) {
        how.add(Swap.LOADED);
      }
      if (chance(0.4)) {
        how.add(Swap.MOVED);
      }
      use.trial(how, USE_MINUTES).symptoms().forEach(c -> days.merge(c, 1, Integer::sum));
    }
    return worst(days, first);
  }

  private Set<Complaint> worst(Map<Complaint, Integer> days, Origin first) {
    if (days.containsKey(Complaint.MANAGEMENT_HANGS)
        && days.size() > 1
        && first != Origin.SERVICE_STUCK
        && chance(0.7)) {
      days.remove(Complaint.MANAGEMENT_HANGS);
    }
    Set<Complaint> said = EnumSet.noneOf(Complaint.class);
    days.entrySet().stream()
        .sorted(
            (a, b) ->
                Double.compare(weight(b.getKey(), b.getValue()), weight(a.getKey(), a.getValue())))
        .limit(chance(0.12) ? 2 : 1)
        .forEach(e -> said.add(e.getKey()));
    return said;
  }

  /** How much it troubles its owner. */
  private static double weight(Complaint complaint, int days) {
    double each =
        switch (complaint) {
          case DEAD -> 10;
          case MOUNT_FAILURE, RESTART_LOOP -> 7;
          case NOT_SEEN, NOT_READABLE -> 6;
          case MEMORY_ERRORS -> 4.5;
          case ERROR_SCREEN -> 4;
          case MANAGEMENT_HANGS -> 3.5;
          case NOISE_HEAT -> 3;
          case BATTERY -> 2.6;
          case SLOW -> 2.4;
          case STUTTER -> 2;
        };
    return each * days;
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }
}

package tekmerion.sim.shop;

import static tekmerion.sim.shop.Complaint.BATTERY;
import static tekmerion.sim.shop.Complaint.DEAD;
import static tekmerion.sim.shop.Complaint.ERROR_SCREEN;
import static tekmerion.sim.shop.Complaint.MANAGEMENT_HANGS;
import static tekmerion.sim.shop.Complaint.MEMORY_ERRORS;
import static tekmerion.sim.shop.Complaint.MOUNT_FAILURE;
import static tekmerion.sim.shop.Complaint.NOISE_HEAT;
import static tekmerion.sim.shop.Complaint.NOT_READABLE;
import static tekmerion.sim.shop.Complaint.NOT_SEEN;
import static tekmerion.sim.shop.Complaint.RESTART_LOOP;
import static tekmerion.sim.shop.Complaint.SLOW;
import static tekmerion.sim.shop.Complaint.STUTTER;

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

  public ShopMachines(long seed) {
    random = new Random(seed);
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
    Map<Quantity, Double> measured = aged(age);
    List<Ill> ills = new ArrayList<>();
    for (Ailment what : ailments) {
      measure(what, measured);
      ills.add(ill(what, laptop, outside));
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

  /** What years do to a machine that has nothing else. */
  private Map<Quantity, Double> aged(double age) {
    Map<Quantity, Double> m = new EnumMap<>(Quantity.class);
    double cycles = age * (40 + 160 * random.nextDouble());
    m.put(Quantity.AGE_YEARS, age);
    m.put(Quantity.AIR_SHARE, Math.max(0.35, 1 - age * 0.07 * random.nextDouble()));
    m.put(Quantity.FAN_SHARE, 1.0);
    m.put(Quantity.CYCLES, cycles);
    m.put(
        Quantity.CAPACITY_SHARE,
        Math.max(0.45, 1 - 0.00035 * cycles - 0.02 * age * random.nextDouble()));
    m.put(Quantity.GAUGE_SHARE, 1 + 0.04 * random.nextGaussian());
    m.put(Quantity.RESISTANCE_TIMES, 1 + 0.08 * age + 0.05 * Math.abs(random.nextGaussian()));
    m.put(Quantity.SWELLING_MM, 0.0);
    m.put(Quantity.ADAPTER_LOADED_SHARE, 0.985 + 0.006 * random.nextGaussian());
    m.put(Quantity.SUPPLY_SHARE, 1 + 0.012 * random.nextGaussian());
    m.put(Quantity.COIN_VOLTS, Math.max(2.6, 3.2 - 0.04 * age + 0.03 * random.nextGaussian()));
    m.put(Quantity.MEMORY_SHARE, 0.35 + 0.4 * random.nextDouble());
    m.put(
        Quantity.FREE_SHARE,
        chance(0.09) ? 0.03 + 0.07 * random.nextDouble() : 0.15 + 0.7 * random.nextDouble());
    m.put(Quantity.BUSY_SHARE, 0.02 + 0.12 * random.nextDouble());
    m.put(Quantity.ANSWER_TIMES, 0.8 + 0.8 * random.nextDouble());
    m.put(Quantity.MARCH_ERRORS, 0.0);
    m.put(Quantity.MARCH_ERRORS_WARM, 0.0);
    m.put(Quantity.LATENCY_MS, 0.1 + 0.5 * random.nextDouble());
    m.put(Quantity.BAD_SLOT, chance(0.5) ? 1.0 : 2.0);
    m.put(Quantity.FILES_DAMAGED, chance(0.05) ? 1.0 : 0.0);
    m.put(Quantity.STORE_DAMAGED, 0.0);
    m.put(Quantity.FLAGGED_DEVICES, chance(0.08) ? 1.0 : 0.0);
    m.put(Quantity.START_ITEMS, 8.0 + random.nextInt(20));
    m.put(Quantity.BOARD_DAMAGE_MM2, chance(0.01) ? 3.0 : 0.0);
    return m;
  }

  /** What the ailment does to what can be measured. */
  private void measure(Ailment what, Map<Quantity, Double> m) {
    switch (what) {
      case SURFACE_GOING, HEADS_WEAK -> {
        m.put(Quantity.BUSY_SHARE, 0.5 + 0.5 * random.nextDouble());
        m.put(Quantity.ANSWER_TIMES, 5 * Math.exp(1.2 * random.nextGaussian()) + 3);
        if (chance(0.3)) {
          m.put(Quantity.FILES_DAMAGED, 1.0 + random.nextInt(40));
        }
      }
      case CABLE_LOOSE, CASE_BRIDGE_BAD ->
          m.put(Quantity.ANSWER_TIMES, 1 + 20 * random.nextDouble());
      case FINS_BLOCKED -> m.put(Quantity.AIR_SHARE, 0.08 + 0.2 * random.nextDouble());
      case FAN_BAD -> m.put(Quantity.FAN_SHARE, chance(0.6) ? 0.04 : 0.3 * random.nextDouble());
      case ADAPTER_BAD ->
          m.put(
              Quantity.ADAPTER_LOADED_SHARE, chance(0.55) ? 0.0 : 0.5 + 0.4 * random.nextDouble());
      case CELLS_WORN -> {
        m.put(Quantity.CAPACITY_SHARE, 0.15 + 0.5 * random.nextDouble());
        m.put(Quantity.CYCLES, 300 + 900 * random.nextDouble());
        m.put(Quantity.RESISTANCE_TIMES, 1.4 + 1.2 * random.nextDouble());
        m.put(Quantity.SWELLING_MM, chance(0.22) ? 2 + 4 * random.nextDouble() : 0);
      }
      case CELLS_RESIST -> {
        m.put(Quantity.RESISTANCE_TIMES, 2.3 + 2.5 * random.nextDouble());
        m.put(Quantity.CYCLES, 200 + 700 * random.nextDouble());
        m.put(Quantity.CAPACITY_SHARE, 0.65 + 0.3 * random.nextDouble());
      }
      case GAUGE_OFF -> {
        m.put(
            Quantity.GAUGE_SHARE,
            chance(0.5) ? 0.55 + 0.25 * random.nextDouble() : 1.2 + 0.3 * random.nextDouble());
        m.put(Quantity.CAPACITY_SHARE, 0.82 + 0.15 * random.nextDouble());
      }
      case COIN_EMPTY -> m.put(Quantity.COIN_VOLTS, 0.4 + 2 * random.nextDouble());
      case SUPPLY_BAD ->
          m.put(Quantity.SUPPLY_SHARE, chance(0.45) ? 0 : 0.8 + 0.14 * random.nextDouble());
      case MODULE_BAD -> {
        // Lognormal over many orders: stuck cells fail at once, weak ones once a day.
        double errors = 20 * Math.exp(2.3 * random.nextGaussian());
        m.put(Quantity.MARCH_ERRORS, errors);
        m.put(Quantity.MARCH_ERRORS_WARM, errors * (chance(0.3) ? 8 : 1.3));
      }
      case SLOT_BAD -> {
        m.put(Quantity.MARCH_ERRORS, 8 * Math.exp(1.8 * random.nextGaussian()));
        m.put(Quantity.MARCH_ERRORS_WARM, 2 * m.get(Quantity.MARCH_ERRORS));
      }
      case CONTACTS_DIRTY -> {
        m.put(Quantity.MARCH_ERRORS, 1.5 * Math.exp(1.6 * random.nextGaussian()));
        m.put(Quantity.MARCH_ERRORS_WARM, 0.8 * m.get(Quantity.MARCH_ERRORS));
      }
      case MODULES_DIFFER -> {
        m.put(Quantity.MARCH_ERRORS, 1.0 * Math.exp(1.4 * random.nextGaussian()));
        m.put(Quantity.MARCH_ERRORS_WARM, m.get(Quantity.MARCH_ERRORS));
      }
      case MEMORY_SMALL -> {
        m.put(Quantity.MEMORY_SHARE, 1.1 + 0.5 * random.nextDouble());
        m.put(Quantity.BUSY_SHARE, 0.5 + 0.45 * random.nextDouble());
      }
      case BACKGROUND_BUSY, INDEXING_BUSY ->
          m.put(Quantity.BUSY_SHARE, 0.7 + 0.3 * random.nextDouble());
      case UNWANTED_RUNS -> {
        m.put(Quantity.BUSY_SHARE, 0.3 + 0.6 * random.nextDouble());
        m.put(Quantity.MEMORY_SHARE, m.get(Quantity.MEMORY_SHARE) + 0.2);
      }
      case START_CROWDED -> {
        m.put(Quantity.START_ITEMS, 45.0 + random.nextInt(50));
        m.put(Quantity.BUSY_SHARE, 0.3 + 0.65 * random.nextDouble());
        m.put(Quantity.MEMORY_SHARE, m.get(Quantity.MEMORY_SHARE) + 0.2);
      }
      case DISK_SLOW -> {
        m.put(Quantity.BUSY_SHARE, 0.55 + 0.45 * random.nextDouble());
        m.put(Quantity.ANSWER_TIMES, 1.5 + 3 * random.nextDouble());
      }
      case FILES_SCATTERED -> {
        m.put(Quantity.BUSY_SHARE, 0.4 + 0.5 * random.nextDouble());
        m.put(Quantity.ANSWER_TIMES, 3 + 10 * random.nextDouble());
      }
      case VOLUME_FULL -> {
        m.put(Quantity.FREE_SHARE, 0.01 + 0.05 * random.nextDouble());
        m.put(Quantity.ANSWER_TIMES, 1.5 + 8 * random.nextDouble());
      }
      case FILES_DAMAGED -> {
        m.put(Quantity.FILES_DAMAGED, 2.0 + random.nextInt(200));
        m.put(Quantity.STORE_DAMAGED, chance(0.4) ? 1.0 : 0.0);
      }
      case UPDATE_HALF -> {
        m.put(Quantity.FILES_DAMAGED, chance(0.6) ? 5.0 + random.nextInt(100) : 0);
        m.put(Quantity.STORE_DAMAGED, chance(0.5) ? 1.0 : 0.0);
        m.put(Quantity.BUSY_SHARE, 0.3 + 0.6 * random.nextDouble());
      }
      case DRIVER_BAD, STORAGE_DRIVER_BAD, GRAPHICS_DRIVER_BAD, SOUND_DRIVER_BAD -> {
        m.put(Quantity.FLAGGED_DEVICES, chance(0.5) ? 1.0 : 0.0);
        m.put(Quantity.LATENCY_MS, 2 + 15 * random.nextDouble());
      }
      case NETWORK_WAITS, PROFILE_SAVES, TIMERS_WRONG, SECURITY_IN_WAY ->
          m.put(Quantity.LATENCY_MS, 1.2 + 12 * random.nextDouble());
      case BOARD_BAD, CHARGER_BAD -> m.put(Quantity.BOARD_DAMAGE_MM2, chance(0.5) ? 12.0 : 0.0);
      default -> {
        // shows only in what it does
      }
    }
  }

  /** How it shows: how often, how far a start gets then, and what its owner says. */
  private Ill ill(Ailment what, boolean laptop, boolean outside) {
    return switch (what) {
      case SURFACE_GOING, HEADS_WEAK ->
          outside
              ? one(
                  what,
                  often(),
                  Rung.DESKTOP,
                  NOT_READABLE,
                  NOT_READABLE,
                  MANAGEMENT_HANGS,
                  NOT_SEEN,
                  NOISE_HEAT)
              : where(
                  what,
                  often(),
                  new Way(0.12, Rung.FIRMWARE, MOUNT_FAILURE),
                  new Way(0.22, Rung.LOADER, RESTART_LOOP, MOUNT_FAILURE),
                  new Way(0.16, Rung.RECOVERY, RESTART_LOOP),
                  new Way(0.08, Rung.LIMITED, ERROR_SCREEN),
                  new Way(0.3, Rung.DESKTOP, SLOW),
                  new Way(0.12, Rung.DESKTOP, ERROR_SCREEN));
      case MOTOR_STUCK, DRIVE_BOARD_BAD ->
          outside
              ? one(what, 0.9, Rung.DESKTOP, NOT_SEEN, NOT_SEEN, NOISE_HEAT, NOT_READABLE)
              : one(what, 0.9, Rung.FIRMWARE, MOUNT_FAILURE, MOUNT_FAILURE, NOT_SEEN);
      case CABLE_LOOSE ->
          outside
              ? one(what, often(), Rung.DESKTOP, NOT_SEEN, NOT_READABLE)
              : where(
                  what,
                  often(),
                  new Way(0.45, Rung.FIRMWARE, MOUNT_FAILURE, NOT_SEEN),
                  new Way(0.25, Rung.LOADER, RESTART_LOOP, MOUNT_FAILURE),
                  new Way(0.3, Rung.DESKTOP, ERROR_SCREEN, SLOW));
      case CASE_BRIDGE_BAD -> one(what, often(), Rung.DESKTOP, NOT_READABLE, NOT_SEEN, NOT_SEEN);
      case VOLUME_LOCKED ->
          outside
              ? one(what, 1, Rung.DESKTOP, NOT_READABLE)
              : one(what, 1, Rung.RECOVERY, MOUNT_FAILURE);
      case TABLE_LOST ->
          outside
              ? one(what, 1, Rung.DESKTOP, NOT_READABLE, NOT_READABLE, NOT_SEEN)
              : one(what, 1, Rung.FIRMWARE, MOUNT_FAILURE);
      case PORT_OFF ->
          chance(0.75)
              ? one(what, 1, Rung.DESKTOP, NOT_SEEN)
              : one(what, 1, Rung.FIRMWARE, MOUNT_FAILURE);
      case FILES_DAMAGED ->
          where(
              what,
              chance(0.7) ? 1 : 0.8,
              new Way(0.3, Rung.LOADER, RESTART_LOOP, MOUNT_FAILURE),
              new Way(0.3, Rung.RECOVERY, RESTART_LOOP),
              new Way(0.15, Rung.LIMITED, ERROR_SCREEN),
              new Way(0.25, Rung.DESKTOP, ERROR_SCREEN, SLOW));
      case BOOT_LOST ->
          one(what, 1, chance(0.6) ? Rung.FIRMWARE : Rung.RECOVERY, MOUNT_FAILURE, RESTART_LOOP);
      case DRIVER_BAD ->
          where(
              what,
              often(),
              new Way(0.65, Rung.DESKTOP, ERROR_SCREEN, STUTTER),
              new Way(0.25, Rung.LIMITED, ERROR_SCREEN, RESTART_LOOP),
              new Way(0.1, Rung.RECOVERY, RESTART_LOOP));
      case BACKGROUND_BUSY -> one(what, 0.95, Rung.DESKTOP, SLOW, SLOW, STUTTER);
      case MEMORY_SMALL -> one(what, 0.97, Rung.DESKTOP, SLOW, SLOW, STUTTER);
      case MODULE_BAD ->
          where(
              what,
              often(),
              new Way(0.5, Rung.DESKTOP, ERROR_SCREEN, MEMORY_ERRORS),
              new Way(0.2, Rung.LOADER, RESTART_LOOP, ERROR_SCREEN),
              new Way(0.1, Rung.PICTURE, MEMORY_ERRORS, DEAD),
              new Way(0.2, Rung.POWER, DEAD, MEMORY_ERRORS));
      case FINS_BLOCKED ->
          one(what, 0.95, Rung.DESKTOP, NOISE_HEAT, NOISE_HEAT, NOISE_HEAT, SLOW, ERROR_SCREEN);
      case FAN_BAD ->
          chance(0.8)
              ? one(what, 0.95, Rung.DESKTOP, NOISE_HEAT, NOISE_HEAT, SLOW, ERROR_SCREEN)
              : one(what, 0.95, Rung.POWER, DEAD);
      case ADAPTER_BAD ->
          chance(0.5)
              ? one(what, 0.97, Rung.DESKTOP, BATTERY)
              : one(what, 0.97, Rung.NOTHING, DEAD);
      case CELLS_WORN -> one(what, 1, chance(0.04) ? Rung.NOTHING : Rung.DESKTOP, BATTERY);
      case CELLS_RESIST, GAUGE_OFF -> one(what, 0.9, Rung.DESKTOP, BATTERY);
      case PANEL_BAD -> one(what, chance(0.7) ? 1 : 0.7, Rung.POWER, DEAD);
      case PANEL_CABLE_BAD -> one(what, chance(0.4) ? 1 : 0.6, Rung.POWER, DEAD, DEAD, STUTTER);
      case BOARD_BAD ->
          where(
              what,
              chance(0.6) ? 1 : 0.6,
              new Way(0.35, Rung.NOTHING, DEAD),
              new Way(0.35, Rung.POWER, DEAD),
              new Way(0.1, Rung.FIRMWARE, NOT_SEEN, MOUNT_FAILURE),
              new Way(0.2, Rung.DESKTOP, ERROR_SCREEN, BATTERY, NOISE_HEAT));
      case GRAPHICS_BAD ->
          chance(0.6)
              ? one(what, 0.8, Rung.DESKTOP, ERROR_SCREEN, STUTTER)
              : one(what, 1, Rung.POWER, DEAD);
      case CHARGE_HELD -> one(what, 1, chance(0.8) ? Rung.NOTHING : Rung.POWER, DEAD);
      case SOCKET_LOOSE ->
          chance(0.65)
              ? one(what, 0.8, Rung.DESKTOP, BATTERY)
              : one(what, 0.95, Rung.NOTHING, DEAD);
      case CHARGER_BAD ->
          chance(0.7) ? one(what, 1, Rung.DESKTOP, BATTERY) : one(what, 1, Rung.NOTHING, DEAD);
      case SWITCH_WORN -> one(what, 0.95, Rung.NOTHING, DEAD);
      case COIN_EMPTY ->
          chance(0.6)
              ? one(what, 1, Rung.FIRMWARE, MOUNT_FAILURE)
              : one(what, 0.8, Rung.POWER, DEAD);
      case SUPPLY_BAD ->
          where(
              what,
              chance(0.5) ? 1 : 0.7,
              new Way(0.5, Rung.NOTHING, DEAD),
              new Way(0.2, Rung.POWER, DEAD),
              new Way(0.3, Rung.DESKTOP, RESTART_LOOP, ERROR_SCREEN));
      case SLOT_BAD, CONTACTS_DIRTY ->
          where(
              what,
              often(),
              new Way(0.45, Rung.POWER, DEAD),
              new Way(0.55, Rung.DESKTOP, ERROR_SCREEN, MEMORY_ERRORS));
      case MODULES_DIFFER -> one(what, often(), Rung.DESKTOP, ERROR_SCREEN, MEMORY_ERRORS);
      case DRIVES_CONFLICT -> one(what, 0.95, Rung.DESKTOP, NOT_SEEN, NOT_SEEN, MANAGEMENT_HANGS);
      case PORT_STARVES -> one(what, 0.85, Rung.DESKTOP, NOT_SEEN, NOT_READABLE);
      case ORDER_WRONG -> one(what, 1, Rung.FIRMWARE, MOUNT_FAILURE);
      case FIRMWARE_FAULT -> one(what, 0.8, Rung.DESKTOP, ERROR_SCREEN, NOT_SEEN, BATTERY, STUTTER);
      case OUTSIDE_DISTURBS ->
          where(
              what,
              often(),
              new Way(0.5, Rung.DESKTOP, ERROR_SCREEN, STUTTER),
              new Way(0.3, Rung.LOADER, RESTART_LOOP, MOUNT_FAILURE),
              new Way(0.2, Rung.DESKTOP, MANAGEMENT_HANGS));
      case VOLUME_NONE -> one(what, 1, Rung.DESKTOP, NOT_SEEN, NOT_SEEN, NOT_SEEN, NOT_READABLE);
      case VOLUME_FOREIGN -> one(what, 1, Rung.DESKTOP, NOT_READABLE, NOT_READABLE, NOT_SEEN);
      case VOLUME_DAMAGED ->
          outside
              ? one(what, 1, Rung.DESKTOP, NOT_READABLE)
              : where(
                  what,
                  1,
                  new Way(0.5, Rung.LOADER, MOUNT_FAILURE, RESTART_LOOP),
                  new Way(0.3, Rung.RECOVERY, RESTART_LOOP, MOUNT_FAILURE),
                  new Way(0.2, Rung.DESKTOP, ERROR_SCREEN));
      case NAME_TAKEN -> one(what, 1, Rung.DESKTOP, NOT_SEEN);
      case STORAGE_DRIVER_BAD ->
          one(what, 0.8, Rung.DESKTOP, MANAGEMENT_HANGS, NOT_SEEN, ERROR_SCREEN);
      case STORAGE_SERVICE_HANGS -> one(what, 0.95, Rung.DESKTOP, MANAGEMENT_HANGS);
      case SECURITY_IN_WAY ->
          one(what, 0.9, Rung.DESKTOP, SLOW, MANAGEMENT_HANGS, STUTTER, ERROR_SCREEN);
      case UPDATE_HALF ->
          where(
              what,
              1,
              new Way(0.35, Rung.LOADER, RESTART_LOOP),
              new Way(0.4, Rung.RECOVERY, RESTART_LOOP),
              new Way(0.25, Rung.DESKTOP, SLOW, ERROR_SCREEN));
      case PROGRAM_BAD ->
          one(what, chance(0.5) ? 0.95 : 0.7, Rung.DESKTOP, ERROR_SCREEN, SLOW, STUTTER);
      case GRAPHICS_DRIVER_BAD -> one(what, often(), Rung.DESKTOP, STUTTER, STUTTER, ERROR_SCREEN);
      case SOUND_DRIVER_BAD, TIMERS_WRONG -> one(what, 0.9, Rung.DESKTOP, STUTTER);
      case NETWORK_WAITS, PROFILE_SAVES -> one(what, 0.9, Rung.DESKTOP, STUTTER, STUTTER, SLOW);
      case START_CROWDED -> one(what, 1, Rung.DESKTOP, SLOW, SLOW, SLOW, STUTTER);
      case INDEXING_BUSY, FILES_SCATTERED, VOLUME_FULL, DISK_SLOW ->
          one(what, 1, Rung.DESKTOP, SLOW);
      case UNWANTED_RUNS -> one(what, 0.95, Rung.DESKTOP, SLOW, SLOW, STUTTER);
    };
  }

  /** A place where it stops, how likely that is, and what owners say then. */
  private record Way(double share, Rung stopsAt, Complaint... said) {}

  private Ill where(Ailment what, double rate, Way... ways) {
    double luck = random.nextDouble();
    for (Way way : ways) {
      luck -= way.share();
      if (luck < 0) {
        return one(what, rate, way.stopsAt(), way.said());
      }
    }
    return one(what, rate, ways[0].stopsAt(), ways[0].said());
  }

  /**
   * @param said one of them is said; one that stands twice is likelier
   */
  private Ill one(Ailment what, double rate, Rung stopsAt, Complaint... said) {
    return new Ill(what, rate, stopsAt, Set.of(said[random.nextInt(said.length)]));
  }

  /** Always, most of the time, or now and then. */
  private double often() {
    double luck = random.nextDouble();
    return luck < 0.35 ? 1 : luck < 0.75 ? 0.75 : 0.35;
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }
}

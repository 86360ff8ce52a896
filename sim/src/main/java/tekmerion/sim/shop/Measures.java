package tekmerion.sim.shop;

import java.util.EnumMap;
import java.util.Map;
import java.util.Random;

/** What can be measured on a machine: what its years have done, and what an ailment does. */
final class Measures {
  private final Random random;

  Measures(Random random) {
    this.random = random;
  }

  /** What years do to a machine that has nothing else. */
  Map<Quantity, Double> aged(double age) {
    Map<Quantity, Double> m = new EnumMap<>(Quantity.class);
    double cycles = age * (40 + 160 * random.nextDouble());
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
    m.put(Quantity.BOARD_DAMAGE_MM2, chance(0.01) ? 3.0 : 0.0);
    return m;
  }

  /** What the ailment does to what can be measured. */
  void sicken(Ailment what, Map<Quantity, Double> m) {
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

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }
}

package tekmerion.sim;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

/**
 * How the sectors of a disk go bad over its power-on time. Damage breeds damage: each bad spot
 * raises the rate at which neighbours fail, as loose particles and a scratched surface do. Each bad
 * sector first waits; if the host happens to write to it, the disk moves it to a spare one.
 */
final class Ageing {
  private final List<BadSector> sectors;

  /**
   * @param failedAtHour when it could no longer be read [power-on h]
   * @param movedAtHour when it was rewritten to a spare, or infinity
   * @param hostReads how many reads of the host met it while it waited
   */
  private record BadSector(double failedAtHour, double movedAtHour, int hostReads) {}

  /**
   * @param seed same seed, same fate
   * @param onsetHour when the first damage happens; infinity for a sound disk
   * @param childrenPerSector mean number of neighbours that one bad sector drags along, below 1
   * @param untilHour how far to simulate
   */
  Ageing(long seed, double onsetHour, double childrenPerSector, double untilHour) {
    Random random = new Random(seed);
    List<BadSector> all = new ArrayList<>();
    List<Double> open = new ArrayList<>();
    for (double hour = onsetHour; hour < untilHour; hour += exponential(random, 12)) {
      open.add(hour);
    }
    while (!open.isEmpty()) {
      double failed = open.remove(open.size() - 1);
      boolean rewritten = random.nextDouble() < 0.18;
      double moved = rewritten ? failed + exponential(random, 15) : Double.POSITIVE_INFINITY;
      all.add(new BadSector(failed, moved, random.nextInt(3) == 0 ? 1 : 0));
      int children = poisson(random, childrenPerSector);
      for (int i = 0; i < children; i++) {
        double child = failed + exponential(random, 30);
        if (child < untilHour) {
          open.add(child);
        }
      }
    }
    all.sort(Comparator.comparingDouble(BadSector::failedAtHour));
    sectors = List.copyOf(all);
  }

  long waiting(double hour) {
    return sectors.stream().filter(s -> s.failedAtHour() <= hour && s.movedAtHour() > hour).count();
  }

  long reallocated(double hour) {
    return sectors.stream().filter(s -> s.movedAtHour() <= hour).count();
  }

  long reportedErrors(double hour) {
    return sectors.stream()
        .filter(s -> s.failedAtHour() <= hour)
        .mapToInt(BadSector::hostReads)
        .sum();
  }

  private static double exponential(Random random, double mean) {
    return -mean * Math.log1p(-random.nextDouble());
  }

  /** Knuth's method; fine for small means. */
  private static int poisson(Random random, double mean) {
    double limit = Math.exp(-mean);
    int count = 0;
    for (double p = random.nextDouble(); p > limit; p *= random.nextDouble()) {
      count++;
    }
    return count;
  }
}

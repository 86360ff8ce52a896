package tekmerion.sim;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;

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
   * @param place where on the surface, 0 outermost to 1 innermost
   */
  private record BadSector(double failedAtHour, double movedAtHour, int hostReads, double place) {}

  private record Open(double hour, double place) {}

  /** How far a neighbour lies, as a share of the surface: particles and scratches stay near. */
  private static final double REACH = 0.004;

  /**
   * @param seed same seed, same fate
   * @param onsetHour when the first damage happens; infinity for a sound disk
   * @param childrenPerSector mean number of neighbours that one bad sector drags along, below 1
   * @param untilHour how far to simulate
   */
  Ageing(long seed, double onsetHour, double childrenPerSector, double untilHour) {
    Random random = new Random(seed);
    List<BadSector> all = new ArrayList<>();
    // Places have chance of their own, so that what happens when does not hang on where.
    Random places = new Random(seed ^ 0x5EC7);
    double[] spots = {places.nextDouble(), places.nextDouble()};
    List<Open> open = new ArrayList<>();
    for (double hour = onsetHour; hour < untilHour; hour += exponential(random, 12)) {
      open.add(new Open(hour, near(places, spots[places.nextInt(spots.length)])));
    }
    while (!open.isEmpty()) {
      Open next = open.remove(open.size() - 1);
      double failed = next.hour();
      boolean rewritten = random.nextDouble() < 0.18;
      double moved = rewritten ? failed + exponential(random, 15) : Double.POSITIVE_INFINITY;
      all.add(new BadSector(failed, moved, random.nextInt(3) == 0 ? 1 : 0, next.place()));
      int children = poisson(random, childrenPerSector);
      for (int i = 0; i < children; i++) {
        double child = failed + exponential(random, 30);
        if (child < untilHour) {
          open.add(new Open(child, near(places, next.place())));
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

  /** Sectors that cannot be read at this hour, in order; neighbours never share one. */
  TreeSet<Long> unreadable(double hour, long allSectors) {
    TreeSet<Long> waiting = new TreeSet<>();
    for (BadSector s : sectors) {
      if (s.failedAtHour() <= hour && s.movedAtHour() > hour) {
        long at = (long) (s.place() * (allSectors - sectors.size()));
        while (!waiting.add(at)) {
          at++;
        }
      }
    }
    return waiting;
  }

  private static double near(Random places, double place) {
    double moved = place + REACH * places.nextGaussian() * places.nextDouble();
    return Math.max(0, Math.min(1, moved));
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

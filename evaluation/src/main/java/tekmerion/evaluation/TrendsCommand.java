package tekmerion.evaluation;

import java.util.Random;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** How often slopes, change points and their absence are told rightly, on series of known truth. */
@Command(
    name = "trends",
    description = "Slopes and change points on simulated series of known truth.",
    mixinStandardHelpOptions = true)
public final class TrendsCommand implements Callable<Integer> {
  @Option(names = "--series", defaultValue = "2000", description = "Of each (default: 2000).")
  private int series;

  @Option(names = "--seed", defaultValue = "4", description = "Same seed, same series.")
  private long seed;

  /** Shares of one sort, or of all. */
  record Score(String sort, double covered, double found, double falseAlarms) {}

  @Override
  public Integer call() {
    System.out.printf(
        "%d series of each kind, 8 to 40 readings, seed %d%n%n%-14s %18s %22s %13s%n",
        series, seed, "", "slope in its 95 %", "change within 1", "false alarms");
    for (KnownSeries.Sort sort : KnownSeries.Sort.values()) {
      print(score(sort.name(), new KnownSeries.Sort[] {sort}, series, seed));
    }
    print(score("ALL", KnownSeries.Sort.values(), series, seed));
    return 0;
  }

  static Score score(String name, KnownSeries.Sort[] sorts, int series, long seed) {
    Random random = new Random(seed);
    int covered = 0;
    int alarms = 0;
    int found = 0;
    for (int i = 0; i < series; i++) {
      KnownSeries.Sort sort = sorts[i % sorts.length];
      KnownSeries straight = KnownSeries.straight(random, sort, 8 + random.nextInt(33));
      covered += straight.slopeFound().contains(straight.slope()) ? 1 : 0;
      alarms += straight.changeFound() >= 0 ? 1 : 0;
      KnownSeries changing = KnownSeries.changing(random, sort, 10 + random.nextInt(31));
      int at = changing.changeFound();
      found += at >= 0 && Math.abs(at - changing.change()) <= 1 ? 1 : 0;
    }
    return new Score(
        name, (double) covered / series, (double) found / series, (double) alarms / series);
  }

  private static void print(Score score) {
    System.out.printf(
        "%-14s %16.1f %% %20.1f %% %11.1f %%%n",
        score.sort(), 100 * score.covered(), 100 * score.found(), 100 * score.falseAlarms());
  }
}

package tekmerion.core.weigh;

import java.util.Arrays;
import java.util.OptionalInt;

/**
 * How what is told of a finding follows from what holds: people now and then look at something
 * else, or write another line down; and a complaint that still comes stays away while somebody
 * tries it.
 *
 * @param slip share of what is told that is any level, whatever holds
 * @param gone index of the level that says that the complaint did not come; empty if the finding
 *     does not ask for it
 * @param missed share of what would still come that stays away while it is tried
 */
record Told(double slip, OptionalInt gone, double missed) {
  /** By one whom nothing escapes. */
  static double[] surely(int level, int levels) {
    double[] told = new double[levels];
    told[level] = 1;
    return told;
  }

  /** Of each level, the probability that this one is told if it holds. */
  double[] once(int level, int levels) {
    double[] told = new double[levels];
    Arrays.fill(told, slip / levels);
    told[level] += 1 - slip;
    if (gone.isPresent()) {
      double[] seen = told.clone();
      int away = gone.getAsInt();
      // Where "it runs" is the first level only the one after it is the complaint as it was.
      int from = away == 0 ? 1 : 0;
      int to = away == 0 ? 2 : away;
      for (int holds = from; holds < to; holds++) {
        told[holds] = (1 - missed) * seen[holds] + missed * seen[away];
      }
    }
    return told;
  }

  /** The same of two that are told one after the other, by one who looks anew. */
  static double[] both(double[] one, double[] other) {
    double[] both = new double[one.length];
    Arrays.setAll(both, level -> one[level] * other[level]);
    return both;
  }
}

package tekmerion.evaluation.shop;

import java.util.SplittableRandom;
import java.util.function.Consumer;
import java.util.function.Supplier;
import picocli.CommandLine.Option;

/** What both worlds' commands let somebody look at: every wrong machine, or the way of one. */
final class Reading {
  @Option(names = "--misses", defaultValue = "15", description = "Kinds of misses to list.")
  private int misses;

  @Option(names = "--list", description = "List every machine that was judged wrongly.")
  private boolean listMachines;

  @Option(names = "--tell", description = "Tell the way of this one machine, from 0.")
  private Integer tell;

  ScoreSheet sheet() {
    return new ScoreSheet(misses, listMachines);
  }

  /** Tells the visit of the one machine that was asked for, if one was. */
  boolean tells(Visits visits) {
    if (tell == null) {
      return false;
    }
    visits.of(tell, line -> System.out.println(line.get())).run();
    return true;
  }

  /** Visits by the number of their machine. */
  interface Visits {
    Visit of(int number, Consumer<Supplier<String>> told);
  }

  /** Seeds that follow each other give a Random first numbers that do too; these are mixed. */
  static long seedOf(long seed, int machine) {
    return new SplittableRandom(seed ^ machine * 0x9E3779B97F4A7C15L).nextLong();
  }
}

package tekmerion.evaluation;

import java.util.Collection;
import java.util.concurrent.Callable;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.RunnerException;
import picocli.CommandLine.Command;

/** Pages decoded in a second on one core. */
@Command(
    name = "decode",
    description = "Pages decoded in a second on one core (JMH).",
    mixinStandardHelpOptions = true)
public final class BenchDecodeCommand implements Callable<Integer> {
  private static final double TARGET = 1e6;

  @Override
  public Integer call() throws RunnerException {
    Collection<RunResult> results = Jmh.run(DecodeBenchmark.class, 2);
    boolean met = true;
    for (RunResult result : results) {
      double perSecond = result.getPrimaryResult().getScore();
      double error = result.getPrimaryResult().getScoreError();
      System.out.printf(
          "%-12s %,12.0f pages a second, ± %,.0f%n",
          result.getPrimaryResult().getLabel(), perSecond, error);
      met &= !result.getPrimaryResult().getLabel().equals("ataSmart") || perSecond >= TARGET;
    }
    return met ? 0 : 1;
  }
}

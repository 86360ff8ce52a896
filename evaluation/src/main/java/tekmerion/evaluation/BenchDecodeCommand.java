package tekmerion.evaluation;

import java.util.Collection;
import java.util.concurrent.Callable;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;
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
    Collection<RunResult> results =
        new Runner(
                new OptionsBuilder()
                    .include(DecodeBenchmark.class.getName())
                    .threads(1)
                    .forks(2)
                    .warmupIterations(3)
                    .warmupTime(TimeValue.seconds(2))
                    .measurementIterations(5)
                    .measurementTime(TimeValue.seconds(2))
                    .verbosity(VerboseMode.SILENT)
                    .build())
            .run();
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

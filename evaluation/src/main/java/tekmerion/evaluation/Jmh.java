package tekmerion.evaluation;

import java.util.Collection;
import org.openjdk.jmh.profile.GCProfiler;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs benchmarks on one thread, warmed up, with what they allocate. */
final class Jmh {
  private Jmh() {}

  static Collection<RunResult> run(Class<?> benchmark, int forks) throws RunnerException {
    return new Runner(
            new OptionsBuilder()
                .include(benchmark.getName())
                .threads(1)
                .forks(forks)
                .warmupIterations(3)
                .warmupTime(TimeValue.seconds(2))
                .measurementIterations(5)
                .measurementTime(TimeValue.seconds(2))
                .addProfiler(GCProfiler.class)
                .verbosity(VerboseMode.SILENT)
                .build())
        .run();
  }
}

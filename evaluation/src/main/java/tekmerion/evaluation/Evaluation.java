package tekmerion.evaluation;

import java.util.Locale;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import tekmerion.evaluation.shop.LearningCommand;
import tekmerion.evaluation.shop.ShopCommand;
import tekmerion.evaluation.shop.World2Command;

/** The command line of everything that measures and judges the heart. */
@Command(
    name = "tekmerion",
    description = "Measure and judge.",
    mixinStandardHelpOptions = true,
    subcommands = {FuzzCommand.class, Evaluation.Evaluate.class, Evaluation.Bench.class})
public final class Evaluation {
  public static void main(String[] args) {
    // Sentences are English, and so are their numbers, wherever the machine comes from.
    Locale.setDefault(Locale.ENGLISH);
    System.exit(new CommandLine(new Evaluation()).execute(args));
  }

  /** Against simulated truth. */
  @Command(
      name = "evaluate",
      description = "How good it is, on simulated truth.",
      mixinStandardHelpOptions = true,
      subcommands = {
        TrendsCommand.class,
        ShopCommand.class,
        World2Command.class,
        LearningCommand.class,
        IsolationCommand.class,
        DischargeEvaluation.class
      })
  static final class Evaluate {}

  /** Speed, as ratios. */
  @Command(
      name = "bench",
      description = "Measure, print ratios.",
      mixinStandardHelpOptions = true,
      subcommands = {
        BenchSurfaceCommand.class,
        BenchDecodeCommand.class,
        BenchWeighCommand.class,
        BenchMemoryCommand.class
      })
  static final class Bench {}
}

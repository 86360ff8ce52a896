package tekmerion.launch;

import java.util.Locale;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The launcher's command line; the shell script {@code tekmerion} builds, then calls it. */
@Command(
    name = "tekmerion",
    description = "Starts Tekmerion.",
    mixinStandardHelpOptions = true,
    subcommands = {
      DemoCommand.class,
      ServeCommand.class,
      BackupCommand.class,
      RestoreCommand.class,
      CheckCommand.class,
      StickCommand.class,
      BenchCommand.class,
      ProveCommand.class
    })
public final class Launch {
  public static void main(String[] args) {
    // Sentences are English, and so are their numbers, wherever the machine comes from.
    Locale.setDefault(Locale.ENGLISH);
    CommandLine line = new CommandLine(new Launch());
    line.setExecutionExceptionHandler(
        (e, command, parsed) -> {
          if (!(e instanceof LaunchException)) {
            throw e;
          }
          System.err.println(e.getMessage());
          return 1;
        });
    System.exit(line.execute(args));
  }
}

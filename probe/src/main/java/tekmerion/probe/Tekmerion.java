package tekmerion.probe;

import java.util.Locale;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import tekmerion.probe.console.ConsoleCommand;
import tekmerion.probe.instrument.CarveCommand;
import tekmerion.probe.instrument.DecodeCommand;
import tekmerion.probe.instrument.DischargeCommand;
import tekmerion.probe.instrument.FilesCommand;
import tekmerion.probe.instrument.InstrumentErrors;
import tekmerion.probe.instrument.LoadCommand;
import tekmerion.probe.instrument.MarchCommand;
import tekmerion.probe.instrument.RescueCommand;
import tekmerion.probe.instrument.SurfaceCommand;
import tekmerion.probe.instrument.SurveyCommand;
import tekmerion.probe.instrument.TrendCommand;
import tekmerion.probe.instrument.WeighCommand;
import tekmerion.probe.link.ProbeVersion;

/** The command line of the probe and of the offline instruments. */
@Command(
    name = "tekmerion",
    description = "The probe and the offline instruments.",
    mixinStandardHelpOptions = true,
    version = ProbeVersion.CURRENT,
    subcommands = {
      ProbeCommand.class,
      DecodeCommand.class,
      WeighCommand.class,
      TrendCommand.class,
      SurfaceCommand.class,
      MarchCommand.class,
      DischargeCommand.class,
      LoadCommand.class,
      SurveyCommand.class,
      RescueCommand.class,
      FilesCommand.class,
      CarveCommand.class,
      ConsoleCommand.class
    })
public final class Tekmerion {
  public static void main(String[] args) {
    // Sentences are English, and so are their numbers, wherever the machine comes from.
    Locale.setDefault(Locale.ENGLISH);
    System.exit(commandLine().execute(args));
  }

  /** All commands, to be executed once or more often. */
  public static CommandLine commandLine() {
    InstrumentErrors errors = new InstrumentErrors();
    return new CommandLine(new Tekmerion())
        .setExecutionExceptionHandler(errors)
        .setParameterExceptionHandler(errors);
  }
}

package tekmerion.launch;

import picocli.CommandLine.Command;

/** Measurements; never part of the tests. */
@Command(
    name = "bench",
    description = "Measure, print ratios.",
    subcommands = {BenchFloorCommand.class, BenchDriveCommand.class, BenchRunsCommand.class},
    mixinStandardHelpOptions = true)
final class BenchCommand {}

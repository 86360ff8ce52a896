package tekmerion.launch;

import picocli.CommandLine.Command;

/** Heavy proofs, each on a shop of its own; smaller ones of the same kind are among the tests. */
@Command(
    name = "prove",
    description = "Long proofs of what must never happen; their results stand in docs/proofs.md.",
    subcommands = {ProveLinkCommand.class, ProveKillsCommand.class},
    mixinStandardHelpOptions = true)
final class ProveCommand {}

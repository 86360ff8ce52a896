package tekmerion.launch;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** A shop from its backup. */
@Command(
    name = "restore",
    description = "Make a shop's folder from a backup. Writes to an empty or new folder only.",
    mixinStandardHelpOptions = true)
final class RestoreCommand implements Callable<Integer> {
  @Parameters(description = "The backup.")
  private Path archive;

  @Option(
      names = "--data",
      description = "The folder to make, to be given to serve (default: .tekmerion/shop).")
  private Path data;

  @Mixin private PassphraseOption sealedTo;

  @Override
  public Integer call() {
    Path folder = ShopFolder.named(data);
    var found = new ShopFolder(folder).restore(archive, sealedTo.passphrase());
    System.out.printf(
        "Restored the shop of %s, and compared. Start it: ./tekmerion serve --data %s%n",
        found.words(), folder);
    return 0;
  }
}

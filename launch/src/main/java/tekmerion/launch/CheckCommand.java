package tekmerion.launch;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

/** Whether a backup can be restored. */
@Command(
    name = "check",
    description =
        "Restore a backup to a place of its own, compare it with what was written, and delete it again.",
    mixinStandardHelpOptions = true)
final class CheckCommand implements Callable<Integer> {
  @Parameters(description = "The backup.")
  private Path archive;

  @Mixin private PassphraseOption sealedTo;

  @Override
  public Integer call() {
    var found = ShopFolder.check(archive, sealedTo.passphrase());
    System.out.printf("Good. It holds the shop of %s.%n", found.words());
    return 0;
  }
}

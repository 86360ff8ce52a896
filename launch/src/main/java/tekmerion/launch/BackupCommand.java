package tekmerion.launch;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** A shop in one file. */
@Command(
    name = "backup",
    description = {
      "Write a shop to one sealed file: database, photos, keys, certificates. It may be in use meanwhile.",
      "The passphrase is in the file that is named, or in TEKMERION_BACKUP_PASSPHRASE."
    },
    mixinStandardHelpOptions = true)
final class BackupCommand implements Callable<Integer> {
  @Option(
      names = "--data",
      description = "Folder of the shop, as given to serve (default: .tekmerion/shop).")
  private Path data;

  @Option(names = "--out", required = true, description = "The file to write; it must not exist.")
  private Path out;

  @Mixin private PassphraseOption sealedTo;

  @Override
  public Integer call() {
    if (Files.exists(out)) {
      throw new LaunchException("%s is there already. Nothing was written.".formatted(out));
    }
    char[] secret = sealedTo.passphrase();
    var content = new ShopFolder(ShopFolder.named(data)).backUp(out, secret, System.getenv());
    System.out.printf(
        "%s holds the shop of %s, %,d files with it. Look whether it can be restored: ./tekmerion check %s%n",
        out, content.at(), content.files(), out);
    return 0;
  }
}

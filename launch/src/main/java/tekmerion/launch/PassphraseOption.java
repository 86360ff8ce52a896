package tekmerion.launch;

import java.nio.file.Path;
import picocli.CommandLine.Option;
import tekmerion.launch.backup.BackupException;
import tekmerion.launch.backup.Passphrase;

/** Where the passphrase of backups is, the same for every command. */
final class PassphraseOption {
  @Option(
      names = "--passphrase-file",
      description =
          "A file that holds the passphrase of backups (default: it is in TEKMERION_BACKUP_PASSPHRASE).")
  private Path file;

  char[] passphrase() {
    try {
      return Passphrase.of(file);
    } catch (BackupException e) {
      throw new LaunchException(e.getMessage(), e);
    }
  }
}

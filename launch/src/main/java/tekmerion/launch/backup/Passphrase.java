package tekmerion.launch.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** What a backup is sealed to. Nothing asks for it: it is in a file or in the environment. */
public final class Passphrase {
  public static final String VARIABLE = "TEKMERION_BACKUP_PASSPHRASE";
  static final int MIN_LETTERS = 12;

  private Passphrase() {}

  /**
   * @param file null if it is in the environment
   * @throws BackupException if there is none, or it is too short to keep anybody out
   */
  public static char[] of(Path file) {
    String passphrase;
    try {
      passphrase = file == null ? System.getenv(VARIABLE) : Files.readString(file).strip();
    } catch (IOException e) {
      throw new BackupException("The passphrase's file cannot be read: " + e.getMessage(), e);
    }
    if (passphrase == null) {
      throw new BackupException(
          "A backup is sealed to a passphrase. Give it in a file by --passphrase-file, or in %s."
              .formatted(VARIABLE));
    }
    if (passphrase.length() < MIN_LETTERS) {
      throw new BackupException(
          "The passphrase is too short: whoever finds a backup may try as often as they like. Take %d letters or more."
              .formatted(MIN_LETTERS));
    }
    return passphrase.toCharArray();
  }
}

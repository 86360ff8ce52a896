package tekmerion.launch.backup;

/** A backup could not be made or read; what happened and what to do, for the console. */
public final class BackupException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** What was read from the backup is not what its database holds afterwards. */
  public static BackupException restoredOtherwise(String sum, String written) {
    return new BackupException(
        "The database of this backup is another one when it is restored: its sum is %s, not %s."
            .formatted(sum, written));
  }

  BackupException(String message) {
    super(message);
  }

  BackupException(String message, Throwable cause) {
    super(message, cause);
  }
}

package tekmerion.launch.backup;

/** A backup could not be made or read; what happened and what to do, for the console. */
public final class BackupException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  BackupException(String message) {
    super(message);
  }

  BackupException(String message, Throwable cause) {
    super(message, cause);
  }
}

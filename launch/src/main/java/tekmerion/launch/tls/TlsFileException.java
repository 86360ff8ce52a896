package tekmerion.launch.tls;

/**
 * A certificate or key that cannot be made, kept or used; says which file, and what to give
 * instead.
 */
public final class TlsFileException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  TlsFileException(String message) {
    super(message);
  }

  TlsFileException(String message, Throwable cause) {
    super(message, cause);
  }
}

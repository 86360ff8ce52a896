package tekmerion.server.schema;

/** The database is as it was before, or the message says what has to be done for that. */
final class SchemaChangeException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  SchemaChangeException(String message, Throwable cause) {
    super(message, cause);
  }
}

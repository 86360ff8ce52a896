package tekmerion.link;

/** A message that breaks the rules of the bench link. The message says which rule. */
public final class LinkFormatException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public LinkFormatException(String message) {
    super(message);
  }

  public LinkFormatException(String message, Throwable cause) {
    super(message, cause);
  }
}

package tekmerion.link.stick;

import java.io.IOException;

/** There is no room for one more capture; those that are there stay. */
public final class StoreFullException extends IOException {
  private static final long serialVersionUID = 1L;

  private final int kept;

  StoreFullException(int kept) {
    super("the store is full with %d captures".formatted(kept));
    this.kept = kept;
  }

  /** How many are in it. */
  public int kept() {
    return kept;
  }
}

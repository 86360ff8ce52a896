package tekmerion.core.permit;

import java.util.Optional;

/** Whether something may be done. A lock always says why, and the one thing that opens it. */
public sealed interface Permission {
  record Open() implements Permission {}

  /**
   * @param lock which rule locks it
   * @param reason in a sentence
   * @param opens the one thing that opens it, in a sentence
   */
  record Locked(Lock lock, String reason, String opens) implements Permission {}

  Permission OPEN = new Open();

  default boolean isOpen() {
    return this instanceof Open;
  }

  default Optional<Locked> locked() {
    return this instanceof Locked locked ? Optional.of(locked) : Optional.empty();
  }
}

package tekmerion.core.survey;

import java.util.Optional;

/**
 * A piece that is not as its own checks want it.
 *
 * @param what in a sentence
 * @param offset of its first byte on the source
 * @param length in bytes
 * @param backupOffset where an intact copy lies; empty if there is none
 */
public record Damage(String what, long offset, int length, Optional<Long> backupOffset) {
  /** Whether it can be put back from its copy. */
  public boolean canBeMended() {
    return backupOffset.isPresent();
  }
}

package tekmerion.link;

import static tekmerion.words.Words.say;

/**
 * A drive that was written over with zeros, and what was read back of it.
 *
 * @param phase what it does now, in words
 * @param writtenBytes that the drive took
 * @param refusedBytes that it did not take
 * @param lookedAt places of 4,096 bytes that were read back
 * @param notZero how many of them are not all zero
 * @param unreadable how many could not be read back
 * @param notErasedAtMost share of the drive that is not erased at most, with 95 % confidence; null
 *     before it was read back
 */
public record EraseResult(
    String phase,
    long sizeBytes,
    long writtenBytes,
    long refusedBytes,
    int lookedAt,
    int notZero,
    int unreadable,
    Double notErasedAtMost)
    implements RunResult {
  public EraseResult {
    phase = RunResult.checked(phase);
    RunResult.check(
        sizeBytes > 0
            && writtenBytes >= 0
            && refusedBytes >= 0
            && writtenBytes + refusedBytes <= sizeBytes
            && notZero >= 0
            && unreadable >= 0
            && notZero + unreadable <= lookedAt,
        "erase");
  }

  /** All of it was taken, and nothing else was found. */
  public boolean allZero() {
    return refusedBytes == 0
        && writtenBytes == sizeBytes
        && lookedAt > 0
        && notZero + unreadable == 0;
  }

  @Override
  public String outcome() {
    return allZero() ? say("link.all-of-it-is-zero") : say("link.not-all-of-it-is-erased");
  }
}

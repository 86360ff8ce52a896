package tekmerion.core.mend;

import java.util.Arrays;

/**
 * One stretch that is put back.
 *
 * @param what was found wrong there, in a sentence
 * @param offset of its first byte on the source; at the beginning of a sector
 * @param before what stands there now, whole sectors
 * @param after what is to stand there, as long
 */
public record Piece(String what, long offset, byte[] before, byte[] after) {
  public Piece {
    if (before.length != after.length || before.length == 0) {
      throw new IllegalArgumentException(
          "a piece of %d bytes for one of %d".formatted(after.length, before.length));
    }
    before = before.clone();
    after = after.clone();
  }

  @Override
  public byte[] before() {
    return before.clone();
  }

  @Override
  public byte[] after() {
    return after.clone();
  }

  /** What would take it back. */
  public Piece back() {
    return new Piece(what, offset, after, before);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Piece p
        && what.equals(p.what)
        && offset == p.offset
        && Arrays.equals(before, p.before)
        && Arrays.equals(after, p.after);
  }

  @Override
  public int hashCode() {
    return Long.hashCode(offset) ^ Arrays.hashCode(after);
  }
}

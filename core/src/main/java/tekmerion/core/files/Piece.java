package tekmerion.core.files;

/**
 * A stretch of a file, in the file's order.
 *
 * @param offset of its first byte on the source; {@link #HOLE} for a stretch that is all zero and
 *     lies nowhere
 * @param bytes positive
 */
public record Piece(long offset, long bytes) {
  public static final long HOLE = -1;

  public Piece {
    if (bytes <= 0 || offset < HOLE) {
      throw new IllegalArgumentException("piece of %d bytes at %d".formatted(bytes, offset));
    }
  }

  public boolean isHole() {
    return offset == HOLE;
  }
}

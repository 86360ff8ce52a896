package tekmerion.core.files;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tekmerion.core.page.RawPage;

/**
 * A file or folder as its volume describes it.
 *
 * @param path from the volume's root, with slashes, without one in front; what hangs nowhere any
 *     more is under {@value FileList#FOUND}
 * @param bytes its length; 0 for a folder
 * @param modified as the volume has it; FAT and exFAT keep the local time of whoever wrote, which
 *     stands here as if it were UTC
 * @param pieces where it lies, together as long as it is, unless {@code trouble} says otherwise
 * @param inside its content, if it is kept within the volume's own records
 * @param trouble why what is copied may not be what it was; empty if nothing speaks against it
 */
public record FoundFile(
    String path,
    boolean folder,
    long bytes,
    Optional<Instant> modified,
    List<Piece> pieces,
    Optional<RawPage> inside,
    Optional<String> trouble) {
  public FoundFile {
    pieces = List.copyOf(pieces);
  }

  static FoundFile folder(String path, Optional<Instant> modified) {
    return new FoundFile(path, true, 0, modified, List.of(), Optional.empty(), Optional.empty());
  }

  /** The same under another path. */
  FoundFile at(String otherPath) {
    return new FoundFile(otherPath, folder, bytes, modified, pieces, inside, trouble);
  }

  /** Pieces cut or filled up with nothing, so that together they are {@code bytes} long. */
  static List<Piece> cut(List<Piece> pieces, long bytes) {
    List<Piece> cut = new ArrayList<>();
    long left = bytes;
    for (Piece piece : pieces) {
      if (left <= 0) {
        break;
      }
      cut.add(new Piece(piece.offset(), Math.min(left, piece.bytes())));
      left -= piece.bytes();
    }
    return cut;
  }

  /** Adds a stretch; joined with the last one if it lies right behind it. */
  static void append(List<Piece> pieces, long offset, long bytes) {
    if (!pieces.isEmpty()) {
      Piece last = pieces.get(pieces.size() - 1);
      boolean behind =
          last.isHole() ? offset == Piece.HOLE : offset == last.offset() + last.bytes();
      if (behind) {
        pieces.set(pieces.size() - 1, new Piece(last.offset(), last.bytes() + bytes));
        return;
      }
    }
    pieces.add(new Piece(offset, bytes));
  }
}

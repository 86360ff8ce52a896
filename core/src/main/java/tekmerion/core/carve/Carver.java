package tekmerion.core.carve;

import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import tekmerion.core.port.ByteSource;

/**
 * Looks at the beginning of every sector for a file whose whole structure holds. Files that lie in
 * several pieces do not, and are not found.
 */
public final class Carver {
  private static final int SECTOR = 512;

  private static final List<Structure> STRUCTURES =
      List.of(Pictures::jpeg, Pictures::png, Documents::pdf, Documents::zip, Documents::sqlite);

  private Carver() {}

  /** A sort of file. */
  interface Structure {
    /** Empty if none begins here, or it does not hold. */
    Optional<Carved> at(Bytes bytes, long offset);
  }

  /**
   * @param told of every file that was found, in order of place
   * @return whether it came to its end
   */
  public static boolean run(ByteSource source, Consumer<Carved> told, BooleanSupplier stopped) {
    return run(source, 0, source.sizeBytes(), told, at -> stopped.getAsBoolean());
  }

  /**
   * Files that begin within a stretch.
   *
   * @param stopped asked of every place; true ends it
   */
  public static boolean run(
      ByteSource source, long from, long to, Consumer<Carved> told, LongPredicate stopped) {
    Bytes bytes = new Bytes(source);
    for (long at = from; at < to; ) {
      if (stopped.test(at)) {
        return false;
      }
      Optional<Carved> found = at(bytes, at);
      found.ifPresent(told);
      // What is within a file is part of it, not a file of its own.
      long next = at + found.map(Carved::bytes).orElse(1L);
      at = (next + SECTOR - 1) / SECTOR * SECTOR;
    }
    return true;
  }

  private static Optional<Carved> at(Bytes bytes, long offset) {
    for (Structure structure : STRUCTURES) {
      Optional<Carved> found = structure.at(bytes, offset);
      if (found.isPresent()) {
        return found;
      }
    }
    return Optional.empty();
  }
}

package tekmerion.core.replace;

import java.util.Optional;

/** How far the part that a job needs has come. */
public enum Supply {
  NEEDED,
  /** From a supplier, and not here yet. */
  ORDERED,
  /** Set aside for this job. */
  HERE;

  /** Something that happened to it. */
  public enum Happened {
    ORDERED,
    CAME,
    CALLED_OFF,
    TAKEN_FROM_STOCK,
    PUT_BACK
  }

  /** What it is after that; empty if that cannot happen to it as it is. */
  public Optional<Supply> after(Happened what) {
    Supply from =
        switch (what) {
          case ORDERED, TAKEN_FROM_STOCK -> NEEDED;
          case CAME, CALLED_OFF -> ORDERED;
          case PUT_BACK -> HERE;
        };
    if (this != from) {
      return Optional.empty();
    }
    return Optional.of(
        switch (what) {
          case ORDERED -> ORDERED;
          case CAME, TAKEN_FROM_STOCK -> HERE;
          case CALLED_OFF, PUT_BACK -> NEEDED;
        });
  }
}

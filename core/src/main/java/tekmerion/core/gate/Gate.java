package tekmerion.core.gate;

import java.util.Optional;
import tekmerion.core.gate.GateAnswer.Locked;
import tekmerion.core.gate.GateAnswer.Open;

/** The rules. The server asks them before it keeps or sends anything; the probe asks them again. */
public final class Gate {
  private Gate() {}

  /** Nothing of touch 4 or 5 on a drive whose data is neither copied and verified nor given up. */
  public static GateAnswer ofData(Touch touch, Stance stance) {
    if (!touch.endangersData() || stance.allowsWriting()) {
      return new Open();
    }
    return new Locked(
        "It %s, and the data on the drive is %s."
            .formatted(touch == Touch.ERASES ? "erases" : "writes to the drive", stance.words()),
        switch (stance) {
          case COPIED -> "Opens when the copy is verified.";
          case WANTED -> "Opens when a copy is verified, or the owner signs that it is not wanted.";
          default -> "Opens when the owner signs that it is not wanted, or a copy is verified.";
        });
  }

  /**
   * No run that loads a drive for hours on one that is failing by a decisive sign, before its data
   * is safe. A gentle sample stays open.
   *
   * @param stressing whether the run reads the whole drive
   * @param decisive why the drive is failing for sure; empty if nothing says so
   */
  public static GateAnswer ofStress(boolean stressing, Optional<String> decisive, Stance stance) {
    if (!stressing || decisive.isEmpty() || stance.allowsWriting()) {
      return new Open();
    }
    return new Locked(
        "It loads a drive that is failing: %s The data on it is %s."
            .formatted(decisive.get(), stance.words()),
        "Opens when a copy is verified, or the owner signs that it is not wanted. A gentle sample is"
            + " open.");
  }
}

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

  /** No part is replaced on one failed pass: its cable, slot or socket fails the same way. */
  public static GateAnswer ofReplacing(Suspicion suspicion) {
    return suspicion == Suspicion.ONE_FINDING
        ? new Locked(
            "It rests on one finding, which may be its neighbour's.",
            "Opens when it was tried elsewhere, or another in its place, or a second finding"
                + " agrees.")
        : new Open();
  }

  /**
   * Nothing goes back as mended before that was shown, unless its owner signs for it.
   *
   * @param signed whether the owner signed to take it without proof
   */
  public static GateAnswer ofHandBack(Proven proven, boolean signed) {
    if (signed) {
      return new Open();
    }
    return switch (proven) {
      case NOT_NEEDED, DONE -> new Open();
      case UNFINISHED ->
          new Locked(
              "It is not shown yet that the complaint is gone.",
              "Opens when it ran clean often enough, or the owner signs to take it without proof.");
      case FAILED ->
          new Locked(
              "It failed again after it was mended.",
              "Opens when it ran clean often enough since, after another ruling if need be, or the"
                  + " owner signs to take it as it is.");
    };
  }

  /**
   * A pack that is unsafe is neither loaded nor charged, whatever else a run would tell.
   *
   * @param unsafe why it is, in a sentence; empty if nothing says so
   */
  public static GateAnswer ofBattery(Optional<String> unsafe) {
    return unsafe.isEmpty()
        ? new Open()
        : new Locked(
            unsafe.get(),
            "Never opens for this pack: take it out and keep it away from what burns.");
  }
}

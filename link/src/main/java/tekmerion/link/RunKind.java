package tekmerion.link;

import java.util.Optional;
import tekmerion.core.permit.Effects;
import tekmerion.core.permit.Load;
import tekmerion.core.permit.Touch;

/** The runs that a probe knows. */
public enum RunKind {
  SURFACE,
  SURFACE_SAMPLED,
  SELF_TEST_SHORT,
  SELF_TEST_EXTENDED,
  SELF_TEST_CONVEYANCE,
  /** Of all memory that can be had: the algorithms that take minutes. */
  MARCH,
  /** The thorough ones too, over and over. */
  MARCH_LONG,
  /** The battery, under a load that the machine makes, until it switches off. */
  DISCHARGE,
  /** The battery with the adapter in, first at rest, then under load. */
  CHARGE,
  /** The machine at its usual work. */
  LOAD_SAMPLE,
  /** What is on a drive, and why it cannot be opened. */
  SURVEY,
  /** An image of what is in use on a drive that may be failing. */
  RESCUE_IN_USE,
  /** An image of all of it. */
  RESCUE_WHOLE,
  /** Reads an image again and compares it with what was read of its drive. */
  VERIFY_IMAGE,
  /** Copies files out of a drive, or out of its image; each is read again. */
  FILE_COPY,
  /** Looks through an image for files by their content, and copies them. */
  CARVE,
  /** Writes all of a drive over with zeros; only with a release. */
  ERASE,
  /** Writes the copies of a drive over and deletes them. */
  ERASE_COPY,
  /** Puts damaged boot sectors and tables back from their copies; only with a release. */
  MEND,
  /** Takes the last mending back; only with a release. */
  TAKE_BACK;

  /** Key of the board with its memory. */
  public static final String BOARD = "board";

  public static final String BATTERY = "battery";

  /** Whether it is a drive that it runs on. */
  public boolean isOfDrive() {
    return partKey().isEmpty();
  }

  /** Of what a machine has only one of; empty for drives. */
  public Optional<String> partKey() {
    return switch (this) {
      case MARCH, MARCH_LONG, LOAD_SAMPLE -> Optional.of(BOARD);
      case DISCHARGE, CHARGE -> Optional.of(BATTERY);
      default -> Optional.empty();
    };
  }

  /** What can be left and gone on with later. */
  public boolean canPause() {
    return isSurface() || isRescue();
  }

  public boolean isRescue() {
    return this == RESCUE_IN_USE || this == RESCUE_WHOLE;
  }

  /** What writes into the job's folder of copies, or reads from there. */
  public boolean isCopy() {
    return isRescue()
        || this == VERIFY_IMAGE
        || this == FILE_COPY
        || this == CARVE
        || this == ERASE_COPY
        || mends();
  }

  /** What writes a few sectors, and keeps what stood there. */
  public boolean mends() {
    return this == MEND || this == TAKE_BACK;
  }

  /** What is done about the data on a drive, and what that needs to know first. */
  public boolean isOfData() {
    return isCopy() || this == SURVEY || this == ERASE;
  }

  public boolean isSurface() {
    return this == SURFACE || this == SURFACE_SAMPLED;
  }

  /** Whether what came of a run is of its kind; a run that found nothing has none of them. */
  public boolean fits(SurfaceNote surface, LinkEvent.SelfTestNote selfTest, PartFinding found) {
    return (surface == null || isSurface())
        && (selfTest == null || isSelfTest())
        && (found == null || finding().map(type -> type.isInstance(found)).orElse(false));
  }

  public boolean isSelfTest() {
    return this == SELF_TEST_SHORT || this == SELF_TEST_EXTENDED || this == SELF_TEST_CONVEYANCE;
  }

  private Optional<Class<? extends PartFinding>> finding() {
    return switch (this) {
      case MARCH, MARCH_LONG -> Optional.of(PartFinding.MarchFinding.class);
      case DISCHARGE -> Optional.of(PartFinding.DischargeFinding.class);
      case CHARGE -> Optional.of(PartFinding.ChargeFinding.class);
      case LOAD_SAMPLE -> Optional.of(PartFinding.LoadFinding.class);
      case SURVEY -> Optional.of(SurveyFinding.class);
      case RESCUE_IN_USE, RESCUE_WHOLE, VERIFY_IMAGE -> Optional.of(RescueFinding.class);
      case FILE_COPY -> Optional.of(FilesFinding.class);
      case CARVE -> Optional.of(CarveFinding.class);
      case ERASE -> Optional.of(EraseFinding.class);
      case ERASE_COPY -> Optional.of(CopyErasedFinding.class);
      case MEND, TAKE_BACK -> Optional.of(MendFinding.class);
      default -> Optional.empty();
    };
  }

  /** All that its permission depends on. */
  public Effects effects() {
    return switch (this) {
      case SURFACE, SELF_TEST_EXTENDED -> Effects.of(Touch.LOOKS_ONLY, Load.DRIVE);
      case MARCH, MARCH_LONG -> Effects.of(Touch.LOOKS_ONLY, Load.MACHINE);
      case DISCHARGE, CHARGE -> Effects.of(Touch.LOOKS_ONLY, Load.BATTERY, Load.MACHINE);
      case ERASE -> Effects.of(Touch.ERASES);
      case MEND, TAKE_BACK -> Effects.of(Touch.WRITES_TO_DRIVE);
      default -> Effects.of(Touch.LOOKS_ONLY);
    };
  }

  /** Whether the probe must ask for a release before it writes or deletes anything. */
  public boolean needsRelease() {
    return this == ERASE || this == ERASE_COPY || mends();
  }
}

package tekmerion.link;

import static tekmerion.link.RunKind.Trait.ABOUT_DATA;
import static tekmerion.link.RunKind.Trait.MAKES_COPIES;
import static tekmerion.link.RunKind.Trait.MENDS;
import static tekmerion.link.RunKind.Trait.NEEDS_RELEASE;
import static tekmerion.link.RunKind.Trait.PAUSES;
import static tekmerion.link.RunKind.Trait.USES_COPIES;

import java.util.Optional;
import java.util.Set;
import tekmerion.core.permit.Effects;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.Load;

/** The runs that a probe knows: each is described here, and nowhere else. */
public enum RunKind {
  SURFACE_SCAN(Target.DRIVE, SurfaceScanResult.class, looksOnly(Load.DRIVE), PAUSES),
  SURFACE_SAMPLE(Target.DRIVE, SurfaceScanResult.class, looksOnly(), PAUSES),
  SELF_TEST_SHORT(Target.DRIVE, SelfTestResult.class, looksOnly()),
  SELF_TEST_EXTENDED(Target.DRIVE, SelfTestResult.class, looksOnly(Load.DRIVE)),
  SELF_TEST_CONVEYANCE(Target.DRIVE, SelfTestResult.class, looksOnly()),
  /** Of all memory that can be had: the algorithms that take minutes. */
  MEMORY_TEST(Target.BOARD, MemoryTestResult.class, looksOnly(Load.MACHINE)),
  /** The thorough ones too, over and over. */
  MEMORY_TEST_LONG(Target.BOARD, MemoryTestResult.class, looksOnly(Load.MACHINE)),
  /** The battery, under a load that the machine makes, until it switches off. */
  DISCHARGE(Target.BATTERY, DischargeResult.class, looksOnly(Load.BATTERY, Load.MACHINE)),
  /** The battery with the adapter in, first at rest, then under load. */
  CHARGE(Target.BATTERY, ChargeResult.class, looksOnly(Load.BATTERY, Load.MACHINE)),
  /** The machine at its usual work. */
  LOAD_SAMPLE(Target.BOARD, LoadResult.class, looksOnly()),
  /** What is on a drive, and why it cannot be opened. */
  SURVEY(Target.DRIVE, SurveyResult.class, looksOnly(), ABOUT_DATA),
  /** An image of what is in use on a drive that may be failing. */
  RESCUE_IN_USE(
      Target.DRIVE, RescueResult.class, looksOnly(), PAUSES, ABOUT_DATA, USES_COPIES, MAKES_COPIES),
  /** An image of all of it. */
  RESCUE_WHOLE(
      Target.DRIVE, RescueResult.class, looksOnly(), PAUSES, ABOUT_DATA, USES_COPIES, MAKES_COPIES),
  /** Reads an image again and compares it with what was read of its drive. */
  VERIFY_IMAGE(Target.DRIVE, RescueResult.class, looksOnly(), ABOUT_DATA, USES_COPIES),
  /** Copies files out of a drive, or out of its image; each is read again. */
  FILE_COPY(Target.DRIVE, FileCopyResult.class, looksOnly(), ABOUT_DATA, USES_COPIES, MAKES_COPIES),
  /** Looks through an image for files by their content, and copies them. */
  CARVE(Target.DRIVE, CarveResult.class, looksOnly(), ABOUT_DATA, USES_COPIES, MAKES_COPIES),
  /** Writes all of a drive over with zeros. */
  ERASE(
      Target.DRIVE, EraseResult.class, Effects.of(Invasiveness.ERASES), ABOUT_DATA, NEEDS_RELEASE),
  /** Writes the copies of a drive over and deletes them. */
  ERASE_COPY(
      Target.DRIVE, CopyErasedResult.class, looksOnly(), ABOUT_DATA, USES_COPIES, NEEDS_RELEASE),
  /** Puts damaged boot sectors and tables back from their copies. */
  MEND(
      Target.DRIVE,
      MendResult.class,
      Effects.of(Invasiveness.WRITES_TO_DRIVE),
      ABOUT_DATA,
      USES_COPIES,
      NEEDS_RELEASE,
      MENDS),
  /** Takes the last mending back. */
  TAKE_BACK(
      Target.DRIVE,
      MendResult.class,
      Effects.of(Invasiveness.WRITES_TO_DRIVE),
      ABOUT_DATA,
      USES_COPIES,
      NEEDS_RELEASE,
      MENDS);

  /** Key of the board with its memory. */
  public static final String BOARD = "board";

  public static final String BATTERY = "battery";

  /** What it runs on. */
  public enum Target {
    DRIVE,
    BOARD,
    BATTERY
  }

  enum Trait {
    /** Can be left, and gone on with later. */
    PAUSES,
    /** Is done about the data on a drive; what is on it decides whether it may be. */
    ABOUT_DATA,
    /** Writes into the job's folder of copies, or reads from there. */
    USES_COPIES,
    /** What it finds lies in that folder afterwards: the owner's data. */
    MAKES_COPIES,
    /** The probe asks for a release before it writes or deletes anything. */
    NEEDS_RELEASE,
    /** Writes a few sectors, and keeps what stood there. */
    MENDS
  }

  private final Target target;
  private final Class<? extends RunResult> result;
  private final Effects effects;
  private final Set<Trait> traits;

  RunKind(Target target, Class<? extends RunResult> result, Effects effects, Trait... traits) {
    this.target = target;
    this.result = result;
    this.effects = effects;
    this.traits = Set.of(traits);
  }

  private static Effects looksOnly(Load... loads) {
    return Effects.of(Invasiveness.LOOKS_ONLY, loads);
  }

  /** All that its permission depends on. */
  public Effects effects() {
    return effects;
  }

  public boolean isOfDrive() {
    return target == Target.DRIVE;
  }

  /** Of what a machine has only one of; empty for drives. */
  public Optional<String> partKey() {
    return switch (target) {
      case DRIVE -> Optional.empty();
      case BOARD -> Optional.of(BOARD);
      case BATTERY -> Optional.of(BATTERY);
    };
  }

  public boolean canPause() {
    return traits.contains(PAUSES);
  }

  public boolean isAboutData() {
    return traits.contains(ABOUT_DATA);
  }

  public boolean usesCopies() {
    return traits.contains(USES_COPIES);
  }

  public boolean makesCopies() {
    return traits.contains(MAKES_COPIES);
  }

  /** Whether it tells or changes what is on a drive, for whoever asks of it in any job. */
  public boolean isAboutContent() {
    return this == SURVEY || isOfDrive() && effects.invasiveness().endangersData();
  }

  public boolean needsRelease() {
    return traits.contains(NEEDS_RELEASE);
  }

  public boolean mends() {
    return traits.contains(MENDS);
  }

  public boolean isRescue() {
    return this == RESCUE_IN_USE || this == RESCUE_WHOLE;
  }

  public boolean isSurfaceScan() {
    return result == SurfaceScanResult.class;
  }

  public boolean isSelfTest() {
    return result == SelfTestResult.class;
  }

  /**
   * Whether such a run finds that.
   *
   * @param found null if it found nothing: any run may
   */
  public boolean finds(RunResult found) {
    return found == null || result.isInstance(found);
  }
}

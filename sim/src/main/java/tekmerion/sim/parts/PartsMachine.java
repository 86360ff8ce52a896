package tekmerion.sim.parts;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import tekmerion.sim.ShopDrive;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Rung;

/** A customer's machine made of parts, as a shop meets it: told of, tried, measured and mended. */
public final class PartsMachine {
  /** Minutes of one try in the shop, and tries until somebody says that it is gone for good. */
  private static final double TRY_MINUTES = 30;

  private static final int PROOF = 24;

  private final List<Origin> origins;
  private final Set<Complaint> complaints;
  private final Random random;
  private final Told told;
  private final State asItCame;
  private final State state;

  PartsMachine(List<Origin> origins, Set<Complaint> complaints, State state, Random random) {
    this.origins = List.copyOf(origins);
    this.complaints = EnumSet.copyOf(complaints);
    this.state = state;
    this.asItCame = state.copy();
    this.random = random;
    this.told = new Told(state.copy(), this.complaints, random);
  }

  /** What befell it, noticed or not. */
  public List<Origin> origins() {
    return origins;
  }

  /** What its owner came with. */
  public Set<Complaint> complaints() {
    return complaints;
  }

  /** Causes of the know-how that it came in with, noticed or not. */
  public Set<String> causes() {
    Set<String> causes = new LinkedHashSet<>();
    origins.stream().map(Origin::cause).filter(cause -> !cause.isEmpty()).forEach(causes::add);
    if (origins.contains(Origin.SPILL) && !asItCame.chargerWorks) {
      causes.add(Origin.CHARGER_DIED.cause());
    }
    if (asItCame.orderWrong) {
      causes.add(Origin.ORDER_CHANGED.cause()); // also by an empty coin cell
    }
    if (asItCame.driveGoing()) {
      causes.add(Origin.SURFACE_WORE.cause());
    }
    if (asItCame.laptop && asItCame.packShare < 0.55) {
      causes.add(Origin.CELLS_AGED.cause());
    }
    return causes;
  }

  /** Whether nothing in the machine brings the complaint. */
  public boolean isElsewhere() {
    return origins.stream().allMatch(origin -> origin.cause().isEmpty());
  }

  /** Ids of options that the owner chooses; empty if there is nothing to say. */
  public Optional<List<String>> answer(String question) {
    return told.answer(question);
  }

  /** What is said in passing: level by finding. */
  public Map<String, String> heard() {
    return told.heard();
  }

  /** How far a start gets, this time. */
  public Rung start() {
    return use().trial(Set.of(Swap.IN_THE_SHOP), 1).reached();
  }

  /**
   * What somebody sees who makes this move: level by finding, empty if it told nothing or could not
   * be done.
   *
   * @throws IllegalArgumentException if nobody knows how to make it
   */
  public Map<String, String> make(String move) {
    Hands hands = new Hands(this);
    boolean known =
        new DriveHands(hands).make(move)
            || new PowerHands(hands).make(move)
            || new MemoryHands(hands).make(move)
            || new SystemHands(hands).make(move);
    if (!known) {
      throw new IllegalArgumentException("nobody in the second world can make the move " + move);
    }
    return new LinkedHashMap<>(hands.seen());
  }

  /** Whether the complaint is still met after the remedy, looked for at length. */
  public boolean remedied(String remedy) {
    new Mend(state, random).by(remedy);
    return isStillMet();
  }

  /** Whether the complaint is met in a day of tries. */
  public boolean isStillMet() {
    for (int i = 0; i < PROOF; i++) {
      if (shows(use().trial(EnumSet.noneOf(Swap.class), TRY_MINUTES))) {
        return true;
      }
    }
    return false;
  }

  /** The same machine as it is now, to try something on it. */
  public PartsMachine copy() {
    return new PartsMachine(origins, complaints, state.copy(), new Random(random.nextLong()));
  }

  public boolean isLaptop() {
    return state.laptop;
  }

  public boolean isDataWanted() {
    return state.dataWanted;
  }

  /** Whether its drive may die under work. */
  public boolean isDriveGoing() {
    return state.driveGoing();
  }

  public boolean isDriveClicking() {
    return state.drive.health() == ShopDrive.Health.HEADS || state.stuckMotor;
  }

  public boolean isSwollen() {
    return state.swellingMm > 1;
  }

  /**
   * The drive, if it says anything of itself this time; some outside cases pass nothing on although
   * the drive answers.
   *
   * @param seen where it is noted whether it answered
   */
  public Optional<ShopDrive> driveSpeaks(Map<String, String> seen) {
    Hands hands = new Hands(this);
    boolean answers = hands.driveAnswers();
    seen.putAll(hands.seen());
    boolean passes = !state.outside || random.nextDouble() > 0.12;
    return passes && answers ? Optional.of(state.drive) : Optional.empty();
  }

  State state() {
    return state;
  }

  Random random() {
    return random;
  }

  Use use() {
    return new Use(state, random);
  }

  /** Whether it shows in a try of the machine as it came. */
  boolean showedBefore() {
    Set<Swap> how = EnumSet.of(Swap.IN_THE_SHOP);
    return shows(new Use(asItCame, random).trial(how, TRY_MINUTES));
  }

  /** Whether this try shows what the owner came with. */
  boolean shows(Trial trial) {
    return shows(complaints, trial);
  }

  /** Of starts that end in many ways one is as good as another; a dead machine is dead. */
  static boolean shows(Set<Complaint> complaints, Trial trial) {
    return complaints.stream()
        .anyMatch(
            complaint ->
                switch (complaint) {
                  case MOUNT_FAILURE, RESTART_LOOP ->
                      trial.reached().compareTo(Rung.LIMITED) < 0
                          || trial.symptoms().contains(complaint);
                  default -> trial.symptoms().contains(complaint);
                });
  }
}

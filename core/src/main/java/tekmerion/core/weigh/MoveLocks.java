package tekmerion.core.weigh;

import java.util.Optional;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.Load;
import tekmerion.core.permit.Lock;
import tekmerion.core.permit.Permission;
import tekmerion.core.weigh.Weighing.Part;
import tekmerion.core.words.Sentences;

/** Why a move cannot be made now, and what would open it. */
final class MoveLocks {
  private static final String SHAPE = "battery.shape";
  private static final String SOUND = "drive.sound";

  private final KnowHow knowHow;
  private final Network network;
  private final Posterior faults;
  private final NextMoves.Situation at;

  MoveLocks(KnowHow knowHow, Network network, Posterior faults, NextMoves.Situation at) {
    this.knowHow = knowHow;
    this.network = network;
    this.faults = faults;
    this.at = at;
  }

  /** Empty if it can be made. */
  Optional<Permission.Locked> lock(Move move, Part part) {
    if (bootStage().isPresent() && rungs(bootStage().get()) < rungs(move.bootStage())) {
      return Optional.of(
          new Permission.Locked(
              Lock.DOES_NOT_START_SO_FAR,
              "The machine does not get that far: it needs %s."
                  .formatted(bootStageWords(move.bootStage())),
              move.detours().isEmpty()
                  ? "Opens when it gets there."
                  : "Detour: %s.".formatted(detourNames(move, part))));
    }
    Optional<Permission.Locked> unseen = notLookedYet(move, part);
    if (unseen.isPresent()) {
      return unseen;
    }
    Optional<Permission.Locked> locked =
        at.permissions().of(new Action.Make(move.effects(), part.key())).locked();
    if (locked.isPresent()) {
      return locked;
    }
    if (move.presupposes().contains(Move.Presupposed.COPY) && !at.data().allowsWriting()) {
      return Optional.of(
          new Permission.Locked(
              Lock.DATA_NOT_SAFE,
              "It presupposes that nothing can be lost, and the data on the drive is %s."
                  .formatted(at.data().words()),
              "Opens when a copy is verified, or the owner signs that it is not wanted."));
    }
    if (move.presupposes().contains(Move.Presupposed.HARDWARE)) {
      Optional<Permission.Locked> suspect = Ladder.hardwareLock(network, faults);
      if (suspect.isPresent()) {
        return suspect;
      }
    }
    if (move.by() != null && !at.probe()) {
      return Optional.of(
          new Permission.Locked(
              Lock.NEEDS_PROBE,
              "Only a probe can do it.",
              "Opens when it sits in a bay with a probe."));
    }
    return Optional.empty();
  }

  /**
   * The finding that has to be known before a move, if it is not. A pack that nobody has looked at
   * is not loaded, and a drive that its owner heard click is not copied before somebody has
   * listened: an hour at full speed may be its last.
   */
  Optional<String> looksFirst(Move move, Part part) {
    boolean hasPack = network.machineKind().map("laptop"::equals).orElse(false);
    if (move.effects().loads().contains(Load.BATTERY)
        && hasPack
        && network.level(SHAPE).isEmpty()) {
      return Optional.of(SHAPE);
    }
    boolean clicked = network.level("noise.clicks").filter("clicks"::equals).isPresent();
    return move.act() == Move.Act.COPY && clicked && network.level(SOUND, part.key()).isEmpty()
        ? Optional.of(SOUND)
        : Optional.empty();
  }

  private Optional<Permission.Locked> notLookedYet(Move move, Part part) {
    return looksFirst(move, part)
        .map(
            finding ->
                finding.equals(SHAPE)
                    ? new Permission.Locked(
                        Lock.BATTERY_UNSAFE,
                        "Nobody has looked at the battery yet, and a swollen one must not be loaded.",
                        "Opens when its shape was seen.")
                    : new Permission.Locked(
                        Lock.DRIVE_FAILING,
                        "Its owner heard clicks, and nobody has listened to it yet.",
                        "Opens when somebody has listened to the drive."));
  }

  private String detourNames(Move move, Part part) {
    return String.join(
        " or ",
        move.detours().stream()
            .map(id -> Sentences.lowerFirst(knowHow.move(id).orElseThrow().named(part.name())))
            .toList());
  }

  /** Whether it makes sense where the machine gets that far: not beyond what the move is for. */
  boolean isWithin(Move move) {
    return bootStage().map(at -> rungs(at) <= rungs(move.upTo())).orElse(true);
  }

  /** Whether it starts no program: its drive has to be docked elsewhere to be asked. */
  boolean startsNothing() {
    return bootStage().map(r -> rungs(r) < rungs("firmware")).orElse(false);
  }

  private Optional<String> bootStage() {
    return network.level("boot-stage", Finding.MACHINE);
  }

  private static String bootStageWords(String level) {
    return switch (level) {
      case "desktop" -> "the desktop";
      case "limited" -> "a limited start";
      case "recovery" -> "the recovery choices";
      case "loader" -> "the loader";
      case "firmware" -> "its firmware";
      case "picture" -> "a picture";
      default -> "power";
    };
  }

  /** From 0, nothing, up to the desktop. */
  private int rungs(String level) {
    Optional<FindingKind> bootStage = knowHow.finding("boot-stage");
    return bootStage
        .map(kind -> kind.levels().size() - 1 - kind.levelIndex(level).orElse(0))
        .orElse(0);
  }
}

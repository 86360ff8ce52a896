package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.Optional;
import java.util.Set;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.Hazard;
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
              say(
                  "weigh.the-machine-does-not-get-that",
                  "bootStageWords",
                  bootStageWords(move.bootStage())),
              move.detours().isEmpty()
                  ? say("weigh.opens-when-it-gets-there")
                  : say("weigh.detour", "detourNames", detourNames(move, part))));
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
              say("weigh.it-presupposes-that-nothing-can-be", "data", at.data().words()),
              say("weigh.opens-when-a-copy-is-verified")));
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
              say("weigh.only-a-probe-can-do-it"),
              say("weigh.opens-when-it-sits-in-a")));
    }
    return Optional.empty();
  }

  /** What has to be seen before a move is made. */
  private record Look(Hazard hazard, Set<String> findings) {}

  /**
   * Whether another move gives what has to be seen before this one: the pack of a machine that has
   * one before it is loaded, and a drive that its owner heard click before it is copied, as an hour
   * at full speed may be its last.
   */
  boolean waitsFor(Move move, Part part, Move look) {
    return look(move, part)
        .filter(l -> look.given().stream().anyMatch(l.findings()::contains))
        .isPresent();
  }

  private Optional<Look> look(Move move, Part part) {
    return knowHow.hazards().stream()
        .filter(hazard -> endangers(move, hazard))
        .map(
            hazard ->
                new Look(
                    hazard,
                    hazard.isLookedForFirst()
                        ? Set.of(hazard.finding())
                        : hazard.clearedBy().keySet()))
        .filter(look -> look.findings().stream().noneMatch(f -> isKnown(f, part)))
        .filter(look -> knowHow.offered().stream().anyMatch(m -> canLook(m, look.findings())))
        .findFirst();
  }

  /** By what nobody has looked for yet, or by what was told and not cleared. */
  private boolean endangers(Move move, Hazard hazard) {
    return hazard.isLookedForFirst()
        ? move.effects().loads().contains(hazard.of())
        : hazard.of() == Load.DRIVE
            && move.act() == Move.Act.COPY
            && !hazard.clearedBy().isEmpty()
            && network.level(hazard.finding()).filter(hazard.level()::equals).isPresent();
  }

  private boolean isKnown(String finding, Part part) {
    return network.level(finding, part.key()).isPresent()
        || network.level(finding, Finding.MACHINE).isPresent();
  }

  /** In such a machine, and there must be such a machine: an unknown one is not made to wait. */
  private boolean canLook(Move move, Set<String> findings) {
    return move.by() == null
        && move.given().stream().anyMatch(findings::contains)
        && move.fitsKind(network.machineKind())
        && (move.kinds().isEmpty() || network.machineKind().isPresent());
  }

  private Optional<Permission.Locked> notLookedYet(Move move, Part part) {
    return look(move, part)
        .map(
            look ->
                new Permission.Locked(
                    look.hazard().of() == Load.BATTERY ? Lock.BATTERY_UNSAFE : Lock.DRIVE_FAILING,
                    look.hazard().isLookedForFirst()
                        ? look.hazard().lookFirst()
                        : look.hazard().words(),
                    say(
                        "weigh.opens-after-this-move",
                        "offered",
                        String.join(
                            say("weigh.or"),
                            knowHow.offered().stream()
                                .filter(m -> canLook(m, look.findings()))
                                .map(m -> Sentences.lowerFirst(m.named(part.name())))
                                .toList()))));
  }

  private String detourNames(Move move, Part part) {
    return String.join(
        say("weigh.or"),
        move.detours().stream()
            .map(id -> Sentences.lowerFirst(knowHow.move(id).orElseThrow().named(part.name())))
            .toList());
  }

  /** Whether it makes sense where the machine gets that far: not beyond what the move is for. */
  boolean isWithin(Move move) {
    return bootStage().map(at -> rungs(at) <= rungs(move.upTo())).orElse(true);
  }

  /** Whether what it starts from was seen: a program is taken out once one was found. */
  boolean wasSeen(Move move) {
    return move.onceSeen().isEmpty()
        || move.onceSeen().entrySet().stream()
            .anyMatch(
                once -> network.level(once.getKey()).filter(once.getValue()::contains).isPresent());
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
      case "desktop" -> say("weigh.the-desktop");
      case "limited" -> say("weigh.a-limited-start");
      case "recovery" -> say("weigh.the-recovery-choices");
      case "loader" -> say("weigh.the-loader");
      case "firmware" -> say("weigh.its-firmware");
      case "picture" -> say("weigh.a-picture");
      default -> say("weigh.power");
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

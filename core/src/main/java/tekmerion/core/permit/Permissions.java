package tekmerion.core.permit;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import tekmerion.core.permit.Permission.Locked;

/**
 * What is permitted in a job. The one place that answers: screen, API, import, link and probe ask
 * here and decide nothing themselves. Plain rules; no probability ever opens a lock.
 */
public record Permissions(Situation at) {
  private static final Effects SCRAP = new Effects(Invasiveness.ERASES, Set.of());

  public static Permissions of(Situation situation) {
    return new Permissions(situation);
  }

  /** The gravest lock first: whose data it is, then the drive, the battery, the evidence. */
  public Permission of(Action action) {
    if (action instanceof Action.EraseCopy copy) {
      return eraseCopy(copy.drive());
    }
    if (at.ended()) {
      return new Locked(
          Lock.JOB_ENDED, say("permit.the-job-is-ended"), say("permit.take-the-machine-in-anew"));
    }
    if (action instanceof Action.Make make) {
      return firstOf(
          () -> data(make.effects(), make.partKey()),
          () -> failing(make.effects(), make.partKey()),
          () -> battery(make.effects()));
    }
    if (action instanceof Action.Write write) {
      return firstOf(
          () -> data(write.effects(), write.partKey()),
          () -> isStill(drive(write.partKey()), write.drive()),
          () -> decided(write.effects()),
          () -> offLimits(drive(write.partKey())));
    }
    if (action instanceof Action.Decide decide) {
      return firstOf(
          () -> data(decide.effects(), Action.WHOLE_MACHINE),
          () -> decide.replaces() ? replacing() : Permission.OPEN);
    }
    if (action instanceof Action.Scrap scrap) {
      return data(SCRAP, scrap.drive());
    }
    return handBack(((Action.HandBack) action).unsaid());
  }

  /** The least safe of the machine's drives; what was said while none is known. */
  public DataStatus least() {
    return at.drives().stream()
        .map(DriveState::status)
        .min((a, b) -> Integer.compare(a.safety(), b.safety()))
        .orElse(at.said() == DataStatus.WANTED ? DataStatus.WANTED : DataStatus.NOT_ASKED);
  }

  /** One that nobody has met is one of which nothing is known. */
  public DriveState drive(String partKey) {
    return at.drives().stream()
        .filter(d -> d.partKey().equals(partKey))
        .findFirst()
        .orElseGet(() -> DriveState.unknown(partKey));
  }

  private List<DriveState> drives(String partKey) {
    return partKey.equals(Action.WHOLE_MACHINE) ? at.drives() : List.of(drive(partKey));
  }

  private Permission data(Effects effects, String partKey) {
    if (!effects.invasiveness().endangersData()) {
      return Permission.OPEN;
    }
    List<DriveState> drives = drives(partKey);
    if (drives.isEmpty()) {
      return new Locked(
          Lock.DRIVE_NOT_IDENTIFIED,
          say("permit.it-and-no-drive-of-this", "does", does(effects)),
          say("permit.opens-when-its-drives-were-read"));
    }
    return firstOf(drives, drive -> data(effects, drive));
  }

  private static Permission data(Effects effects, DriveState drive) {
    if (drive.identity().isEmpty()) {
      return new Locked(
          Lock.DRIVE_NOT_IDENTIFIED,
          say("permit.it-and-has-not-told-who", "does", does(effects), "drive", drive.name()),
          say("permit.opens-when-it-was-read-in"));
    }
    DataStatus status = drive.status();
    if (!status.allowsWriting()) {
      return new Locked(
          Lock.DATA_NOT_SAFE,
          say(
              "permit.it-and-the-data-on-is",
              "does",
              does(effects),
              "drive",
              drive.name(),
              "status",
              status.words(),
              "open",
              open(drive)),
          opens(status));
    }
    return drive.otherJobs().stream()
        .filter(other -> !other.status().allowsWriting())
        .findFirst()
        .<Permission>map(
            other ->
                new Locked(
                    Lock.WANTED_IN_ANOTHER_JOB,
                    say(
                        "permit.it-and-is-in-job-too",
                        "does",
                        does(effects),
                        "drive",
                        drive.name(),
                        "job",
                        other.job(),
                        "status",
                        other.status().words()),
                    say("permit.opens-when-it-is-settled-in", "job", other.job())))
        .orElse(Permission.OPEN);
  }

  private static String does(Effects effects) {
    return effects.invasiveness() == Invasiveness.ERASES
        ? say("permit.erases")
        : say("permit.writes-to-the-drive");
  }

  private static String opens(DataStatus status) {
    return status == DataStatus.COPIED
        ? say("permit.opens-when-all-of-it-is")
        : say("permit.opens-when-a-copy-is-verified");
  }

  /** Names what is in no copy, if something is. */
  private static String open(DriveState drive) {
    return drive.evidence().copied()
        ? say("permit.not-in-a-verified-copy", "list", HoldingWords.list(drive.open()))
        : "";
  }

  /** No long work on a drive that is failing, before its data is safe. */
  private Permission failing(Effects effects, String partKey) {
    boolean all = effects.loads().contains(Load.MACHINE);
    if (!all && !effects.loads().contains(Load.DRIVE)) {
      return Permission.OPEN;
    }
    return firstOf(
        all ? at.drives() : drives(partKey),
        drive ->
            drive.failing().isEmpty() || drive.status().allowsWriting()
                ? Permission.OPEN
                : new Locked(
                    Lock.DRIVE_FAILING,
                    say(
                        "permit.it-for-long-and-must-be",
                        "all",
                        all
                            ? say("permit.keeps-the-machine-running")
                            : say("permit.works", "drive", drive.name()),
                        "drive",
                        drive.name(),
                        "failing",
                        drive.failing().get(),
                        "status",
                        drive.status().words()),
                    say("permit.opens-when-a-copy-is-verified-2")));
  }

  private Permission battery(Effects effects) {
    return at.unsafeBattery().isEmpty() || !effects.loads().contains(Load.BATTERY)
        ? Permission.OPEN
        : new Locked(
            Lock.BATTERY_UNSAFE,
            at.unsafeBattery().get(),
            say("permit.never-opens-for-this-pack-take"));
  }

  private static Permission isStill(DriveState drive, PartIdentity named) {
    return drive.identity().equals(Optional.of(named))
        ? Permission.OPEN
        : new Locked(
            Lock.OTHER_DRIVE,
            say("permit.another-drive-sits-in-the-place", "named", named),
            say("permit.look-at-the-drive-in-your"));
  }

  private Permission decided(Effects effects) {
    return effects.invasiveness() == Invasiveness.ERASES && !at.decidedToErase()
        ? new Locked(
            Lock.NOT_DECIDED,
            say("permit.nothing-was-decided-that-erases"),
            say("permit.opens-with-a-signed-decision-that"))
        : Permission.OPEN;
  }

  private static Permission offLimits(DriveState drive) {
    if (drive.offLimits().isEmpty()) {
      return new Locked(
          Lock.OFF_LIMITS,
          say("permit.this-drive-is-never-written-to"),
          say("permit.dock-it-on-another-machine"));
    }
    return drive.offLimits().get().isEmpty()
        ? Permission.OPEN
        : new Locked(
            Lock.OFF_LIMITS,
            say("permit.it-must-never-be-written-to", "offLimits", drive.offLimits().get()),
            say("permit.never-opens-on-this-machine"));
  }

  /** No part is replaced on one failed pass: its cable, slot or socket fails the same way. */
  private Permission replacing() {
    return at.partEvidence() == PartEvidence.ONE_FINDING
        ? new Locked(
            Lock.ONE_FINDING_ONLY,
            say("permit.it-rests-on-one-finding-which"),
            say("permit.opens-when-it-was-tried-elsewhere"))
        : Permission.OPEN;
  }

  /** Nothing goes back as mended before that was shown, unless its owner signs for it. */
  /** The owner may take it without proof; nobody may lose a drive of theirs. */
  private Permission handBack(List<String> unsaid) {
    if (!unsaid.isEmpty()) {
      return new Locked(
          Lock.OLD_DRIVE_UNSAID,
          say("permit.nobody-has-said-what-became-of"),
          say("permit.opens-when-the-step-says-it", "unsaid", unsaid.get(0)));
    }
    if (at.takenAsItIs()) {
      return Permission.OPEN;
    }
    return switch (at.proven()) {
      case NOT_NEEDED, DONE -> Permission.OPEN;
      case UNFINISHED ->
          new Locked(
              Lock.NOT_PROVEN,
              say("permit.it-is-not-shown-yet-that"),
              say("permit.opens-when-it-ran-clean-often"));
      case FAILED ->
          new Locked(
              Lock.NOT_PROVEN,
              say("permit.it-failed-again-after-it-was"),
              say("permit.opens-when-it-ran-clean-often-2"));
    };
  }

  /** While the job goes on, or once we wrote to the drive, the copy may be all there is. */
  private Permission eraseCopy(DriveState drive) {
    if (drive.isGivenUp() || drive.isReturned()) {
      return Permission.OPEN;
    }
    if (!at.ended()) {
      return new Locked(
          Lock.ONLY_COPY,
          say("permit.the-job-goes-on-and-its"),
          say("permit.opens-when-the-job-is-ended"));
    }
    return drive.evidence().written()
        ? new Locked(
            Lock.ONLY_COPY,
            say("permit.the-drive-was-written-to-or"),
            say("permit.opens-when-its-owner-signs-that"))
        : Permission.OPEN;
  }

  @SafeVarargs
  private static Permission firstOf(Supplier<Permission>... rules) {
    for (Supplier<Permission> rule : rules) {
      Permission answer = rule.get();
      if (!answer.isOpen()) {
        return answer;
      }
    }
    return Permission.OPEN;
  }

  private static Permission firstOf(
      List<DriveState> drives, Function<DriveState, Permission> rule) {
    return drives.stream().map(rule).filter(p -> !p.isOpen()).findFirst().orElse(Permission.OPEN);
  }
}

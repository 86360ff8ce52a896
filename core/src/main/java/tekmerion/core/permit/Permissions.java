package tekmerion.core.permit;

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
      return new Locked(Lock.JOB_ENDED, "The job is ended.", "Take the machine in anew.");
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
          "It %s, and no drive of this machine has told who it is.".formatted(does(effects)),
          "Opens when its drives were read in this job.");
    }
    return firstOf(drives, drive -> data(effects, drive));
  }

  private static Permission data(Effects effects, DriveState drive) {
    if (drive.identity().isEmpty()) {
      return new Locked(
          Lock.DRIVE_NOT_IDENTIFIED,
          "It %s, and %s has not told who it is.".formatted(does(effects), drive.name()),
          "Opens when it was read in this job.");
    }
    DataStatus status = drive.status();
    if (!status.allowsWriting()) {
      return new Locked(
          Lock.DATA_NOT_SAFE,
          "It %s, and the data on %s is %s.%s"
              .formatted(does(effects), drive.name(), status.words(), open(drive)),
          opens(status));
    }
    return drive.otherJobs().stream()
        .filter(other -> !other.status().allowsWriting())
        .findFirst()
        .<Permission>map(
            other ->
                new Locked(
                    Lock.WANTED_IN_ANOTHER_JOB,
                    "It %s, and %s is in job %s too, where its data is %s."
                        .formatted(
                            does(effects), drive.name(), other.job(), other.status().words()),
                    "Opens when it is settled in job %s.".formatted(other.job())))
        .orElse(Permission.OPEN);
  }

  private static String does(Effects effects) {
    return effects.invasiveness() == Invasiveness.ERASES ? "erases" : "writes to the drive";
  }

  private static String opens(DataStatus status) {
    return status == DataStatus.COPIED
        ? "Opens when all of it is in a verified copy, or the owner signs the rest away."
        : "Opens when a copy is verified, or the owner signs that it is not wanted.";
  }

  /** Names what is in no copy, if something is. */
  private static String open(DriveState drive) {
    return drive.evidence().copied()
        ? " Not in a verified copy: %s.".formatted(HoldingWords.list(drive.open()))
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
                    "It %s for long, and %s must be spared. %s The data on it is %s."
                        .formatted(
                            all ? "keeps the machine running" : "works " + drive.name(),
                            drive.name(),
                            drive.failing().get(),
                            drive.status().words()),
                    "Opens when a copy is verified, or the owner signs that it is not wanted. A"
                        + " gentle sample is open."));
  }

  private Permission battery(Effects effects) {
    return at.unsafeBattery().isEmpty() || !effects.loads().contains(Load.BATTERY)
        ? Permission.OPEN
        : new Locked(
            Lock.BATTERY_UNSAFE,
            at.unsafeBattery().get(),
            "Never opens for this pack: take it out and keep it away from what burns.");
  }

  private static Permission isStill(DriveState drive, PartIdentity named) {
    return drive.identity().equals(Optional.of(named))
        ? Permission.OPEN
        : new Locked(
            Lock.OTHER_DRIVE,
            "Another drive sits in the place of %s.".formatted(named),
            "Look at the drive in your hand, and name it anew.");
  }

  private Permission decided(Effects effects) {
    return effects.invasiveness() == Invasiveness.ERASES && !at.decidedToErase()
        ? new Locked(
            Lock.NOT_DECIDED,
            "Nothing was decided that erases.",
            "Opens with a signed decision that does.")
        : Permission.OPEN;
  }

  private static Permission offLimits(DriveState drive) {
    if (drive.offLimits().isEmpty()) {
      return new Locked(
          Lock.OFF_LIMITS,
          "This drive is never written to from here.",
          "Dock it on another machine.");
    }
    return drive.offLimits().get().isEmpty()
        ? Permission.OPEN
        : new Locked(
            Lock.OFF_LIMITS,
            "It must never be written to: %s.".formatted(drive.offLimits().get()),
            "Never opens on this machine.");
  }

  /** No part is replaced on one failed pass: its cable, slot or socket fails the same way. */
  private Permission replacing() {
    return at.partEvidence() == PartEvidence.ONE_FINDING
        ? new Locked(
            Lock.ONE_FINDING_ONLY,
            "It rests on one finding, which may be its neighbour's.",
            "Opens when it was tried elsewhere, or another in its place, or a second finding"
                + " agrees.")
        : Permission.OPEN;
  }

  /** Nothing goes back as mended before that was shown, unless its owner signs for it. */
  /** The owner may take it without proof; nobody may lose a drive of theirs. */
  private Permission handBack(List<String> unsaid) {
    if (!unsaid.isEmpty()) {
      return new Locked(
          Lock.OLD_DRIVE_UNSAID,
          "Nobody has said what became of the old drive.",
          "Opens when the step “%s” says it.".formatted(unsaid.get(0)));
    }
    if (at.takenAsItIs()) {
      return Permission.OPEN;
    }
    return switch (at.proven()) {
      case NOT_NEEDED, DONE -> Permission.OPEN;
      case UNFINISHED ->
          new Locked(
              Lock.NOT_PROVEN,
              "It is not shown yet that the complaint is gone.",
              "Opens when it ran clean often enough, or the owner signs to take it without proof.");
      case FAILED ->
          new Locked(
              Lock.NOT_PROVEN,
              "It failed again after it was mended.",
              "Opens when it ran clean often enough since, after another decision if need be, or"
                  + " the owner signs to take it as it is.");
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
          "The job goes on, and its copy may be the only one.",
          "Opens when the job is ended, or its owner signs the data away.");
    }
    return drive.evidence().written()
        ? new Locked(
            Lock.ONLY_COPY,
            "The drive was written to or scrapped in this job, so its copy may be the only one.",
            "Opens when its owner signs that the data is theirs again, or not wanted.")
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

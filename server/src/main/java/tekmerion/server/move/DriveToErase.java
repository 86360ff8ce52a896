package tekmerion.server.move;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.permit.NamedDrive;
import tekmerion.server.problem.Refusal;
import tekmerion.server.weighing.WeighingService;

/** The drive that a move erases, by the name that somebody typed off it. */
public final class DriveToErase {
  private DriveToErase() {}

  /** Done on the customer's own system: which drive that erases only its name can tell. */
  public static void mustBeOfMachine(WeighingService.Evidence evidence, NamedDrive named) {
    List<DriveIdentity> drives =
        evidence.drives().stream()
            .flatMap(d -> Optional.ofNullable(evidence.reports().get(d.partKey())).stream())
            .flatMap(report -> DriveIdentity.of(report).stream())
            .filter(id -> id.capacityBytes().isPresent())
            .toList();
    if (drives.isEmpty()) {
      throw Refusal.locked(
          say("move.no-drive-of-this-machine-has"), say("move.opens-when-one-was-read-in"));
    }
    if (named == null
        || drives.stream()
            .noneMatch(
                id ->
                    named
                        .misses(id.capacityBytes().getAsLong(), id.model(), id.serial())
                        .isEmpty())) {
      throw Refusal.notPossibleNow(
          say("move.not-begun-it-erases-and-the"), say("move.look-at-the-drive-in-the"));
    }
  }
}

package tekmerion.core.permit;

import java.util.List;
import java.util.Optional;

/**
 * All that permissions depend on, of one job.
 *
 * @param drives in the machine now
 * @param said what the owner said of the data, for a machine none of whose drives is known yet
 * @param unsafeBattery why the battery must be neither loaded nor charged; empty if nothing says so
 * @param partEvidence what was found against the part that would be replaced
 * @param proven how far it is shown that what was mended is mended
 * @param takenAsItIs whether the owner signed to take it without proof
 * @param decidedToErase whether the decision in force erases
 * @param ended whether the job is
 */
public record Situation(
    List<DriveState> drives,
    DataStatus said,
    Optional<String> unsafeBattery,
    PartEvidence partEvidence,
    Proven proven,
    boolean takenAsItIs,
    boolean decidedToErase,
    boolean ended) {
  public Situation {
    drives = List.copyOf(drives);
  }

  /** The same with how far it is shown that it is mended. */
  public Situation with(Proven shown, boolean signed) {
    return new Situation(
        drives, said, unsafeBattery, partEvidence, shown, signed, decidedToErase, ended);
  }

  /** The same with a battery and what was found against a part. */
  public Situation with(Optional<String> unsafe, PartEvidence against) {
    return new Situation(drives, said, unsafe, against, proven, takenAsItIs, decidedToErase, ended);
  }

  /** One drive, of which only its status matters; for benchmarks, simulations and files. */
  public static Situation assumed(DataStatus status, Optional<String> failing) {
    PartIdentity some = new PartIdentity("assumed", "assumed", 1);
    DataEvidence evidence =
        switch (status) {
          case COPIED -> new DataEvidence(true, true, false, DataEvidence.NONE.missing(), false);
          case COPY_VERIFIED -> new DataEvidence(true, true, true, List.of(), false);
          default -> DataEvidence.NONE;
        };
    List<Waiver> waivers =
        status == DataStatus.NOT_WANTED ? List.of(Waiver.ofAll(some)) : List.of();
    return new Situation(
        List.of(
            new DriveState(
                "drive-a",
                "drive A",
                Optional.of(some),
                status,
                evidence,
                waivers,
                List.of(),
                failing,
                Optional.empty())),
        status,
        Optional.empty(),
        PartEvidence.SEVERAL,
        Proven.NOT_NEEDED,
        false,
        false,
        false);
  }
}

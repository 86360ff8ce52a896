package tekmerion.core.knowhow;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import tekmerion.core.permit.Load;
import tekmerion.core.sign.Sign;

/** What must be spared, by the findings of a job. The one place that says so. */
public final class Hazards {
  private final KnowHow knowHow;
  private final List<Sign> signs;

  private Hazards(KnowHow knowHow, List<Sign> signs) {
    this.knowHow = knowHow;
    this.signs = signs;
  }

  /**
   * @param signs all that stand in the job
   */
  public static Hazards of(KnowHow knowHow, List<Sign> signs) {
    return new Hazards(knowHow, List.copyOf(signs));
  }

  /** Why the battery must be neither loaded nor charged; empty if nothing says so. */
  public Optional<String> ofBattery() {
    return knowHow.hazards().stream()
        .filter(h -> h.of() == Load.BATTERY && signs.stream().anyMatch(is(h)))
        .map(Hazard::words)
        .findFirst();
  }

  /**
   * Why a drive must be spared: a finding on it settles that it fails, or it clicks; or the machine
   * clicks and nobody has shown that it is not this drive.
   *
   * @param solidState whether it is known to have nothing that could click
   */
  public Optional<String> ofDrive(String partKey, boolean solidState) {
    List<Sign> own = signs.stream().filter(s -> s.part().equals(partKey)).toList();
    return decisive(partKey)
        .or(
            () ->
                knowHow.hazards().stream()
                    .filter(h -> h.of() == Load.DRIVE)
                    .filter(h -> own.stream().anyMatch(is(h)) || !solidState && isHeard(h, own))
                    .map(Hazard::words)
                    .findFirst());
  }

  /** Why a finding on this drive settles by itself that it fails; empty if none does. */
  public Optional<String> decisive(String partKey) {
    return signs.stream()
        .filter(s -> s.part().equals(partKey))
        .flatMap(s -> knowHow.decisive(s).stream())
        .findFirst();
  }

  private boolean isHeard(Hazard hazard, List<Sign> own) {
    boolean heard = signs.stream().filter(s -> s.part().equals(Sign.MACHINE)).anyMatch(is(hazard));
    return heard && own.stream().noneMatch(s -> s.level().equals(hazard.clearedBy().get(s.id())));
  }

  private static Predicate<Sign> is(Hazard hazard) {
    return sign -> sign.id().equals(hazard.sign()) && sign.level().equals(hazard.level());
  }
}

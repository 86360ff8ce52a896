package tekmerion.core.knowhow;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import tekmerion.core.finding.Finding;
import tekmerion.core.permit.Load;

/** What must be spared, by the findings of a job. The one place that says so. */
public final class Hazards {
  private final KnowHow knowHow;
  private final List<Finding> findings;

  private Hazards(KnowHow knowHow, List<Finding> findings) {
    this.knowHow = knowHow;
    this.findings = findings;
  }

  /**
   * @param findings all that stand in the job
   */
  public static Hazards of(KnowHow knowHow, List<Finding> findings) {
    return new Hazards(knowHow, List.copyOf(findings));
  }

  /** Why the battery must be neither loaded nor charged; empty if nothing says so. */
  public Optional<String> ofBattery() {
    return knowHow.hazards().stream()
        .filter(h -> h.of() == Load.BATTERY && findings.stream().anyMatch(is(h)))
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
    List<Finding> own = findings.stream().filter(s -> s.part().equals(partKey)).toList();
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
    return findings.stream()
        .filter(s -> s.part().equals(partKey))
        .flatMap(s -> knowHow.decisive(s).stream())
        .findFirst();
  }

  private boolean isHeard(Hazard hazard, List<Finding> own) {
    boolean heard =
        findings.stream().filter(s -> s.part().equals(Finding.MACHINE)).anyMatch(is(hazard));
    return heard && own.stream().noneMatch(s -> s.level().equals(hazard.clearedBy().get(s.id())));
  }

  private static Predicate<Finding> is(Hazard hazard) {
    return finding ->
        finding.id().equals(hazard.finding()) && finding.level().equals(hazard.level());
  }
}

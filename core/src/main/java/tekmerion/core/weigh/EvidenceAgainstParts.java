package tekmerion.core.weigh;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import tekmerion.core.decision.Course;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.PartEvidence;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighed.FindingWeight;

/**
 * What was found against the parts that a weighing leans to replacing. What an owner says is no
 * finding; a swap counts for more than one, as it tries a part elsewhere or another in its place.
 */
public final class EvidenceAgainstParts {
  private EvidenceAgainstParts() {}

  /** The most that was found against any of them; none if it leans to none. */
  public static PartEvidence against(KnowHow knowHow, Weighed weighed) {
    Set<String> replaceable =
        knowHow.remedies().stream()
            .filter(remedy -> remedy.course() == Course.REPLACE_PART)
            .map(Remedy::cures)
            .flatMap(cures -> cures.keySet().stream())
            .collect(Collectors.toSet());
    PartEvidence most = PartEvidence.NONE;
    for (CauseShare share : weighed.causes()) {
      if (replaceable.contains(share.cause())
          && share.suspicion().compareTo(Suspicion.LEANING) >= 0) {
        PartEvidence against = against(knowHow, share);
        most = against.compareTo(most) > 0 ? against : most;
      }
    }
    return most;
  }

  private static PartEvidence against(KnowHow knowHow, CauseShare share) {
    List<Finding> found =
        share.weights().stream()
            .filter(weight -> weight.direct() && weight.decibans() > 0)
            .map(FindingWeight::finding)
            .filter(finding -> !finding.basis().equals(Finding.Basis.intake()))
            .filter(finding -> isThere(knowHow, finding))
            .toList();
    if (found.stream().anyMatch(finding -> knowHow.decisive(finding).isPresent())) {
      return PartEvidence.DECISIVE;
    }
    if (found.size() > 1 || found.stream().anyMatch(finding -> knowHow.isOfSwap(finding.id()))) {
      return PartEvidence.SEVERAL;
    }
    return found.isEmpty() ? PartEvidence.NONE : PartEvidence.ONE_FINDING;
  }

  /** Not at its first level, which is what shows when no cause is at work. */
  private static boolean isThere(KnowHow knowHow, Finding finding) {
    return knowHow.finding(finding.id()).flatMap(kind -> kind.levelIndex(finding.level())).orElse(0)
        > 0;
  }
}

package tekmerion.core.weigh;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.Suspicion;
import tekmerion.core.ruling.Course;
import tekmerion.core.sign.Sign;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighed.SignWeight;

/**
 * What was found against the parts that a weighing leans to replacing. What an owner says is no
 * finding; a swap counts for more than one, as it tries a part elsewhere or another in its place.
 */
public final class Findings {
  private Findings() {}

  /** The most that was found against any of them; none if it leans to none. */
  public static Suspicion against(KnowHow knowHow, Weighed weighed) {
    Set<String> replaceable =
        knowHow.remedies().stream()
            .filter(remedy -> remedy.course() == Course.REPLACE_PART)
            .map(Remedy::cures)
            .flatMap(cures -> cures.keySet().stream())
            .collect(Collectors.toSet());
    Suspicion most = Suspicion.NONE;
    for (CauseShare share : weighed.causes()) {
      if (replaceable.contains(share.cause()) && share.tilt().compareTo(Tilt.LEANING) >= 0) {
        Suspicion against = against(knowHow, share);
        most = against.compareTo(most) > 0 ? against : most;
      }
    }
    return most;
  }

  private static Suspicion against(KnowHow knowHow, CauseShare share) {
    List<Sign> found =
        share.weights().stream()
            .filter(weight -> weight.direct() && weight.decibans() > 0)
            .map(SignWeight::sign)
            .filter(sign -> !sign.basis().equals(Sign.Basis.intake()))
            .filter(sign -> isThere(knowHow, sign))
            .toList();
    if (found.stream().anyMatch(sign -> knowHow.decisive(sign).isPresent())) {
      return Suspicion.DECISIVE;
    }
    if (found.size() > 1 || found.stream().anyMatch(sign -> knowHow.isOfSwap(sign.id()))) {
      return Suspicion.SEVERAL;
    }
    return found.isEmpty() ? Suspicion.NONE : Suspicion.ONE_FINDING;
  }

  /** Not at its first level, which is what shows when no cause is at work. */
  private static boolean isThere(KnowHow knowHow, Sign sign) {
    return knowHow.sign(sign.id()).flatMap(kind -> kind.levelIndex(sign.level())).orElse(0) > 0;
  }
}

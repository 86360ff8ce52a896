package tekmerion.core.weigh;

import java.util.List;
import tekmerion.core.ruling.Course;
import tekmerion.core.sign.Sign;

/**
 * A weighing as it stands: what a ruling keeps.
 *
 * @param headline the finding in a sentence
 * @param signs how many signs were counted
 * @param causes likeliest first; but the very first is the likeliest that can be behind the
 *     complaint, whatever else was found beside it
 * @param noneProbability that none of the known causes is at work
 * @param leaning courses that usually follow from the likeliest cause; empty if none leans
 */
public record Weighed(
    String headline,
    int signs,
    List<CauseShare> causes,
    double noneProbability,
    List<Course> leaning) {
  public Weighed {
    causes = List.copyOf(causes);
    leaning = List.copyOf(leaning);
  }

  /**
   * One cause on one part.
   *
   * @param behind whether it can be behind the complaint; one that cannot was found beside it
   * @param decibansFor sum of the weights of signs that speak for it
   * @param decibansAgainst sum of those against, at most 0
   * @param weights heaviest first; only signs that bear on it or moved it
   */
  public record CauseShare(
      String cause,
      String part,
      String name,
      String partName,
      String place,
      boolean behind,
      double prior,
      double probability,
      Tilt tilt,
      double decibansFor,
      double decibansAgainst,
      List<SignWeight> weights) {
    public CauseShare {
      weights = List.copyOf(weights);
    }
  }

  /**
   * What one sign weighs for one cause.
   *
   * @param decibans exact leave-one-out change of the cause's log-odds, 10·log10
   * @param direct whether the cause bears on the sign; otherwise the sign moves it only because
   *     another cause explains it or fails to
   * @param countedBy words of the sign of the same group that was counted in its place; empty if
   *     the sign counts itself
   * @param source where its likelihoods come from
   */
  public record SignWeight(
      Sign sign, double decibans, boolean direct, String countedBy, String source) {}
}

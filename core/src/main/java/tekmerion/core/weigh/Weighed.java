package tekmerion.core.weigh;

import java.util.List;
import tekmerion.core.decision.Course;
import tekmerion.core.finding.Finding;

/**
 * A weighing as it stands: what a decision keeps.
 *
 * @param headline the finding in a sentence
 * @param findings how many findings were counted
 * @param causes likeliest first; but the very first is the likeliest that can be behind the
 *     complaint, whatever else was found beside it
 * @param noneProbability that none of the known causes is at work
 * @param conflictBits how much the findings speak against one another: {@link Conflict#bits}
 * @param doubt the same in a sentence, with what fits least; empty if they do not
 * @param leaning courses that usually follow from the likeliest cause; empty if none leans
 */
public record Weighed(
    String headline,
    int findings,
    List<CauseShare> causes,
    double noneProbability,
    double conflictBits,
    String doubt,
    List<Course> leaning) {
  public Weighed {
    causes = List.copyOf(causes);
    leaning = List.copyOf(leaning);
  }

  /**
   * One cause on one part.
   *
   * @param behind whether it can be behind the complaint; one that cannot was found beside it
   * @param decibansFor sum of the weights of findings that speak for it
   * @param decibansAgainst sum of those against, at most 0
   * @param weights heaviest first; only findings that bear on it or moved it
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
      Suspicion suspicion,
      double decibansFor,
      double decibansAgainst,
      List<FindingWeight> weights) {
    public CauseShare {
      weights = List.copyOf(weights);
    }
  }

  /**
   * What one finding weighs for one cause.
   *
   * @param decibans exact leave-one-out change of the cause's log-odds, 10·log10
   * @param direct whether the cause bears on the finding; otherwise the finding moves it only
   *     because another cause explains it or fails to
   * @param countedBy words of the finding of the same group that was counted in its place; empty if
   *     the finding counts itself
   * @param source where its likelihoods come from
   */
  public record FindingWeight(
      Finding finding, double decibans, boolean direct, String countedBy, String source) {}
}

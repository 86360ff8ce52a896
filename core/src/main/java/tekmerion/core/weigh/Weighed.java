package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tekmerion.core.decision.Course;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.KnowHow;

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
   * The same weighing, its headline and its names of causes and parts said anew in the language
   * that is spoken now. Nothing is weighed again; what the findings say stays as it was.
   *
   * @param knowHow that it was weighed by
   * @param parts that it was weighed for
   */
  public Weighed retold(KnowHow knowHow, List<Weighing.Part> parts) {
    Map<String, String> names =
        Stream.concat(parts.stream(), Stream.of(Weighing.Part.wholeMachine()))
            .collect(Collectors.toMap(Weighing.Part::key, Weighing.Part::name));
    List<Cause> told =
        causes.stream().map(share -> knowHow.cause(share.cause()).orElseThrow()).toList();
    List<CauseShare> shares = new ArrayList<>();
    for (int i = 0; i < told.size(); i++) {
      CauseShare share = causes.get(i);
      shares.add(share.named(told.get(i), names.get(share.part())));
    }
    return new Weighed(
        Headline.of(told, shares, noneProbability),
        findings,
        shares,
        noneProbability,
        conflictBits,
        doubt,
        leaning);
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

    private CauseShare named(Cause of, String nameOfPart) {
      return new CauseShare(
          cause,
          part,
          of.name(),
          nameOfPart,
          place,
          behind,
          prior,
          probability,
          suspicion,
          decibansFor,
          decibansAgainst,
          weights);
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

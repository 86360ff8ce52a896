package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.Optional;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.words.Sentences;

/** Whether what was found since a decision speaks against it. */
public final class Contradiction {
  private Contradiction() {}

  /**
   * It does if the cause that was decided on does not even lean any more, and another one does.
   *
   * @param cause that stood first when it was decided
   * @param part that it was of
   * @return what to tell; empty if the decision still fits
   */
  public static Optional<String> of(String cause, String part, Weighed now) {
    Optional<CauseShare> decided =
        now.causes().stream()
            .filter(share -> share.cause().equals(cause) && share.part().equals(part))
            .findFirst();
    if (decided.isEmpty() || now.causes().isEmpty() || leans(decided.get())) {
      return Optional.empty();
    }
    CauseShare first = now.causes().get(0);
    return leans(first)
        ? Optional.of(
            say(
                "weigh.the-decision-was-for-which-stands",
                "decided",
                Sentences.lowerFirst(decided.get().name()),
                "ofHundred",
                Headline.ofHundred(decided.get().probability()),
                "first",
                Sentences.lowerFirst(first.name()),
                "ofHundred2",
                Headline.ofHundred(first.probability())))
        : Optional.empty();
  }

  private static boolean leans(CauseShare share) {
    return share.suspicion().compareTo(Suspicion.LEANING) >= 0;
  }
}

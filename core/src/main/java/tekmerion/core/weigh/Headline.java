package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.List;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.words.Sentences;

/** Says a weighing in a sentence or two. */
final class Headline {
  private static final double WORTH_NAMING = 0.02;

  private Headline() {}

  /**
   * @param causes of the shares, in the same order
   * @param shares as in {@link Weighed#causes}
   */
  static String of(List<Cause> causes, List<CauseShare> shares, double none) {
    if (shares.isEmpty()) {
      return say("weigh.nothing-to-weigh-yet");
    }
    String said = behindComplaint(causes, shares, none);
    for (int i = 1; i < shares.size(); i++) {
      if (isBeside(shares.get(i))) {
        said =
            say(
                "weigh.beside-that",
                "before",
                said,
                "claim",
                Sentences.lowerFirst(claim(causes.get(i), shares.get(i))));
      }
    }
    return said;
  }

  /** Nobody came for it, but it is there. */
  private static boolean isBeside(CauseShare share) {
    return !share.behind() && share.suspicion() == Suspicion.IMPLICATED;
  }

  private static String behindComplaint(List<Cause> causes, List<CauseShare> shares, double none) {
    CauseShare first = shares.get(0);
    if (none > first.probability()) {
      return say(
          "weigh.no-known-cause-stands-out-that",
          "ofHundred",
          ofHundred(none),
          "guess",
          guess(causes.get(0), first),
          "ofHundred2",
          ofHundred(first.probability()));
    }
    String claim = claim(causes.get(0), first);
    String chance = ofHundred(first.probability());
    String said =
        first.suspicion() == Suspicion.IMPLICATED
            ? say("weigh.claim", "claim", Sentences.upperFirst(claim), "chance", chance)
            : first.suspicion().compareTo(Suspicion.LEANING) >= 0
                ? say("weigh.perhaps", "claim", Sentences.lowerFirst(claim), "chance", chance)
                : say(
                    "weigh.nothing-stands-out-likeliest-is",
                    "guess",
                    guess(causes.get(0), first),
                    "chance",
                    chance);
    int next = 1;
    while (next < shares.size() && isBeside(shares.get(next))) {
      next++;
    }
    return next < shares.size() && shares.get(next).probability() >= WORTH_NAMING
        ? say(
            "weigh.the-next-guess-is",
            "before",
            said,
            "guess",
            guess(causes.get(next), shares.get(next)),
            "chance",
            ofHundred(shares.get(next).probability()))
        : said;
  }

  private static String claim(Cause cause, CauseShare share) {
    return cause.claim().replace("{part}", share.partName());
  }

  private static String guess(Cause cause, CauseShare share) {
    return cause.guess().replace("{part}", share.partName());
  }

  /** Never 0 or 100: a weighing is not a proof. */
  static String ofHundred(double p) {
    long rounded = Math.round(100 * p);
    if (rounded <= 0) {
      return say("weigh.less-than-1-in-100");
    }
    return rounded >= 100
        ? say("weigh.more-than-99-in-100")
        : say("weigh.in-100", "rounded", rounded);
  }
}

package tekmerion.core.weigh;

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
      return "Nothing to weigh yet";
    }
    StringBuilder said = new StringBuilder(behindComplaint(causes, shares, none));
    for (int i = 1; i < shares.size(); i++) {
      if (isBeside(shares.get(i))) {
        said.append(" Beside that, ")
            .append(Sentences.lowerFirst(claim(causes.get(i), shares.get(i))))
            .append('.');
      }
    }
    return said.toString();
  }

  /** Nobody came for it, but it is there. */
  private static boolean isBeside(CauseShare share) {
    return !share.behind() && share.suspicion() == Suspicion.IMPLICATED;
  }

  private static String behindComplaint(List<Cause> causes, List<CauseShare> shares, double none) {
    CauseShare first = shares.get(0);
    if (none > first.probability()) {
      return "No known cause stands out: %s that it is none of them. Likeliest is %s, %s."
          .formatted(ofHundred(none), guess(causes.get(0), first), ofHundred(first.probability()));
    }
    StringBuilder said = new StringBuilder();
    if (first.suspicion().compareTo(Suspicion.LEANING) >= 0) {
      String claim = claim(causes.get(0), first);
      said.append(
              first.suspicion() == Suspicion.IMPLICATED
                  ? Sentences.upperFirst(claim)
                  : "Perhaps " + Sentences.lowerFirst(claim))
          .append(", ");
    } else {
      said.append("Nothing stands out. Likeliest is ")
          .append(guess(causes.get(0), first))
          .append(", ");
    }
    said.append(ofHundred(first.probability())).append('.');
    int next = 1;
    while (next < shares.size() && isBeside(shares.get(next))) {
      next++;
    }
    if (next < shares.size() && shares.get(next).probability() >= WORTH_NAMING) {
      said.append(" The next guess is ")
          .append(guess(causes.get(next), shares.get(next)))
          .append(", ")
          .append(ofHundred(shares.get(next).probability()))
          .append('.');
    }
    return said.toString();
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
      return "less than 1 in 100";
    }
    return rounded >= 100 ? "more than 99 in 100" : "%d in 100".formatted(rounded);
  }
}

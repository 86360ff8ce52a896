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
   * @param shares likeliest first
   */
  static String of(List<Cause> causes, List<CauseShare> shares, double none) {
    if (shares.isEmpty()) {
      return "Nothing to weigh yet";
    }
    CauseShare first = shares.get(0);
    if (none > first.probability()) {
      return "No known cause stands out: %s that it is none of them. Likeliest is %s, %s."
          .formatted(ofHundred(none), guess(causes.get(0), first), ofHundred(first.probability()));
    }
    StringBuilder said = new StringBuilder();
    if (first.tilt().compareTo(Tilt.LEANING) >= 0) {
      String claim = causes.get(0).claim().replace("{part}", first.partName());
      said.append(
              first.tilt() == Tilt.IMPLICATED
                  ? Sentences.upperFirst(claim)
                  : "Perhaps " + Sentences.lowerFirst(claim))
          .append(", ");
    } else {
      said.append("Nothing stands out. Likeliest is ")
          .append(guess(causes.get(0), first))
          .append(", ");
    }
    said.append(ofHundred(first.probability())).append('.');
    if (shares.size() > 1 && shares.get(1).probability() >= WORTH_NAMING) {
      said.append(" The next guess is ")
          .append(guess(causes.get(1), shares.get(1)))
          .append(", ")
          .append(ofHundred(shares.get(1).probability()))
          .append('.');
    }
    return said.toString();
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

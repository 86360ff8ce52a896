package tekmerion.core.isolate;

/**
 * What could be to blame: it fails while all of these things are in play.
 *
 * @param needs a bit for each thing; 0 for "none of these", which fails whatever is in play
 * @param prior positive; only the proportions count
 * @param words for a person
 */
public record Hypothesis(long needs, double prior, String words) {
  public Hypothesis {
    if (!(prior > 0)) {
      throw new IllegalArgumentException("prior must be positive: " + prior);
    }
  }

  /** Whether it can show in an arrangement. */
  public boolean isActiveIn(long arrangement) {
    return (arrangement & needs) == needs;
  }

  public boolean isNoneOfThese() {
    return needs == 0;
  }
}

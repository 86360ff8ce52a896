package tekmerion.core.weigh;

import java.util.List;

/**
 * How the numbers of a plan were made, for whoever asks.
 *
 * @param causes what may bring the complaint, likeliest first, with what the plan does to each
 * @param unknown probability that nothing that we know of brings it: no plan ends that
 * @param lostUncopied probability that data which is wanted is lost by this plan without a copy
 * @param lostCopied the same with a copy made before what endangers it; the copy can fail too
 */
public record Grounds(
    List<OfCause> causes, double unknown, double lostUncopied, double lostCopied) {

  public Grounds {
    causes = List.copyOf(causes);
  }

  /**
   * @param words the cause, with its part: "failing drive A"
   * @param probability that it is there, 0 to 1
   * @param ended probability that all of the plan ends it, if it is there, 0 to 1
   */
  public record OfCause(String words, double probability, double ended) {}
}

package tekmerion.core.weigh;

import java.util.Optional;

/**
 * How often a complaint that is still there stays away while somebody tries it. "Gone" tells as
 * much as it would have come: with a rate r and n tries it stays away with (1 − r)^n although
 * nothing was mended. Rates are those of the owner's words, four tries of a careful technician;
 * judgement, range half to double.
 */
final class Recurrence {
  private static final String OFTEN = "often";
  private static final String HERE = "complaint.shows";

  /** From here on one try after a repair proves nothing. */
  private static final double PROVES_NOTHING = 0.2;

  private Recurrence() {}

  /**
   * @param often level of the finding "How often"
   * @param here level of the finding that tells whether it was seen here
   */
  static double missed(Optional<String> often, Optional<String> here) {
    if (here.filter("quiet"::equals).isPresent()) {
      return 0.75; // nobody has seen it here: it would have stayed away in any case
    }
    return often
        .map(
            word ->
                switch (word) {
                  case "always" -> 0.01;
                  case "most-days" -> 0.05;
                  default -> 0.25;
                })
        .orElse(0.06);
  }

  static double missed(Network network) {
    return missed(network.level(OFTEN), network.level(HERE));
  }

  /** Minutes until somebody knows whether it is still there. Judgement, range half to double. */
  static double lookMinutes(Network network) {
    return network
        .level(OFTEN)
        .map(
            word ->
                switch (word) {
                  case "always" -> 4.0;
                  case "most-days" -> 15.0;
                  default -> 40.0;
                })
        .orElse(12.0);
  }

  /** Whether "gone" after something that lasts means that it is mended. */
  static boolean proves(Network network) {
    return missed(network) < PROVES_NOTHING;
  }

  /** Whether a finding says how often it comes, and is not to be read by that itself. */
  static boolean isOfIt(String finding) {
    return finding.equals(OFTEN) || finding.equals(HERE);
  }
}

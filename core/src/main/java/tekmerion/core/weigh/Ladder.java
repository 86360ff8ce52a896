package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.Optional;
import java.util.Set;
import tekmerion.core.permit.Lock;
import tekmerion.core.permit.Permission;
import tekmerion.core.words.Sentences;

/**
 * What a rung of the system's repairs presupposes: that no hardware is under suspicion. Mending a
 * system on a failing part only makes more damage.
 */
final class Ladder {
  private static final Set<String> HARDWARE_PLACES = Set.of("drive", "memory", "power", "link");

  /** From here on a part is under suspicion. The shop's convention. */
  private static final double SUSPECT_FROM = 0.15;

  private Ladder() {}

  /** Locks what presupposes sound hardware, naming what is under suspicion. */
  static Optional<Permission.Locked> hardwareLock(Network network, Posterior faults) {
    int worst = -1;
    for (int i = 0; i < network.instances().size(); i++) {
      Network.Instance at = network.instances().get(i);
      if (HARDWARE_PLACES.contains(at.cause().place())
          && faults.probability()[i] >= SUSPECT_FROM
          && (worst < 0 || faults.probability()[i] > faults.probability()[worst])) {
        worst = i;
      }
    }
    if (worst < 0) {
      return Optional.empty();
    }
    Network.Instance at = network.instances().get(worst);
    return Optional.of(
        new Permission.Locked(
            Lock.HARDWARE_SUSPECTED,
            say(
                "weigh.hardware-before-software-is-not-cleared",
                "cause",
                Sentences.lowerFirst(at.cause().name()),
                "ofHundred",
                Headline.ofHundred(faults.probability()[worst])),
            say("weigh.opens-when-it-is-below-in", "suspectFrom", 100 * SUSPECT_FROM)));
  }
}

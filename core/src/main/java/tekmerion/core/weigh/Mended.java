package tekmerion.core.weigh;

import java.util.Comparator;
import java.util.Optional;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.Remedy;

/** That the complaint was gone after something that lasts: nothing beyond that is planned then. */
final class Mended {
  private Mended() {}

  /**
   * The gentlest move after which it was gone for good, as was told; none of a complaint that
   * seldom comes.
   */
  static Optional<Move> by(KnowHow knowHow, Network network) {
    if (!Recurrence.proves(network)) {
      return Optional.empty();
    }
    return knowHow.moves().stream()
        .filter(
            move ->
                move.tells().stream()
                    .anyMatch(a -> network.level(a.id()).filter(a::isMended).isPresent()))
        .min(Comparator.comparing(Move::invasiveness));
  }

  /** Whether a move that does what this remedy does was made, and the complaint stayed. */
  static boolean wasTried(KnowHow knowHow, Network network, Remedy remedy) {
    return knowHow.moves().stream()
        .filter(move -> remedy.isDoneBy(move.id()))
        .flatMap(move -> move.tells().stream())
        .filter(asked -> asked.complaint() == Move.ComplaintAsked.MENDED)
        .anyMatch(
            asked ->
                network
                    .level(asked.id())
                    .filter(level -> !asked.isMended(level) && !level.equals(Move.FAILED))
                    .isPresent());
  }

  /**
   * Whether a remedy may stand in a plan still: no further than what has mended it, and none that
   * costs the owner their set-up, unless that is what mended it.
   */
  static boolean allows(Optional<Move> mendedBy, Remedy remedy) {
    return mendedBy
        .map(
            move ->
                remedy.isDoneBy(move.id())
                    || remedy.owner() == 0
                        && remedy.invasiveness().compareTo(move.invasiveness()) <= 0)
        .orElse(true);
  }
}

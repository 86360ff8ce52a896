package tekmerion.core.weigh;

import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.Load;

/**
 * What a move may do to data that is wanted and in one place only, in minutes: by what it does
 * itself, and by the work that it gives to a drive which may be failing.
 */
final class MoveRisk {
  private final Stake stake;
  private final double failing;

  MoveRisk(Network network, Posterior faults, Stake stake) {
    this.stake = stake;
    double sum = 0;
    for (int i = 0; i < network.instances().size(); i++) {
      if (network.instances().get(i).cause().dataRisk() > 0) {
        sum += faults.probability()[i];
      }
    }
    failing = Math.min(1, sum); // of several drives at most the sum
  }

  double minutes(Move move) {
    double lives = Math.pow(1 - DataRisk.DIES_PER_LOADED_HOUR, loadedHours(move));
    return Math.min(1, move.risk() + failing * (1 - lives)) * stake.dataLossMinutes();
  }

  /** A copy loads the drive for what it brings to safety; that is no reason against it. */
  private static double loadedHours(Move move) {
    return move.act() != Move.Act.COPY && move.effects().loads().contains(Load.DRIVE)
        ? (move.handsOnMinutes() + move.waitingMinutes()) / 60.0
        : 0;
  }
}

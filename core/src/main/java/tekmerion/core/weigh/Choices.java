package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.Remedy;

/** What a plan for one machine can be put together from. */
final class Choices {
  /** Remedies of a plan, its recovery of data aside. */
  static final int MOST = 3;

  /** What was done already and ended nothing seldom ends it the second time; judgement. */
  private static final double DONE_AGAIN = 0.25;

  private final List<Remedy> mending;
  private final Optional<Remedy> recovery;
  private final double[][] cures;

  /**
   * @param mendedBy after which the complaint was gone
   */
  Choices(KnowHow knowHow, Network network, Optional<Move> mendedBy) {
    recovery = knowHow.remedies().stream().filter(Remedy::recoversOnly).findFirst();
    mending =
        knowHow.remedies().stream()
            .filter(r -> !isRecovery(r))
            .filter(r -> Mended.allows(mendedBy, r))
            .toList();
    cures = new double[mending.size()][network.instances().size()];
    for (int r = 0; r < cures.length; r++) {
      Remedy remedy = mending.get(r);
      double again = Mended.wasTried(knowHow, network, remedy) ? DONE_AGAIN : 1;
      for (int c = 0; c < cures[r].length; c++) {
        String cause = network.instances().get(c).cause().id();
        cures[r][c] = remedy.cures().getOrDefault(cause, 0.0) * again;
      }
    }
  }

  /** All but the recovery of data, by number. */
  List<Remedy> mending() {
    return mending;
  }

  Optional<Remedy> recovery() {
    return recovery;
  }

  List<Remedy> all() {
    return Stream.concat(recovery.stream(), mending.stream()).toList();
  }

  /** Whether it brings the data to safety and mends nothing. */
  boolean isRecovery(Remedy remedy) {
    return recovery.filter(remedy::equals).isPresent();
  }

  /** By remedy and cause, the probability that it mends it now, after all that was tried. */
  double[][] cures() {
    return cures;
  }

  double cure(Remedy remedy, int cause) {
    int number = mending.indexOf(remedy);
    return number < 0 ? 0 : cures[number][cause];
  }

  /** Numbers of those that mend. */
  int[] numbers(List<Remedy> remedies) {
    return remedies.stream().filter(r -> !isRecovery(r)).mapToInt(mending::indexOf).toArray();
  }

  /**
   * Remedies by their ids.
   *
   * @throws IllegalArgumentException if one cannot stand in a plan now, stands twice, or if more
   *     than {@value #MOST} of them mend
   */
  List<Remedy> named(List<String> ids) {
    List<Remedy> named = new ArrayList<>();
    for (String id : ids) {
      Remedy remedy =
          all().stream()
              .filter(r -> r.id().equals(id))
              .findFirst()
              .orElseThrow(() -> new IllegalArgumentException("no remedy %s here".formatted(id)));
      if (named.contains(remedy)) {
        throw new IllegalArgumentException("remedy %s twice".formatted(id));
      }
      named.add(remedy);
    }
    if (numbers(named).length > MOST) {
      throw new IllegalArgumentException("more than %d remedies".formatted(MOST));
    }
    return named;
  }
}

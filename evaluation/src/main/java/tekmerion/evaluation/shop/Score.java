package tekmerion.evaluation.shop;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import tekmerion.evaluation.shop.Visit.Result;

/**
 * How a shop did.
 *
 * @param right share of machines whose first cause was behind the complaint
 * @param decidedRight share whose decision ends the complaint
 * @param rebuiltWithoutNeed share whose system is set up anew, or erased, where less would do
 * @param rightCourse share in which about the least that ends it is done
 * @param copied share of visits in which a copy is made as a move
 * @param readFirst share of visits whose first move is reading the drive
 * @param calibrationError expected calibration error of the first cause's probability against
 *     whether the machine has it, ten bins of equal width
 * @param brier mean squared error of the same
 * @param minutesARightDecision all minutes of work over the number of right decisions
 */
record Score(
    double right,
    double decidedRight,
    double rebuiltWithoutNeed,
    double rightCourse,
    double copied,
    double readFirst,
    double calibrationError,
    double brier,
    double moves,
    double handsOn,
    double waiting,
    double minutes,
    double minutesARightDecision,
    int dataLosses,
    int hazards,
    List<Bin> reliability) {
  private static final int BINS = 10;
  private static final Set<String> COPIES = Set.of("rescue-copy");

  /** Those that were said to be about as likely, and how many of them were so. */
  record Bin(double said, double right, int machines) {}

  /**
   * @see "Guo, Pleiss, Sun & Weinberger: On calibration of modern neural networks, ICML 2017, eq.
   *     3"
   */
  static Score of(List<Result> results) {
    int n = results.size();
    List<Bin> bins = new ArrayList<>();
    double error = 0;
    for (int b = 0; b < BINS; b++) {
      int bin = b;
      List<Result> in =
          results.stream()
              .filter(r -> Math.min(BINS - 1, (int) (r.topProbability() * BINS)) == bin)
              .toList();
      if (!in.isEmpty()) {
        double said = in.stream().mapToDouble(Result::topProbability).average().orElseThrow();
        double right = in.stream().filter(Result::present).count() / (double) in.size();
        bins.add(new Bin(said, right, in.size()));
        error += Math.abs(said - right) * in.size() / n;
      }
    }
    double brier =
        results.stream()
            .mapToDouble(r -> Math.pow(r.topProbability() - (r.present() ? 1 : 0), 2))
            .average()
            .orElseThrow();
    double minutes = results.stream().mapToDouble(Result::minutes).sum();
    long decidedRight = results.stream().filter(Result::decidedRight).count();
    return new Score(
        results.stream().filter(Result::right).count() / (double) n,
        decidedRight / (double) n,
        results.stream().filter(Result::rebuiltWithoutNeed).count() / (double) n,
        results.stream().filter(Result::rightCourse).count() / (double) n,
        results.stream().filter(r -> r.moves().stream().anyMatch(COPIES::contains)).count()
            / (double) n,
        results.stream()
                .filter(r -> !r.moves().isEmpty() && r.moves().get(0).equals("read-drive"))
                .count()
            / (double) n,
        error,
        brier,
        results.stream().mapToInt(r -> r.moves().size()).average().orElseThrow(),
        results.stream().mapToDouble(Result::handsOn).average().orElseThrow(),
        results.stream().mapToDouble(Result::waiting).average().orElseThrow(),
        minutes / n,
        minutes / decidedRight,
        (int) results.stream().filter(Result::dataLost).count(),
        results.stream().mapToInt(Result::hazards).sum(),
        bins);
  }
}

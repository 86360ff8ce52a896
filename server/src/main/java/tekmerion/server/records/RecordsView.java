package tekmerion.server.records;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;

/**
 * Jobs that ended in a stretch of time.
 *
 * @param jobs newest first, at most {@value Records#MAX}
 * @param inAll how many there are, also those that are not shown
 * @param reliability what was said when plans were signed, beside what came of it
 */
record RecordsView(List<Row> jobs, long inAll, ReliabilityView reliability) {

  /**
   * One job.
   *
   * @param cause that was decided on, by name; null without a decision
   * @param stated chance that the complaint would be gone, as the plan was signed; null if no plan
   *     was
   * @param held whether it is not back with the same complaint; null until that can be told
   * @param handsMinutes in which changes were open
   * @param moves that were made by hand
   * @param vainMoves of these, those that could not be done
   */
  @Schema(name = "RecordRow")
  record Row(
      String number,
      String machine,
      String maker,
      long customerId,
      String customer,
      Instant takenInAt,
      Instant endedAt,
      String endedHow,
      @Schema(nullable = true) String cause,
      @Schema(nullable = true) String plan,
      @Schema(nullable = true) Double stated,
      @Schema(nullable = true) Boolean held,
      @Schema(nullable = true) String decidedBy,
      double handsMinutes,
      int moves,
      int vainMoves) {}

  /**
   * @param brier mean squared error, 0 to 1
   */
  @Schema(name = "Reliability")
  record ReliabilityView(List<BinView> bins, double brier, int jobs) {}

  /**
   * @param said mean of the chances that were stated, 0 to 1
   * @param held share that held, with its 95 % range
   */
  @Schema(name = "ReliabilityBin")
  record BinView(double said, double held, double low, double high, int jobs) {}
}

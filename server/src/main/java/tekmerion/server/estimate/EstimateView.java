package tekmerion.server.estimate;

import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import tekmerion.core.price.Estimate;
import tekmerion.core.price.PartPrice;

/**
 * An estimate as the owner was told it. All amounts in its currency, with the tax if that is shown.
 *
 * @param plan remedies of the plan, by id, joined with "+"
 * @param certain what is paid in any case
 * @param atMost what is paid if all of it is needed; more is not done without asking again
 * @param readyEarly the work is ready between the two in eight of ten cases
 * @param answers what the owner said, the newest first
 */
@Schema(name = "Estimate")
public record EstimateView(
    long id,
    String plan,
    String words,
    List<Line> lines,
    String currency,
    BigDecimal certain,
    BigDecimal atMost,
    BigDecimal taxPercent,
    boolean taxShown,
    Instant readyEarly,
    Instant readyLate,
    String madeBy,
    Instant madeAt,
    List<Answer> answers) {

  /**
   * @param minutes of work; 0 for a part
   * @param certain whether it is paid in any case
   * @param source of the price of a part; null for work
   */
  @Schema(name = "EstimateLine")
  public record Line(
      Estimate.LineKind kind,
      String words,
      int minutes,
      BigDecimal amount,
      boolean certain,
      @Schema(nullable = true) PartPrice.PriceSource source) {
    public static Line of(Estimate.Line line) {
      return new Line(
          line.kind(), line.words(), line.minutes(), line.amount(), line.certain(), line.source());
    }
  }

  /** How an owner answered. */
  public enum How {
    SIGNED,
    PHONE,
    REFUSED
  }

  /**
   * @param signer who said it
   * @param upTo what they agreed to pay at most; null if they refused
   * @param fromElsewhere it came with an archive, and binds nobody
   */
  @Schema(name = "Approval")
  public record Answer(
      How how,
      String signer,
      @Schema(nullable = true) BigDecimal upTo,
      String note,
      String wroteDown,
      Instant at,
      boolean fromElsewhere) {}
}

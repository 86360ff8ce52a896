package tekmerion.server.step;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import tekmerion.core.replace.Fitted;
import tekmerion.core.replace.OldPartFate;
import tekmerion.core.replace.Supply;
import tekmerion.server.decision.DecisionService.Lock;

/**
 * The part that a step replaces.
 *
 * @param need what is needed, as the old one tells; "adapter" if it tells nothing
 * @param supplyWords what was ordered or taken; empty for nothing
 * @param stock what of that sort is in stock, what fits first
 * @param fitted what readings show since it was begun; null before, and for what no probe reads
 * @param fittedWords the same in words; empty before
 * @param readKey what a probe is to read so that it is known; null if it reads no such part
 * @param old null while nothing was taken out
 */
@Schema(name = "StepPart")
public record StepPart(
    String need,
    Supply supply,
    String supplyWords,
    List<FromStock> stock,
    @Schema(nullable = true) Fitted.Recognised fitted,
    String fittedWords,
    @Schema(nullable = true) String readKey,
    @Schema(nullable = true) OldPart old) {

  /**
   * A part in stock.
   *
   * @param place where it lies
   * @param misfit why it does not fit; null if it does
   */
  @Schema(name = "FromStock")
  public record FromStock(
      long id, String model, String place, int pieces, @Schema(nullable = true) String misfit) {}

  /**
   * The part that was taken out.
   *
   * @param words which one; empty if no reading told
   * @param fate null until somebody said
   * @param note the certificate, or who took it; null with the fate
   * @param scrap why it must not be scrapped, and what opens it; null if it may
   */
  @Schema(name = "OldPart")
  public record OldPart(
      String words,
      @Schema(nullable = true) OldPartFate fate,
      @Schema(nullable = true) String fateWords,
      @Schema(nullable = true) String note,
      @Schema(nullable = true) Lock scrap) {}
}

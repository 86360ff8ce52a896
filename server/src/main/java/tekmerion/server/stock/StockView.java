package tekmerion.server.stock;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import tekmerion.core.replace.InStock;
import tekmerion.core.trend.KaplanMeier;

/**
 * The stock.
 *
 * @param finding which model fails most, in a sentence
 * @param models of drives that were met, the worst first; at most {@value Stock#MAX_MODELS}
 * @param items what there is, by model
 */
@Schema(name = "StockView")
public record StockView(String finding, List<StockModel> models, List<StockItem> items) {
  /**
   * @param met how many
   * @param replaced how many were decided to be replaced
   * @param low of the share that is replaced, with 95 % confidence; likewise high
   */
  record StockModel(
      String model, String sort, long met, long replaced, double hours, double low, double high) {}

  /**
   * What became of the drives of one model.
   *
   * @param survival empty if too few were met
   * @param lives those that were replaced first, then by age; at most {@value Stock#MAX_LIVES}
   */
  @Schema(name = "ModelLives")
  record ModelLives(List<KaplanMeier.Step> survival, List<PartLife> lives) {}

  /**
   * @param part of which all is known at /part/ID
   * @param serial null if it does not report one
   * @param replaced whether it was decided to be replaced
   */
  @Schema(name = "PartLife")
  record PartLife(
      long part,
      @Schema(nullable = true) String serial,
      double hours,
      boolean replaced,
      Instant lastSeen) {}

  /**
   * @param bus of a drive, or the sort of memory; null for other parts, likewise the form and size
   * @param pieces how many there are
   */
  public record StockItem(
      long id,
      String kind,
      String model,
      @Schema(nullable = true) String bus,
      @Schema(nullable = true) String form,
      @Schema(nullable = true) Long bytes,
      String place,
      int pieces) {
    /** What of it tells whether it fits. */
    public InStock asPart() {
      return new InStock(kind, model, bus, form, bytes);
    }
  }
}

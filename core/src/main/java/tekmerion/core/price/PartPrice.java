package tekmerion.core.price;

import java.math.BigDecimal;

/**
 * What a part costs its owner, before tax.
 *
 * @param words what it is
 */
public record PartPrice(String words, BigDecimal amount, PriceSource source) {
  /** Where a price comes from. */
  public enum PriceSource {
    /** It is in stock. */
    STOCK,
    /** It is in the shop's price list. */
    LIST,
    /** Nobody named a price: what such a part usually costs, by the know-how. */
    USUAL
  }
}

package tekmerion.server.price;

import static tekmerion.words.Words.say;

import java.math.BigDecimal;
import java.util.Currency;
import tekmerion.server.problem.Refusal;

/** Amounts of money, with as many places as their currency has. */
public final class Amounts {
  private Amounts() {}

  private static int places(String currency) {
    return Math.max(0, Currency.getInstance(currency).getDefaultFractionDigits());
  }

  /** As it was kept; one that came with more places than the currency has keeps them. */
  public static BigDecimal shown(BigDecimal kept, String currency) {
    if (kept == null) {
      return null;
    }
    BigDecimal plain = kept.stripTrailingZeros();
    return plain.setScale(Math.max(places(currency), plain.scale()));
  }

  /**
   * @param typed may be null
   * @throws Refusal 400 if nobody could pay it exactly
   */
  public static void mustBePayable(BigDecimal typed, String currency) {
    if (typed != null && typed.stripTrailingZeros().scale() > places(currency)) {
      throw Refusal.badRequest(
          say("price.is-no-amount-of", "typed", typed.toPlainString(), "currency", currency),
          say("price.give-it-with-at-most-places", "places", places(currency)));
    }
  }
}

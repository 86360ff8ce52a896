package tekmerion.core.price;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Currency;
import java.util.Map;
import tekmerion.core.decision.Course;

/**
 * What a shop charges. All amounts are before tax, in the currency's main unit.
 *
 * @param perHour of work, at least 0
 * @param perHourOf of work under a course that costs another amount; courses that are not in it
 *     cost {@code perHour}
 * @param minimum what is charged at least, also for a machine that is handed back as it came
 * @param taxPercent 0 to 100
 * @param taxShown whether the owner is told amounts with the tax
 */
public record Tariff(
    Currency currency,
    BigDecimal perHour,
    Map<Course, BigDecimal> perHourOf,
    BigDecimal minimum,
    BigDecimal taxPercent,
    boolean taxShown) {
  private static final BigDecimal HOUR = BigDecimal.valueOf(60);
  private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

  public Tariff {
    perHourOf = Map.copyOf(perHourOf);
    notNegative("rate", perHour);
    perHourOf.values().forEach(rate -> notNegative("rate", rate));
    notNegative("minimum", minimum);
    notNegative("tax", taxPercent);
    if (taxPercent.compareTo(HUNDRED) > 0) {
      throw new IllegalArgumentException("tax of more than 100 %: " + taxPercent);
    }
  }

  private static void notNegative(String what, BigDecimal amount) {
    if (amount.signum() < 0) {
      throw new IllegalArgumentException("%s below 0: %s".formatted(what, amount));
    }
  }

  /** What so many minutes under a course cost. */
  public BigDecimal work(Course course, int minutes) {
    BigDecimal rate = perHourOf.getOrDefault(course, perHour);
    return rate.multiply(BigDecimal.valueOf(minutes)).divide(HOUR, places(), RoundingMode.HALF_UP);
  }

  /** As the owner is told it. */
  public BigDecimal told(BigDecimal beforeTax) {
    BigDecimal factor = taxShown ? BigDecimal.ONE.add(taxPercent.divide(HUNDRED)) : BigDecimal.ONE;
    return beforeTax.multiply(factor).setScale(places(), RoundingMode.HALF_UP);
  }

  /** Decimals of the currency. */
  public int places() {
    return Math.max(0, currency.getDefaultFractionDigits());
  }
}

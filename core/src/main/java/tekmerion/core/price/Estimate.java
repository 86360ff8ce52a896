package tekmerion.core.price;

import static tekmerion.words.Words.say;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.price.PartPrice.PriceSource;
import tekmerion.core.weigh.Plan;

/**
 * What a plan costs its owner: what is sure to be done, and at most, if every remedy of it is
 * needed. All amounts as the owner is told them.
 *
 * @param certain the sum of what is certain
 * @param atMost the sum of all
 */
public record Estimate(List<Line> lines, BigDecimal certain, BigDecimal atMost) {
  /** From here on a remedy is sure to be done. */
  private static final double SURE = 0.995;

  public Estimate {
    lines = List.copyOf(lines);
  }

  /** What a line is for. */
  public enum LineKind {
    WORK,
    PART,
    /** What is missing to what the shop charges at least. */
    MINIMUM
  }

  /**
   * @param minutes of work; 0 for a part
   * @param certain whether it is charged in any case
   * @param source of a part's price; null for work
   */
  public record Line(
      LineKind kind,
      String words,
      int minutes,
      BigDecimal amount,
      boolean certain,
      PriceSource source) {}

  /**
   * @param names of its remedies, in order: "Replace drive A"
   * @param prices of the part that a remedy needs; empty if nobody named one
   */
  public static Estimate of(
      Plan plan, List<String> names, Tariff tariff, Function<Remedy, Optional<PartPrice>> prices) {
    List<Line> lines = new ArrayList<>();
    for (int k = 0; k < plan.remedies().size(); k++) {
      Remedy remedy = plan.remedies().get(k);
      boolean certain = plan.reached().get(k) >= SURE;
      int minutes = plan.handsOnMinutes(k);
      BigDecimal work = tariff.told(tariff.work(remedy.course(), minutes));
      lines.add(new Line(LineKind.WORK, names.get(k), minutes, work, certain, null));
      if (remedy.parts() > 0) {
        PartPrice price = prices.apply(remedy).orElseGet(() -> usual(remedy, tariff));
        lines.add(
            new Line(
                LineKind.PART,
                price.words(),
                0,
                tariff.told(price.amount()),
                certain,
                price.source()));
      }
    }
    BigDecimal missing = tariff.told(tariff.minimum()).subtract(sumOfCertain(lines));
    if (missing.signum() > 0) {
      String words =
          lines.isEmpty() ? say("price.looking-at-it") : say("price.up-to-what-is-charged-at");
      lines.add(new Line(LineKind.MINIMUM, words, 0, missing, true, null));
    }
    BigDecimal certain = sumOfCertain(lines);
    // What is needed besides uses up what was charged to come to the least.
    BigDecimal all =
        lines.stream()
            .filter(line -> line.kind() != LineKind.MINIMUM)
            .map(Line::amount)
            .reduce(BigDecimal.ZERO, BigDecimal::add);
    return new Estimate(lines, certain, all.max(certain));
  }

  /** What such a part usually costs: the know-how has it in minutes of work. */
  private static PartPrice usual(Remedy remedy, Tariff tariff) {
    String words = remedy.part().isEmpty() ? say("price.small-parts") : remedy.partWords();
    return new PartPrice(
        words, tariff.work(Course.REPLACE_PART, remedy.parts()), PriceSource.USUAL);
  }

  private static BigDecimal sumOfCertain(List<Line> lines) {
    return lines.stream()
        .filter(Line::certain)
        .map(Line::amount)
        .reduce(BigDecimal.ZERO, BigDecimal::add);
  }
}

package tekmerion.core.price;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.price.Estimate.Line;
import tekmerion.core.price.Estimate.LineKind;
import tekmerion.core.price.PartPrice.PriceSource;
import tekmerion.core.weigh.Plan;

/** Against arithmetic: 60.00 an hour, 90.00 where a part is replaced, at least 25.00. */
class EstimateTest {
  private static final Currency EURO = Currency.getInstance("EUR");

  private static final Remedy COPY = remedy("copy", Course.RECOVER_DATA, 25, 10, "");
  private static final Remedy DRIVE = remedy("drive", Course.REPLACE_PART, 60, 70, "drive");
  private static final Remedy OVER = remedy("over", Course.REPAIR_FILE_SYSTEM, 12, 0, "");

  private static Remedy remedy(String id, Course course, int minutes, int parts, String part) {
    return new Remedy(
        id,
        id,
        course,
        part,
        List.of(minutes, 100),
        null,
        parts,
        Invasiveness.OPENS_CASE,
        0,
        Map.of(),
        null);
  }

  private static Tariff tariff(String minimum, String tax, boolean shown) {
    return new Tariff(
        EURO,
        new BigDecimal("60"),
        Map.of(Course.REPLACE_PART, new BigDecimal("90")),
        new BigDecimal(minimum),
        new BigDecimal(tax),
        shown);
  }

  private static Plan plan(List<Remedy> remedies, Double... reached) {
    return new Plan(remedies, List.of(reached), 0, 0, 0, 0, 0, 0, 0, 1);
  }

  private static Estimate estimate(
      Plan plan, Tariff tariff, Function<Remedy, Optional<PartPrice>> prices) {
    List<String> names = plan.remedies().stream().map(r -> r.id() + " A").toList();
    return Estimate.of(plan, names, tariff, prices);
  }

  private static Optional<PartPrice> listed(Remedy remedy) {
    return remedy == DRIVE
        ? Optional.of(new PartPrice("QUAY-1000F", new BigDecimal("70.00"), PriceSource.LIST))
        : Optional.empty();
  }

  /** 25 + 10 usual + 90 + 70 = 195.00 certain; 12 minutes more if that does not end it: 207.00. */
  @Test
  void whatIsSureIsCertainAndAllOfItIsTheMost() {
    Estimate estimate =
        estimate(
            plan(List.of(COPY, DRIVE, OVER), 1.0, 1.0, 0.06),
            tariff("25", "0", true),
            EstimateTest::listed);

    assertThat(estimate.lines())
        .containsExactly(
            work("copy A", 25, "25.00", true),
            new Line(
                LineKind.PART, "Small parts", 0, new BigDecimal("15.00"), true, PriceSource.USUAL),
            work("drive A", 60, "90.00", true),
            new Line(
                LineKind.PART, "QUAY-1000F", 0, new BigDecimal("70.00"), true, PriceSource.LIST),
            work("over A", 12, "12.00", false));
    assertThat(estimate.certain()).isEqualByComparingTo("200.00");
    assertThat(estimate.atMost()).isEqualByComparingTo("212.00");
  }

  private static Line work(String words, int minutes, String amount, boolean certain) {
    return new Line(LineKind.WORK, words, minutes, new BigDecimal(amount), certain, null);
  }

  /** 200.00 and a quarter of it are 250.00; not shown, it is told as 200.00. */
  @Test
  void taxIsInWhatIsToldOnlyIfItIsShown() {
    Plan plan = plan(List.of(COPY, DRIVE), 1.0, 1.0);

    assertThat(estimate(plan, tariff("0", "25", true), EstimateTest::listed).certain())
        .isEqualByComparingTo("250.00");
    assertThat(estimate(plan, tariff("0", "25", false), EstimateTest::listed).certain())
        .isEqualByComparingTo("200.00");
  }

  /** 12 minutes are 12.00: 13.00 are missing to 25.00. 12 more that may be needed are within it. */
  @Test
  void atLeastTheMinimumIsChargedAndWorkThatFollowsUsesItUp() {
    Estimate once =
        estimate(plan(List.of(OVER), 1.0), tariff("25", "0", true), remedy -> Optional.empty());
    Estimate twice =
        estimate(
            plan(List.of(OVER, OVER), 1.0, 0.5), tariff("25", "0", true), r -> Optional.empty());

    assertThat(once.certain()).isEqualByComparingTo("25.00");
    assertThat(once.lines()).last().extracting(Line::amount).isEqualTo(new BigDecimal("13.00"));
    assertThat(twice.atMost()).isEqualByComparingTo("25.00");
  }

  @Test
  void aMachineThatIsHandedBackCostsTheMinimum() {
    Estimate estimate =
        estimate(plan(List.of()), tariff("25", "0", true), remedy -> Optional.empty());

    assertThat(estimate.lines()).extracting(Line::words).containsExactly("Looking at it");
    assertThat(estimate.atMost()).isEqualByComparingTo("25.00");
  }

  /** The krona of Iceland has no decimals: 7 minutes of 8,500 an hour are 991.67, so 992. */
  @Test
  void amountsHaveTheDecimalsOfTheirCurrency() {
    Tariff tariff =
        new Tariff(
            Currency.getInstance("ISK"),
            new BigDecimal("8500"),
            Map.of(),
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            true);

    assertThat(tariff.work(Course.REPAIR, 7)).isEqualTo(new BigDecimal("992"));
  }

  @Test
  void amountsBelowNothingAreRefused() {
    assertThatThrownBy(() -> tariff("-1", "0", true)).hasMessage("minimum below 0: -1");
    assertThatThrownBy(() -> tariff("0", "101", true)).hasMessage("tax of more than 100 %: 101");
  }
}

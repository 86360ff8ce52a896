package tekmerion.server.estimate;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.forecast.PlanEnd;
import tekmerion.core.price.Estimate;
import tekmerion.core.price.Tariff;
import tekmerion.core.weigh.Comparison.Compared;
import tekmerion.core.weigh.Plan;
import tekmerion.server.price.PriceList;
import tekmerion.server.price.Tariffs;

/** What a plan costs, and when it would be done if it was begun now. */
@Service
public class Pricing {
  private final Tariffs tariffs;
  private final PriceList prices;
  private final OpenHours hours;
  private final Clock clock;

  Pricing(Tariffs tariffs, PriceList prices, OpenHours hours, Clock clock) {
    this.tariffs = tariffs;
    this.prices = prices;
    this.hours = hours;
    this.clock = clock;
  }

  public Optional<Tariff> tariff() {
    return tariffs.now();
  }

  public Estimate of(Compared row, Tariff tariff) {
    return Estimate.of(row.plan(), row.steps(), tariff, prices::of);
  }

  public PlanEnd end(Plan plan) {
    List<PlanEnd.Step> steps =
        IntStream.range(0, plan.remedies().size())
            .mapToObj(
                k ->
                    new PlanEnd.Step(
                        plan.reached().get(k),
                        plan.handsOnMinutes(k),
                        plan.remedies().get(k).minutes().get(1)))
            .toList();
    return PlanEnd.of(clock.instant(), steps, hours);
  }
}

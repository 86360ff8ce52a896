package tekmerion.server.jobview;

import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import tekmerion.core.decision.Course;
import tekmerion.core.forecast.PlanEnd;
import tekmerion.core.price.Estimate;
import tekmerion.core.price.Tariff;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.Comparison;
import tekmerion.core.weigh.Comparison.Compared;
import tekmerion.core.weigh.Grounds;
import tekmerion.core.weigh.Plan;
import tekmerion.server.decision.DecidedPlan;
import tekmerion.server.decision.DecisionService.CourseView;
import tekmerion.server.decision.DecisionService.Lock;
import tekmerion.server.estimate.EstimateView;
import tekmerion.server.estimate.Pricing;

/**
 * What can be decided now.
 *
 * @param rows cheapest first; the first is the best
 * @param why what makes the first the best
 * @param enough whether to stop testing
 * @param stop the same in a sentence, with what the best open move would cost and save
 * @param bestMove id of that move; null if none is open
 * @param turn what would change the order; null if nothing that can be looked at would
 * @param choices what a plan of one's own can be put together from
 * @param currency null until the lead has said what the shop charges
 * @param taxShown whether amounts are with the tax
 */
record PlansView(
    List<Row> rows,
    String why,
    boolean enough,
    String stop,
    @Schema(nullable = true) String bestMove,
    @Schema(nullable = true) Changes turn,
    List<Choice> choices,
    @Schema(nullable = true) String currency,
    boolean taxShown) {

  /**
   * One plan.
   *
   * @param remedies by id, in order
   * @param onlyIf what it does only if that does not end the complaint; empty for nothing
   * @param against what it mends, likeliest first
   * @param gone probability that the complaint is gone when it is done, 0 to 1
   * @param goneLow one of ten draws of all numbers within their ranges is below it; likewise high
   * @param dataLost probability that data which is wanted is lost, 0 to 1
   * @param handsOnMinutes expected; {@code mostMinutes} if all of it is needed
   * @param ownerMinutes that its owner is expected to need afterwards
   * @param readyEarly if it was begun now, eight of ten are ready between the two
   * @param certain what the owner pays in any case; null if nobody said what the shop charges
   * @param lock why it cannot be decided now, and what opens it; null if it can. What is done only
   *     if the rest does not end the complaint has its gate when it comes to that
   * @param priceLines what the owner pays it for; none if nobody said what the shop charges
   * @param grounds how its chances were made
   * @param own whether it was put together by hand
   */
  @Schema(name = "PlanRow")
  record Row(
      String id,
      List<String> remedies,
      List<Course> courses,
      List<DecidedPlan.Step> steps,
      String words,
      String onlyIf,
      String against,
      double gone,
      double goneLow,
      double goneHigh,
      double dataLost,
      double handsOnMinutes,
      int mostMinutes,
      double ownerMinutes,
      Instant readyEarly,
      Instant readyLate,
      @Schema(nullable = true) BigDecimal certain,
      @Schema(nullable = true) BigDecimal atMost,
      List<EstimateView.Line> priceLines,
      @Schema(nullable = true) Lock lock,
      PlanGrounds grounds,
      boolean own) {}

  /**
   * How the chances of a plan were made.
   *
   * @param causes what may bring the complaint, likeliest first
   * @param unknown probability that nothing that is known brings it, 0 to 1
   * @param lostUncopied probability that wanted data is lost by it without a copy, 0 to 1
   * @param lostCopied the same with a copy made first
   */
  record PlanGrounds(
      List<PlanCause> causes, double unknown, double lostUncopied, double lostCopied) {
    static PlanGrounds of(Grounds grounds) {
      return new PlanGrounds(
          grounds.causes().stream()
              .map(c -> new PlanCause(c.words(), c.probability(), c.ended()))
              .toList(),
          grounds.unknown(),
          grounds.lostUncopied(),
          grounds.lostCopied());
    }
  }

  /**
   * @param words the cause, with its part
   * @param probability that it is there, 0 to 1
   * @param ended probability that all of the plan ends it, if it is there
   */
  record PlanCause(String words, double probability, double ended) {}

  /**
   * A finding that would change the best plan.
   *
   * @param move that would find it, by id
   * @param chance that it is found, 0 to 1
   * @param plan what would be best then
   */
  @Schema(name = "PlanTurn")
  record Changes(
      String move, String moveWords, int minutes, String outcome, double chance, String plan) {}

  /**
   * A remedy.
   *
   * @param recovers whether it brings the data to safety and mends nothing: it comes first
   */
  @Schema(name = "PlanChoice")
  record Choice(
      String id,
      String name,
      Course course,
      String courseWords,
      boolean recovers,
      @Schema(nullable = true) Lock lock) {}

  /** Puts it together. */
  @Service
  static class Views {
    private final Pricing pricing;

    Views(Pricing pricing) {
      this.pricing = pricing;
    }

    PlansView of(Comparison comparison, Advice advice, List<CourseView> courses) {
      Map<Course, Lock> locks = new EnumMap<>(Course.class);
      courses.stream()
          .filter(course -> course.lock() != null)
          .forEach(course -> locks.put(course.course(), course.lock()));
      Optional<Tariff> tariff = pricing.tariff();
      Advice.Stop stop = advice.stop();
      return new PlansView(
          comparison.plans().stream().map(row -> row(row, locks, tariff)).toList(),
          comparison.why(),
          stop.enough(),
          stop.words(),
          stop.best().map(Advice.Ranked::id).orElse(null),
          advice.turns().stream().findFirst().map(turn -> turn(turn, comparison)).orElse(null),
          comparison.remedies().stream()
              .map(
                  r ->
                      new Choice(
                          r.id(),
                          comparison.names().get(r.id()),
                          r.course(),
                          r.course().words(),
                          r.recoversOnly(),
                          locks.get(r.course())))
              .toList(),
          tariff.map(t -> t.currency().getCurrencyCode()).orElse(null),
          tariff.map(Tariff::taxShown).orElse(false));
    }

    private Row row(Compared row, Map<Course, Lock> locks, Optional<Tariff> tariff) {
      Plan plan = row.plan();
      PlanEnd end = pricing.end(plan);
      Optional<Estimate> costs = tariff.map(t -> pricing.of(row, t));
      return new Row(
          plan.id(),
          plan.remedies().stream().map(r -> r.id()).toList(),
          plan.courses(),
          DecidedPlan.of(row).steps(),
          row.words(),
          row.onlyIf(),
          row.against(),
          row.gone().middle(),
          row.gone().low(),
          row.gone().high(),
          plan.dataLost(),
          plan.handsOnMinutes(),
          IntStream.range(0, plan.remedies().size()).map(plan::handsOnMinutes).sum(),
          plan.owner(),
          end.early(),
          end.late(),
          costs.map(Estimate::certain).orElse(null),
          costs.map(Estimate::atMost).orElse(null),
          costs.map(Estimate::lines).orElse(List.of()).stream().map(EstimateView.Line::of).toList(),
          plan.courses().stream().map(locks::get).filter(Objects::nonNull).findFirst().orElse(null),
          PlanGrounds.of(row.grounds()),
          row.own());
    }

    private static Changes turn(Advice.Turn turn, Comparison comparison) {
      return new Changes(
          turn.move().id() + "@" + turn.part().key(),
          turn.move().named(turn.part().name()),
          turn.move().handsOnMinutes() + turn.move().waitingMinutes(),
          turn.outcome(),
          turn.chance(),
          comparison.words(turn.plan()));
    }
  }
}

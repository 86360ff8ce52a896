package tekmerion.evaluation.shop;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.learn.BaseRates;
import tekmerion.core.learn.Learning;
import tekmerion.core.learn.Learning.Proposal;
import tekmerion.core.learn.ProvenJob;
import tekmerion.evaluation.shop.Visit.Noise;
import tekmerion.evaluation.shop.Visit.Result;

/**
 * A shop that takes, at the end of each quarter, whatever its own outcomes propose. What is proven
 * is what ended a complaint, by the cause that stood first: nobody tells the truth.
 */
@Command(
    name = "learning",
    description =
        "How much better a shop gets by its own outcomes, on machines simulated from their parts upward.",
    mixinStandardHelpOptions = true)
public final class LearningCommand implements Callable<Integer> {
  private static final int QUARTERS_A_YEAR = 4;
  private static final double DAYS_A_QUARTER = 91.3;
  private static final double CALIBRATION_TARGET = 0.03;

  @Option(names = "--years", defaultValue = "2", description = "Default: 2.")
  private int years;

  @Option(names = "--jobs", defaultValue = "1000", description = "Jobs a year; default: 1000.")
  private int jobs;

  @Option(
      names = "--test",
      defaultValue = "400",
      description = "Other machines that are judged before, half way and at the end; default: 400.")
  private int tested;

  @Option(names = "--seed", defaultValue = "31", description = "Same seed, same machines.")
  private long seed;

  @Option(
      names = "--learn",
      defaultValue = "LIKELIHOODS,RATES",
      split = ",",
      description = "What is taken over; default: ${DEFAULT-VALUE}.")
  private Set<What> what;

  /** What outcomes propose. */
  private enum What {
    LIKELIHOODS,
    RATES
  }

  /** One that ended the complaint, in the quarter when it did. */
  private record Ended(int quarter, Result result) {
    ProvenJob by(int now) {
      return new ProvenJob(
          result.topCause(), result.families(), result.levels(), (now - quarter) * DAYS_A_QUARTER);
    }
  }

  @Override
  public Integer call() {
    KnowHow shipped = KnowHow.shipped();
    Map<String, Edit.Noted> taken = new LinkedHashMap<>();
    List<Ended> ended = new ArrayList<>();
    int quarters = years * QUARTERS_A_YEAR;
    int each = jobs / QUARTERS_A_YEAR;
    Score before = judged("as shipped", shipped, taken.size());
    Score after = before;
    for (int quarter = 1; quarter <= quarters; quarter++) {
      KnowHow own = shipped.with(List.copyOf(taken.values()));
      int first = tested + (quarter - 1) * each;
      int now = quarter;
      visits(own, first, each).stream()
          .filter(Result::decidedRight)
          .forEach(r -> ended.add(new Ended(now, r)));
      learn(own, ended.stream().map(e -> e.by(now)).toList(), taken);
      if (quarter == quarters / 2 || quarter == quarters) {
        KnowHow learnt = shipped.with(List.copyOf(taken.values()));
        after = judged("after %d jobs".formatted(quarter * each), learnt, taken.size());
      }
    }
    boolean met =
        after.right() >= before.right()
            && after.calibrationError() <= CALIBRATION_TARGET
            && !taken.isEmpty();
    System.out.println(met ? "It gets better, and stays calibrated." : "Not every target is met.");
    return met ? 0 : 1;
  }

  private void learn(KnowHow own, List<ProvenJob> proven, Map<String, Edit.Noted> taken) {
    if (what.contains(What.LIKELIHOODS)) {
      for (Proposal p : Learning.of(own, proven)) {
        Edit edit = new Edit.Likelihood(p.finding(), p.cause(), p.proposed());
        taken.put(
            p.finding() + " " + p.cause(), new Edit.Noted(edit, "%d jobs".formatted(p.jobs())));
      }
    }
    if (what.contains(What.RATES)) {
      for (BaseRates.Proposal p : BaseRates.of(own, proven)) {
        Cause known = own.cause(p.cause()).orElseThrow();
        Edit edit = new Edit.OfCause(p.cause(), known.name(), p.prior(known), known.dataRisk());
        taken.put(p.cause(), new Edit.Noted(edit, "%.1f times".formatted(p.times())));
      }
    }
  }

  private Score judged(String when, KnowHow knowHow, int taken) {
    Score score = Score.of(visits(knowHow, 0, tested));
    System.out.printf(
        "%-18s %4d entries of its own: right cause %.1f %%, right course %.1f %%, ends it %.1f %%,"
            + " calibration error %.3f, Brier score %.3f, %.1f minutes%n",
        when,
        taken,
        100 * score.right(),
        100 * score.rightCourse(),
        100 * score.decidedRight(),
        score.calibrationError(),
        score.brier(),
        score.minutes());
    return score;
  }

  private List<Result> visits(KnowHow knowHow, int first, int count) {
    return new SecondWorld(seed, Noise.USUAL).visits(first, count, Order.ADVISED, i -> knowHow);
  }
}

package tekmerion.evaluation.shop;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.learn.Learning;
import tekmerion.core.learn.Learning.Proposal;
import tekmerion.core.learn.Learning.ProvenJob;
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

  @Override
  public Integer call() {
    KnowHow shipped = KnowHow.shipped();
    Map<String, Edit.Noted> taken = new LinkedHashMap<>();
    List<ProvenJob> proven = new ArrayList<>();
    int quarters = years * QUARTERS_A_YEAR;
    int each = jobs / QUARTERS_A_YEAR;
    Score before = judged("as shipped", shipped, taken.size());
    Score now = before;
    for (int quarter = 1; quarter <= quarters; quarter++) {
      KnowHow own = shipped.with(List.copyOf(taken.values()));
      int first = tested + (quarter - 1) * each;
      visits(own, first, each).stream()
          .filter(Result::decidedRight)
          .forEach(r -> proven.add(new ProvenJob(r.topCause(), r.levels())));
      for (Proposal p : Learning.of(own, proven)) {
        Edit edit = new Edit.Likelihood(p.finding(), p.cause(), p.proposed());
        taken.put(
            p.finding() + " " + p.cause(), new Edit.Noted(edit, "%d jobs".formatted(p.jobs())));
      }
      if (quarter == quarters / 2 || quarter == quarters) {
        KnowHow learnt = shipped.with(List.copyOf(taken.values()));
        now = judged("after %d jobs".formatted(quarter * each), learnt, taken.size());
      }
    }
    boolean met =
        now.right() >= before.right()
            && now.calibrationError() <= CALIBRATION_TARGET
            && !taken.isEmpty();
    System.out.println(met ? "It gets better, and stays calibrated." : "Not every target is met.");
    return met ? 0 : 1;
  }

  private Score judged(String when, KnowHow knowHow, int taken) {
    Score score = Score.of(visits(knowHow, 0, tested));
    System.out.printf(
        "%-18s %4d likelihoods of its own: right cause %.1f %%, right course %.1f %%, ends it %.1f %%,"
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

package tekmerion.core.learn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.learn.BaseRates.OfFamily;
import tekmerion.core.learn.BaseRates.Proposal;

/** Rates are told by counts of jobs alone, so the expected share of a cause is worked out here. */
class BaseRatesTest {
  private static final KnowHow KNOW_HOW = KnowHow.shipped();
  private static final String FAMILY = "hot";
  private static final String CAUSE = "fan-failed";

  private static List<ProvenJob> jobs(int number, String cause, String family, double daysAgo) {
    return Collections.nCopies(number, new ProvenJob(cause, List.of(family), Map.of(), daysAgo));
  }

  private static double odds(String cause, String family) {
    double p = KNOW_HOW.cause(cause).orElseThrow().priorIn(List.of(family));
    return p / (1 - p);
  }

  /** Of all jobs of a family, the share of those whose one cause it is. */
  private static double share(String cause, String family) {
    double all = KNOW_HOW.causes().stream().mapToDouble(c -> odds(c.id(), family)).sum();
    return odds(cause, family) / all;
  }

  private static Proposal of(String cause, List<Proposal> proposals) {
    return proposals.stream().filter(p -> p.cause().equals(cause)).findFirst().orElseThrow();
  }

  @Test
  void jobsInTheTablesSharesProposeNothing() {
    List<ProvenJob> jobs = new ArrayList<>();
    for (Cause cause : KNOW_HOW.causes()) {
      jobs.addAll(jobs((int) Math.round(400 * share(cause.id(), FAMILY)), cause.id(), FAMILY, 0));
    }
    assertThat(BaseRates.of(KNOW_HOW, jobs)).isEmpty();
    assertThat(BaseRates.of(KNOW_HOW, List.of())).isEmpty();
  }

  @Test
  void aCauseThatIsOftenerHereRisesByWhatWasSeenAgainstWhatWasExpected() {
    // 60 jobs, all of one cause: e = 60·share expected, 60 seen, the table worth 5.
    Proposal proposal = of(CAUSE, BaseRates.of(KNOW_HOW, jobs(60, CAUSE, FAMILY, 0)));

    double expected = 60 * share(CAUSE, FAMILY);
    double times = (5 + 60) / (5 + expected);
    double here = (5 * times + 60) / (5 + expected);
    double then = odds(CAUSE, FAMILY) * here;
    assertThat(proposal.times()).isCloseTo(times, within(1e-9));
    assertThat(proposal.families()).hasSize(1);
    OfFamily hot = proposal.families().get(0);
    assertThat(hot.expected()).isCloseTo(expected, within(1e-9));
    assertThat(hot.seen()).isCloseTo(60, within(1e-9));
    assertThat(hot.proposed()).isCloseTo(then / (1 + then), within(1e-9));
    Map<String, Double> prior = proposal.prior(KNOW_HOW.cause(CAUSE).orElseThrow());
    assertThat(prior).containsEntry(FAMILY, hot.proposed()).containsKey(Cause.ANY_FAMILY);
  }

  @Test
  void aFamilyWithFewJobsFollowsTheOthers() {
    List<ProvenJob> jobs = new ArrayList<>(jobs(60, CAUSE, FAMILY, 0));
    jobs.addAll(jobs(1, CAUSE, "noise", 0));

    Proposal proposal = of(CAUSE, BaseRates.of(KNOW_HOW, jobs));
    OfFamily noise =
        proposal.families().stream()
            .filter(f -> f.family().equals("noise"))
            .findFirst()
            .orElseThrow();

    // One job of one expected share alone: (5·1 + 1)/(5 + share); with the others' rate far more.
    double alone = (5 + 1) / (5 + share(CAUSE, "noise"));
    double factor = noise.proposed() / (1 - noise.proposed()) / odds(CAUSE, "noise");
    assertThat(factor).isGreaterThan(alone).isLessThan(proposal.times() * 1.2);
  }

  @Test
  void aJobOfTwoYearsAgoCountsHalf() {
    Proposal proposal = of(CAUSE, BaseRates.of(KNOW_HOW, jobs(60, CAUSE, FAMILY, 730)));

    assertThat(proposal.families().get(0).seen()).isCloseTo(30, within(1e-9));
  }
}

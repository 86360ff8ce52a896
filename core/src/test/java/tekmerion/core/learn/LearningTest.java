package tekmerion.core.learn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.learn.Learning.Proposal;

class LearningTest {
  /** Of the shipped table: fan noise under a failed fan. */
  private static final String FINDING = "fan.state";

  private static final String CAUSE = "fan-failed";

  private static ProvenJob job(Map<String, String> levels) {
    return new ProvenJob(CAUSE, List.of("hot"), levels, 0);
  }

  private static List<ProvenJob> jobs(int fine, int weak, int still) {
    List<ProvenJob> jobs = new ArrayList<>();
    jobs.addAll(Collections.nCopies(fine, job(Map.of(FINDING, "fine"))));
    jobs.addAll(Collections.nCopies(weak, job(Map.of(FINDING, "weak"))));
    jobs.addAll(Collections.nCopies(still, job(Map.of(FINDING, "still"))));
    return jobs;
  }

  @Test
  void jobsThatAgreeWithTheTableProposeNothing() {
    // The table: leak [0.92, 0.06, 0.02], link [0.03, 0.12, 0.85]. With the leak:
    // fine 0.92·0.03 = 0.0276, fine or weak 0.98·0.15 = 0.147, so weak 0.1194 and still 0.853.
    assertThat(Learning.of(KnowHow.shipped(), jobs(1, 5, 34))).isEmpty();
  }

  @Test
  void jobsThatDisagreeProposeWhatLiesBetweenThemAndTheTable() {
    // 40 jobs: fine 20, weak 10, still 10. Forty jobs' worth of table beside them:
    // fine (1.104 + 20)/80 = 0.2638, weak (4.776 + 10)/80 = 0.1847, still (34.12 + 10)/80 = 0.5515.
    // Without the leak: fine 0.2638/0.92 = 0.28674; at most weak 0.4485/0.98 = 0.45765.
    List<Proposal> proposals = Learning.of(KnowHow.shipped(), jobs(20, 10, 10));

    assertThat(proposals).hasSize(1);
    Proposal proposal = proposals.get(0);
    assertThat(proposal.finding()).isEqualTo(FINDING);
    assertThat(proposal.jobs()).isEqualTo(40);
    assertThat(proposal.proposed().get(0)).isCloseTo(0.28674, within(1e-4));
    assertThat(proposal.proposed().get(1)).isCloseTo(0.45765 - 0.28674, within(1e-4));
    assertThat(proposal.proposed().stream().mapToDouble(p -> p).sum()).isCloseTo(1, within(1e-9));
  }

  @Test
  void aJobOfTwoYearsAgoCountsHalf() {
    // 80 such jobs are the 40 of above.
    List<ProvenJob> old =
        jobs(40, 20, 20).stream()
            .map(j -> new ProvenJob(j.cause(), j.families(), j.levels(), 730))
            .toList();

    Proposal proposal = Learning.of(KnowHow.shipped(), old).get(0);

    assertThat(proposal.jobs()).isEqualTo(80);
    assertThat(proposal.proposed().get(0)).isCloseTo(0.28674, within(1e-4));
  }

  @Test
  void fewJobsProposeNothingHoweverTheyCameOut() {
    assertThat(Learning.of(KnowHow.shipped(), jobs(19, 0, 0))).isEmpty();
  }

  @Test
  void aLevelThatWasNeverSeenStaysPossible() {
    Proposal proposal = Learning.of(KnowHow.shipped(), jobs(200, 0, 0)).get(0);

    assertThat(proposal.proposed()).allSatisfy(p -> assertThat(p).isGreaterThan(0.004));
  }
}

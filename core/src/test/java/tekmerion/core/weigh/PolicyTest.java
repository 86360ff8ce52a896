package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.Family;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Invasiveness;

/**
 * Plans against every way it can go: which causes are there, which of them bring the complaint,
 * what each remedy mends, and whether the next is reached.
 */
class PolicyTest {
  private static final int CAUSES = 4;

  /** Of listed causes a fifth before anybody complained; what Network's judgements come to. */
  private static final double BEFORE_COMPLAINT = 0.2;

  private static final double IN_OTHER_WORDS = 0.05;
  private static final double UNEXPLAINED = 0.01;
  private static final double LOOK = 12;

  private final double[] prior = new double[CAUSES];
  private final double[] brings = new double[CAUSES];
  private final List<Remedy> remedies = new ArrayList<>();
  private double minutes;
  private double parts;
  private double owner;
  private double fails;
  private double complaint;

  private KnowHow knowHow(Random random) {
    List<Cause> causes = new ArrayList<>();
    List<FindingKind> findings = new ArrayList<>();
    for (int c = 0; c < CAUSES; c++) {
      boolean listed = c < 2 || random.nextBoolean();
      double share = 0.1 + 0.3 * random.nextDouble();
      prior[c] = listed ? share * BEFORE_COMPLAINT : share;
      brings[c] = listed ? 1 : IN_OTHER_WORDS;
      String id = "c" + c;
      causes.add(
          new Cause(
              id,
              id,
              id,
              id,
              "machine",
              "system",
              List.of(),
              listed ? Map.of("any", 0.1, "slow", share) : Map.of("any", share),
              null));
      findings.add(
          new FindingKind(
              "f" + c,
              id,
              "f" + c,
              List.of("no", "yes"),
              List.of(0.9, 0.1),
              Map.of(id, List.of(0.5, 0.5)),
              Map.of(),
              Map.of(),
              "arithmetic"));
    }
    for (int r = 0; r < 4; r++) {
      Map<String, Double> cures = new HashMap<>();
      for (int c = 0; c < CAUSES; c++) {
        if (c == r || random.nextInt(3) == 0) {
          cures.put("c" + c, 0.3 + 0.7 * random.nextDouble());
        }
      }
      remedies.add(
          new Remedy(
              "r" + r,
              "R" + r,
              Course.REPAIR,
              "",
              List.of(1 + random.nextInt(20), random.nextInt(50)),
              null,
              random.nextInt(40),
              Invasiveness.NO_TOOLS,
              random.nextInt(60),
              cures,
              null));
    }
    return new KnowHow(
        List.of(new Family("slow", "Slow", null, null)),
        causes,
        findings,
        List.of(),
        List.of(),
        remedies);
  }

  /** Every set of at most three causes, and every part of it that brings the complaint. */
  private void everyWay(List<Remedy> plan) {
    minutes = parts = owner = fails = complaint = 0;
    for (int set = 0; set < 1 << CAUSES; set++) {
      if (Integer.bitCount(set) > 3) {
        continue;
      }
      double there = 1;
      for (int c = 0; c < CAUSES; c++) {
        there *= (set & 1 << c) != 0 ? prior[c] : 1 - prior[c];
      }
      for (int active = set; ; active = (active - 1) & set) {
        double p = there;
        for (int c = 0; c < CAUSES; c++) {
          double brought = (set & 1 << c) == 0 ? 0 : brings[c];
          p *= (active & 1 << c) != 0 ? brought : 1 - brought;
        }
        // With nothing that brings it, somebody comes for what nobody knows.
        follow(plan, 0, active, active == 0 ? p * UNEXPLAINED : p);
        complaint += active == 0 ? p * UNEXPLAINED : p;
        if (active == 0) {
          break;
        }
      }
    }
  }

  /**
   * @param active causes that bring the complaint still
   */
  private void follow(List<Remedy> plan, int step, int active, double p) {
    if (p == 0) {
      return;
    }
    if (step == plan.size()) {
      fails += active == 0 ? 0 : p;
      return;
    }
    Remedy remedy = plan.get(step);
    boolean last = step == plan.size() - 1;
    minutes += p * (remedy.minutes().get(0) + 0.1 * remedy.minutes().get(1) + (last ? 0 : LOOK));
    parts += p * remedy.parts();
    owner += p * remedy.owner();
    for (int left = active; ; left = (left - 1) & active) {
      double way = p;
      for (int c = 0; c < CAUSES; c++) {
        if ((active & 1 << c) != 0) {
          double cured = remedy.cures().getOrDefault("c" + c, 0.0);
          way *= (left & 1 << c) != 0 ? 1 - cured : cured;
        }
      }
      if (left != 0) {
        follow(plan, step + 1, left, way);
      }
      if (left == 0) {
        break;
      }
    }
  }

  @ParameterizedTest(name = "seed {0}")
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void everyPlanIsWhatAllWaysComeTo(long seed) {
    KnowHow knowHow = knowHow(new Random(seed));
    Network network = Network.of(knowHow, List.of("slow"), List.of(), List.of());
    Posterior faults = network.posterior();

    List<Plan> plans =
        new Plans(knowHow, network, faults, Optional.empty())
            .rank(faults, Stake.of(DataStatus.NOT_WANTED));

    assertThat(plans).hasSizeGreaterThan(5).anyMatch(plan -> plan.remedies().size() >= 2);
    for (Plan plan : plans) {
      everyWay(plan.remedies());
      assertThat(plan.fails()).as(plan.words()).isCloseTo(fails / complaint, within(1e-9));
      assertThat(plan.minutes()).as(plan.words()).isCloseTo(minutes / complaint, within(1e-9));
      assertThat(plan.parts()).as(plan.words()).isCloseTo(parts / complaint, within(1e-9));
      assertThat(plan.owner()).as(plan.words()).isCloseTo(owner / complaint, within(1e-9));
    }
  }
}

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
import tekmerion.core.weigh.Weighing.Part;

/**
 * What a plan promises, against every machine that there can be: each set of causes, each way in
 * which those bring their owner, each outcome of each remedy on each cause. The plan is carried out
 * on every one of them as somebody would.
 */
class PlanChancesTest {
  private static final int CAUSES = 3;

  /** Stated by the weighing: of a listed cause a fifth of its share before anybody complains. */
  private static final double BEFORE = 0.2;

  private static final double IN_OTHER_WORDS = 0.05;
  private static final double UNEXPLAINED = 0.01;

  /** Stated by the plans: writing risks so much, from a failing drive more; so does recovery. */
  private static final double WRITING = 0.04;

  private static final double TO_FAILING = 0.35;
  private static final double RECOVERY = 0.02;
  private static final double FROM_FAILING = 0.1;

  private record Counted(double gone, double lost) {}

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void whatAPlanPromisesIsWhatItComesToOnEveryMachine(long seed) {
    Random random = new Random(seed);
    KnowHow knowHow = knowHow(random);
    Network network =
        Network.of(knowHow, List.of("slow"), List.of(new Part("d", "drive", "d")), List.of());
    Posterior faults = network.posterior();
    Plans plans = new Plans(knowHow, network, faults, Optional.empty());
    Stake wanted = Stake.of(DataStatus.WANTED);

    List<Plan> ranked = new ArrayList<>(plans.rank(faults, wanted));
    ranked.add(plans.of(faults, wanted, plans.choices().named(List.of("copy", "r2", "r0"))));
    ranked.add(plans.of(faults, wanted, plans.choices().named(List.of("copy"))));

    assertThat(ranked).hasSizeGreaterThan(5);
    for (Plan plan : ranked) {
      Counted counted = onEveryMachine(knowHow, plan);
      assertThat(plan.gone()).as(plan.id()).isCloseTo(counted.gone(), within(1e-9));
      assertThat(plan.dataLost()).as(plan.id()).isCloseTo(counted.lost(), within(1e-9));
    }
  }

  /** One cause on a drive that dies of it, one on it that does not, one of the machine. */
  private static KnowHow knowHow(Random random) {
    List<Cause> causes =
        List.of(
            cause("c0", "drive", Map.of("slow", 0.2 + 0.4 * random.nextDouble()), 0.5),
            cause("c1", "drive", Map.of("any", 0.1 + 0.3 * random.nextDouble()), null),
            cause("c2", "machine", Map.of("slow", 0.2 + 0.4 * random.nextDouble()), null));
    Invasiveness[] touches = {
      Invasiveness.WRITES_TO_DRIVE, Invasiveness.ERASES, Invasiveness.OPENS_CASE
    };
    List<Remedy> remedies = new ArrayList<>();
    remedies.add(
        new Remedy(
            "copy",
            "copy",
            Course.RECOVER_DATA,
            "",
            List.of(20, 100),
            null,
            10,
            Invasiveness.LOOKS_ONLY,
            0,
            Map.of(),
            null));
    for (int r = 0; r < 3; r++) {
      Map<String, Double> cures = new HashMap<>();
      for (int c = 0; c < CAUSES; c++) {
        if (random.nextInt(3) > 0) {
          cures.put("c" + c, 0.3 + 0.65 * random.nextDouble());
        }
      }
      remedies.add(
          new Remedy(
              "r" + r,
              "r" + r,
              Course.REPAIR,
              "",
              List.of(10, 0),
              null,
              0,
              touches[random.nextInt(3)],
              0,
              cures,
              null));
    }
    return new KnowHow(
        List.of(new Family("slow", "Slow", null, null)),
        causes,
        List.of(bearingOnAll()),
        List.of(),
        List.of(),
        remedies);
  }

  /** Asked for by the know-how, found on no machine here. */
  private static FindingKind bearingOnAll() {
    List<Double> even = List.of(0.5, 0.5);
    return new FindingKind(
        "f",
        "f",
        "f",
        List.of("no", "yes"),
        even,
        Map.of("c0", even, "c1", even, "c2", even),
        Map.of(),
        Map.of(),
        "arithmetic");
  }

  private static Cause cause(String id, String of, Map<String, Double> prior, Double dataRisk) {
    Map<String, Double> all = new HashMap<>(prior);
    all.putIfAbsent("any", 0.05);
    String place = of.equals("drive") ? "drive" : "power";
    return new Cause(id, id, id, id, of, place, List.of(), all, dataRisk);
  }

  private static Counted onEveryMachine(KnowHow knowHow, Plan plan) {
    List<Cause> causes = List.copyOf(knowHow.causes());
    List<Remedy> steps = plan.remedies();
    double came = 0;
    double gone = 0;
    double lost = 0;
    int outcomes = steps.size() * CAUSES;
    for (int set = 0; set < 1 << CAUSES; set++) {
      double ofSet = 1;
      double[] brings = new double[CAUSES];
      for (int c = 0; c < CAUSES; c++) {
        boolean listed = causes.get(c).prior().containsKey("slow");
        double share = causes.get(c).prior().getOrDefault(listed ? "slow" : "any", 0.0);
        double p = share * (listed ? BEFORE : 1);
        boolean there = (set >> c & 1) == 1;
        ofSet *= there ? p : 1 - p;
        brings[c] = there ? listed ? 1 : IN_OTHER_WORDS : 0;
      }
      boolean failing = (set & 1) == 1;
      for (int why = 1; why < 1 << CAUSES + 1; why++) {
        double ofWhy = (why >> CAUSES & 1) == 1 ? UNEXPLAINED : 1 - UNEXPLAINED;
        for (int c = 0; c < CAUSES; c++) {
          ofWhy *= (why >> c & 1) == 1 ? brings[c] : 1 - brings[c];
        }
        if (ofWhy == 0) {
          continue;
        }
        came += ofSet * ofWhy;
        for (int mended = 0; mended < 1 << outcomes; mended++) {
          double chance = ofSet * ofWhy;
          for (int k = 0; k < steps.size(); k++) {
            for (int c = 0; c < CAUSES; c++) {
              double cure = steps.get(k).cures().getOrDefault(causes.get(c).id(), 0.0);
              chance *= (mended >> k * CAUSES + c & 1) == 1 ? cure : 1 - cure;
            }
          }
          if (chance > 0) {
            Counted end = carriedOut(steps, why, mended, failing);
            gone += chance * end.gone();
            lost += chance * end.lost();
          }
        }
      }
    }
    return new Counted(gone / came, lost / came);
  }

  /** Step by step, until the complaint is gone. */
  private static Counted carriedOut(List<Remedy> steps, int why, int mended, boolean failing) {
    // What nobody knows of has no remedy and is not looked for on the way.
    int left = why & (1 << CAUSES) - 1;
    double unharmed = 1;
    double copyFails = 1;
    boolean copiedAtOnce = false;
    boolean begun = false;
    for (int k = 0; k < steps.size(); k++) {
      Remedy step = steps.get(k);
      if (begun && left == 0) {
        break;
      }
      if (step.id().equals("copy")) {
        copyFails = RECOVERY + (failing ? FROM_FAILING : 0);
        copiedAtOnce = k == 0;
      }
      begun |= !step.id().equals("copy");
      unharmed *=
          switch (step.invasiveness()) {
            case ERASES -> 0;
            case WRITES_TO_DRIVE -> 1 - WRITING - (failing ? TO_FAILING : 0);
            default -> 1;
          };
      left &= ~(mended >> k * CAUSES & (1 << CAUSES) - 1);
    }
    // A failing drive dies every other time: before a copy that was not made at once, or after it.
    double survives = failing ? 0.5 : 1;
    double lost =
        copiedAtOnce
            ? copyFails * (1 - survives * unharmed)
            : 1 - survives * (1 - copyFails * (1 - unharmed));
    return new Counted(left == 0 && why < 1 << CAUSES ? 1 : 0, lost);
  }
}

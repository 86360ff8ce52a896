package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.Family;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.weigh.Weighing.Part;

/** Against arithmetic: one cause that brings the complaint, one that seldom does. */
class PlansTest {
  /** What is worn and still there: another look, the swap, and three in ten come back then. */
  private static final double LOOKED_AGAIN = 90 + (30 + 0.1 * 50 + 60) + 0.3 * 600;

  private static final double COMEBACK = 600;
  private static final double LEFT = 300;
  private static final double LOOK = 12;
  private static final double WANTED = 3000;
  private static final int SET_UP = 200;

  /**
   * Of machines that come for "slow" a share of 0.4; a fifth of it, 0.08, before anybody
   * complained. 0.3 are loud. A complaint comes for certain from what is worn, with 0.05 from what
   * is loud, with 0.01 from nothing known: P(complaint) is 0.92·(0.7·0.01 + 0.3·(1 − 0.99·0.95)) +
   * 0.08.
   */
  private static final double COMPLAINT = 0.92 * (0.7 * 0.01 + 0.3 * (1 - 0.99 * 0.95)) + 0.08;

  private static final double WORN = 0.08 / COMPLAINT;

  /** That the loud fan alone is what brought somebody. */
  private static final double BY_NOISE = 0.92 * 0.3 * 0.05 / COMPLAINT;

  /**
   * That it is there still if what is worn is mended with this chance: the noise may bring it too.
   */
  private static double thereAfter(double mended) {
    return BY_NOISE + WORN * (0.7 * (1 - mended) + 0.3 * (1 - mended * 0.95));
  }

  /**
   * @param loud the share of all machines whose fan is loud
   */
  private static KnowHow knowHow(double loud) {
    return new KnowHow(
        List.of(new Family("slow", "Slow", null, null)),
        List.of(
            new Cause(
                "worn",
                "W",
                "w",
                "w",
                "drive",
                "drive",
                List.of(),
                Map.of("any", 0.1, "slow", 0.4),
                0.5),
            new Cause(
                "loud", "L", "l", "l", "machine", "power", List.of(), Map.of("any", loud), null)),
        List.of(finding("s", "worn"), finding("t", "loud")),
        List.of(),
        List.of(),
        List.of(
            remedy("copy", Course.RECOVER_DATA, 20, 100, 10, Invasiveness.LOOKS_ONLY, Map.of()),
            remedy(
                "swap",
                Course.REPLACE_PART,
                30,
                50,
                60,
                Invasiveness.OPENS_CASE,
                Map.of("worn", 0.9)),
            remedy(
                "wipe", Course.RESET_ERASING, 10, 0, 0, Invasiveness.ERASES, Map.of("worn", 0.9))));
  }

  private static FindingKind finding(String id, String cause) {
    return new FindingKind(
        id,
        id,
        id,
        List.of("no", "yes"),
        List.of(0.9, 0.1),
        Map.of(cause, List.of(0.5, 0.5)),
        Map.of(),
        Map.of(),
        "arithmetic");
  }

  private static Remedy remedy(
      String id,
      Course course,
      int work,
      int wait,
      int parts,
      Invasiveness invasiveness,
      Map<String, Double> cures) {
    int owner = invasiveness == Invasiveness.ERASES ? SET_UP : 0;
    return new Remedy(
        id, id, course, "", List.of(work, wait), null, parts, invasiveness, owner, cures, null);
  }

  private static List<Plan> plans(DataStatus dataStatus) {
    return plans(knowHow(0.3), dataStatus);
  }

  private static List<Plan> plans(KnowHow knowHow, DataStatus dataStatus) {
    Network network =
        Network.of(knowHow, List.of("slow"), List.of(new Part("d", "drive", "d")), List.of());
    Posterior faults = network.posterior();
    return new Plans(knowHow, network, faults, Optional.empty()).rank(faults, Stake.of(dataStatus));
  }

  private static Plan plan(DataStatus dataStatus, String... remedies) {
    return plan(plans(dataStatus), remedies);
  }

  private static Plan plan(List<Plan> plans, String... remedies) {
    return plans.stream()
        .filter(p -> p.remedies().stream().map(Remedy::id).toList().equals(List.of(remedies)))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void doingNothingCostsWhatEndsItLaterAndTheComebackOfWhatNothingEnds() {
    Plan nothing = plan(DataStatus.NOT_WANTED);

    assertThat(nothing.fails()).isCloseTo(BY_NOISE + WORN, within(1e-9));
    assertThat(nothing.cost()).isCloseTo(BY_NOISE * COMEBACK + WORN * LOOKED_AGAIN, within(1e-6));
    assertThat(nothing.courses()).containsExactly(Course.NOTHING_FOUND);
  }

  /** Of machines that are loud in 95 of 100 it is as good as found, and nobody came for it. */
  @Test
  void whatWasFoundAndIsLeftCostsThoughNobodyCameForIt() {
    double loud = 0.95;
    double complaint = 0.92 * ((1 - loud) * 0.01 + loud * (1 - 0.99 * 0.95)) + 0.08;
    double found = (0.92 * loud * (1 - 0.99 * 0.95) + 0.08 * loud) / complaint;
    double noise = 0.92 * loud * 0.05 / complaint;
    double worn = 0.08 * ((1 - loud) * 0.1 + loud * (1 - 0.9 * 0.95)) / complaint;

    Plan swap = plan(plans(knowHow(loud), DataStatus.NOT_WANTED), "swap");

    assertThat(swap.fails()).isCloseTo(noise + worn, within(1e-9));
    assertThat(swap.comeback())
        .isCloseTo(noise * COMEBACK + worn * LOOKED_AGAIN + found * LEFT, within(1e-6));
  }

  @Test
  void aRemedyCostsItsWorkItsPartsAndWhatItDoesNotMend() {
    Plan swap = plan(DataStatus.NOT_WANTED, "swap");

    assertThat(swap.minutes()).isCloseTo(30 + 0.1 * 50, within(1e-9));
    assertThat(swap.parts()).isEqualTo(60);
    assertThat(swap.fails()).isCloseTo(thereAfter(0.9), within(1e-9));
    double worn = thereAfter(0.9) - BY_NOISE;
    assertThat(swap.comeback()).isCloseTo(BY_NOISE * COMEBACK + worn * LOOKED_AGAIN, within(1e-6));
    assertThat(swap.data()).isZero();
  }

  @Test
  void theDataIsRecoveredFirstWhereThatIsCheaperThanRiskingIt() {
    // Only what is worn dies, every other time; recovery from it fails with 0.02 and 0.1 more.
    Plan swap = plan(DataStatus.WANTED, "copy", "swap");

    assertThat(swap.data()).isCloseTo(WORN * 0.5 * (0.02 + 0.1) * WANTED, within(1e-6));
    assertThat(swap.minutes()).isCloseTo(35 + 20 + 0.1 * 100, within(1e-9));
    assertThat(swap.parts()).isEqualTo(70);
    assertThat(plans(DataStatus.WANTED).get(0).courses()).startsWith(Course.RECOVER_DATA);
    assertThat(plans(DataStatus.NOT_WANTED).get(0).courses()).doesNotContain(Course.RECOVER_DATA);
  }

  @Test
  void erasingWantedDataCostsAllOfItAndItsOwnerTheSetUp() {
    // Recovered first; what recovery does not bring is lost for sure.
    Plan wipe = plan(DataStatus.WANTED, "copy", "wipe");

    assertThat(wipe.data()).isCloseTo(1.0 * (0.02 + 0.1 * WORN) * WANTED, within(1e-6));
    assertThat(plan(DataStatus.COPY_VERIFIED, "wipe").data()).isZero();
    assertThat(plan(DataStatus.COPY_VERIFIED, "wipe").owner()).isEqualTo(SET_UP);
  }

  /** Not a bundle: what comes second costs only as often as it is needed. */
  @Test
  void theSecondRemedyIsMadeOnlyIfTheComplaintIsThereStill() {
    Plan both = plan(DataStatus.NOT_WANTED, "swap", "wipe");
    double needed = thereAfter(0.9);

    assertThat(both.minutes()).isCloseTo(35 + LOOK + needed * 10, within(1e-9));
    assertThat(both.owner()).isCloseTo(needed * SET_UP, within(1e-9));
    assertThat(both.fails()).isCloseTo(thereAfter(0.99), within(1e-9));
    assertThat(plan(DataStatus.NOT_WANTED, "wipe", "swap").cost())
        .isGreaterThan(plan(DataStatus.NOT_WANTED, "swap").cost());
  }

  /** Signed before anybody saw that less does not end it, an erased drive is nobody's plan. */
  @Test
  void whatSetsUpAnewIsPlannedOnlyWhereItIsLikelyToBeNeeded() {
    assertThat(plan(DataStatus.NOT_WANTED, "swap", "wipe").cost()).isInfinite();
    assertThat(plan(DataStatus.NOT_WANTED, "wipe").cost()).isFinite();
  }

  /** The second finds open what the first opened: 25 of its 45 minutes are spent already. */
  @Test
  void whatIsOpenIsOpenedOnce() {
    Remedy.SetUp frame = new Remedy.SetUp("frame", 25);
    List<Remedy> remedies =
        List.of(
            repair("cable", 35, frame, Map.of("worn", 0.5)),
            repair("panel", 45, frame, Map.of("worn", 0.9)));
    KnowHow before = knowHow(0.3);
    KnowHow knowHow =
        new KnowHow(
            before.families(), before.causes(), before.findings(), List.of(), List.of(), remedies);

    Plan both = plan(plans(knowHow, DataStatus.NOT_WANTED), "cable", "panel");

    assertThat(both.minutes()).isCloseTo(35 + LOOK + thereAfter(0.5) * 20, within(1e-9));
  }

  private static Remedy repair(String id, int work, Remedy.SetUp setUp, Map<String, Double> cures) {
    return new Remedy(
        id,
        id,
        Course.REPAIR,
        "",
        List.of(work, 0),
        setUp,
        0,
        Invasiveness.OPENS_CASE,
        0,
        cures,
        null);
  }

  /** Either remedy alone leaves the complaint, so that alone neither is cheaper than nothing. */
  @Test
  void twoCausesAtOnceAreMendedByTwoRemedies() {
    List<Cause> causes =
        List.of(
            new Cause("a", "A", "a", "a", "machine", "power", List.of(), Map.of("any", 0.9), null),
            new Cause("b", "B", "b", "b", "machine", "power", List.of(), Map.of("any", 0.9), null));
    List<Remedy> remedies = new ArrayList<>();
    remedies.add(
        remedy("mend-a", Course.REPAIR, 50, 0, 0, Invasiveness.NO_TOOLS, Map.of("a", 1.0)));
    remedies.add(
        remedy("mend-b", Course.REPAIR, 50, 0, 0, Invasiveness.NO_TOOLS, Map.of("b", 1.0)));
    for (int i = 0; i < 8; i++) {
      remedies.add(
          remedy("cheap-" + i, Course.REPAIR, 1, 0, 0, Invasiveness.NO_TOOLS, Map.of("a", 0.01)));
    }
    KnowHow knowHow =
        new KnowHow(
            List.of(),
            causes,
            List.of(finding("s", "a"), finding("t", "b")),
            List.of(),
            List.of(),
            remedies);
    Network network = Network.of(knowHow, List.of(), List.of(), List.of());
    Posterior faults = network.posterior();

    Plan best =
        new Plans(knowHow, network, faults, Optional.empty())
            .rank(faults, Stake.of(DataStatus.NOT_WANTED))
            .get(0);

    assertThat(best.remedies())
        .extracting(Remedy::id)
        .containsExactlyInAnyOrder("mend-a", "mend-b");
  }
}

package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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

/** Against arithmetic: one cause behind the complaint, one that nobody came for. */
class PlansTest {
  private static final double COMEBACK = 600;
  private static final double WANTED = 3000;

  /**
   * Of machines that come for "slow" a share of 0.4; a fifth of it, 0.08, before anybody
   * complained, and a complaint without it is a hundred times rarer: 0.08 / (0.08 + 0.92 × 0.01).
   */
  private static final double WORN = 0.08 / (0.08 + 0.92 * 0.01);

  /** The fan may be loud as well, and nobody minds. */
  private static final KnowHow KNOW_HOW =
      new KnowHow(
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
                  "loud", "L", "l", "l", "machine", "power", List.of(), Map.of("any", 0.3), null)),
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
                  "wipe",
                  Course.RESET_ERASING,
                  10,
                  0,
                  0,
                  Invasiveness.ERASES,
                  Map.of("worn", 0.9))));

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
    return new Remedy(id, id, course, "", List.of(work, wait), parts, invasiveness, cures);
  }

  private static List<Plan> plans(DataStatus dataStatus) {
    Network network =
        Network.of(KNOW_HOW, List.of("slow"), List.of(new Part("d", "drive", "d")), List.of());
    Posterior faults = network.posterior();
    return new Plans(KNOW_HOW, network, faults).rank(faults, Stake.of(dataStatus));
  }

  private static Plan plan(DataStatus dataStatus, String... remedies) {
    return plans(dataStatus).stream()
        .filter(p -> p.remedies().stream().map(Remedy::id).toList().equals(List.of(remedies)))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void doingNothingCostsTheComebackOfWhatTheOwnerCameFor() {
    Plan nothing = plan(DataStatus.NOT_WANTED);

    // The loud fan, 0.3, is not behind "slow" and costs nothing.
    assertThat(nothing.fails()).isCloseTo(WORN, within(1e-9));
    assertThat(nothing.cost()).isCloseTo(WORN * COMEBACK, within(1e-6));
    assertThat(nothing.courses()).containsExactly(Course.NOTHING_FOUND);
  }

  @Test
  void aRemedyCostsItsWorkItsPartsAndWhatItDoesNotMend() {
    Plan swap = plan(DataStatus.NOT_WANTED, "swap");

    assertThat(swap.minutes()).isCloseTo(30 + 0.1 * 50, within(1e-9));
    assertThat(swap.parts()).isEqualTo(60);
    assertThat(swap.fails()).isCloseTo(WORN * 0.1, within(1e-9));
    assertThat(swap.data()).isZero();
  }

  @Test
  void theDataIsRecoveredFirstWhereThatIsCheaperThanRiskingIt() {
    // Left alone it dies with WORN × 0.5; recovery fails with 0.02, and 0.1 more if it is worn.
    Plan swap = plan(DataStatus.WANTED, "copy", "swap");

    assertThat(swap.data()).isCloseTo(WORN * 0.5 * (0.02 + 0.1 * WORN) * WANTED, within(1e-6));
    assertThat(swap.minutes()).isCloseTo(35 + 20 + 0.1 * 100, within(1e-9));
    assertThat(swap.parts()).isEqualTo(70);
    assertThat(plans(DataStatus.WANTED).get(0).courses()).startsWith(Course.RECOVER_DATA);
    assertThat(plans(DataStatus.NOT_WANTED).get(0).courses()).doesNotContain(Course.RECOVER_DATA);
  }

  @Test
  void erasingWantedDataCostsAllOfIt() {
    // Recovered first; what recovery does not bring is lost for sure.
    Plan wipe = plan(DataStatus.WANTED, "copy", "wipe");

    assertThat(wipe.data()).isCloseTo(1.0 * (0.02 + 0.1 * WORN) * WANTED, within(1e-6));
    assertThat(plan(DataStatus.COPY_VERIFIED, "wipe").data()).isZero();
  }

  @Test
  void twoRemediesAreTriedTheGentlerFirst() {
    // 0.9, then 0.9 of the rest: a hundredth is left.
    assertThat(plan(DataStatus.NOT_WANTED, "swap", "wipe").fails())
        .isCloseTo(WORN * 0.01, within(1e-9));
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
        new Plans(knowHow, network, faults).rank(faults, Stake.of(DataStatus.NOT_WANTED)).get(0);

    assertThat(best.remedies())
        .extracting(Remedy::id)
        .containsExactlyInAnyOrder("mend-a", "mend-b");
  }
}

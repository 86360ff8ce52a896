package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tekmerion.core.decision.Course;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.Family;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighed.FindingWeight;
import tekmerion.core.weigh.Weighing.Part;

class WeighingTest {
  private static final List<Part> ONE_DRIVE = List.of(new Part("drive-a", "drive", "drive A"));

  /** One cause on drives with prior 0.5; two findings that measure the same, one that does not. */
  private static KnowHow knowHow() {
    return new KnowHow(
        List.of(new Family("slow", "Slow", null, null)),
        List.of(
            new Cause(
                "worn",
                "Worn drive",
                "{part} is worn",
                "{part} being worn",
                "drive",
                "drive",
                List.of(),
                Map.of("any", 0.5, "slow", 0.2),
                0.5)),
        List.of(
            finding("waiting", "surface", 0.1, 0.8),
            finding("uncorrectable", "surface", 0.1, 0.5),
            finding("noise", "noise", 0.1, 0.8)),
        List.of(),
        List.of(),
        List.of(
            new Remedy(
                "recover-data",
                "Recover it",
                Course.RECOVER_DATA,
                "",
                List.of(20, 0),
                null,
                0,
                Invasiveness.LOOKS_ONLY,
                0,
                Map.of(),
                null),
            new Remedy(
                "replace-drive",
                "Replace the drive",
                Course.REPLACE_PART,
                "drive",
                List.of(30, 0),
                null,
                60,
                Invasiveness.OPENS_CASE,
                0,
                Map.of("worn", 1.0),
                null)));
  }

  private static FindingKind finding(String id, String group, double leak, double link) {
    return new FindingKind(
        id,
        id,
        group,
        List.of("no", "yes"),
        List.of(1 - leak, leak),
        Map.of("worn", List.of(1 - link, link)),
        Map.of(),
        Map.of(),
        "arithmetic");
  }

  private static Finding seen(String id, String level) {
    return new Finding(id, "drive-a", level, id + " " + level, Finding.Basis.intake());
  }

  private static CauseShare worn(Finding... findings) {
    return Weighing.of(knowHow(), List.of(), ONE_DRIVE, List.of(findings)).causes().get(0);
  }

  @Test
  void aFindingWeighsItsLeaveOneOutChangeInDecibans() {
    // P(yes | worn) = 1 - 0.9 × 0.2 = 0.82, P(yes | not) = 0.1: 10·log10(8.2) = 9.138 dB
    CauseShare worn = worn(seen("waiting", "yes"));

    assertThat(worn.weights())
        .singleElement()
        .extracting(FindingWeight::decibans)
        .satisfies(d -> assertThat((double) d).isCloseTo(9.138, within(1e-3)));
    assertThat(worn.probability()).isCloseTo(0.82 / 0.92, within(1e-12));
  }

  /**
   * P(waiting) = P(noise) = (0.82 + 0.1) / 2 = 0.46. Both yes: (0.82² + 0.1²) / 2 = 0.3412, so
   * log2(0.46² / 0.3412) = −0.689; one of them no: (0.82·0.18 + 0.1·0.9) / 2 = 0.1188, so
   * log2(0.46·0.54 / 0.1188) = 1.064.
   */
  @Test
  void findingsOfOneFaultAgreeAndThoseOfNoneSpeakAgainstOneAnother() {
    Weighed agree = weighed(seen("waiting", "yes"), seen("noise", "yes"));
    Weighed against = weighed(seen("waiting", "yes"), seen("noise", "no"));

    assertThat(agree.conflictBits()).isCloseTo(-0.689, within(1e-3));
    assertThat(against.conflictBits()).isCloseTo(1.064, within(1e-3));
    assertThat(weighed(seen("waiting", "yes")).conflictBits()).isZero();
    assertThat(against.doubt()).isEmpty(); // that much is chance
  }

  private static Weighed weighed(Finding... findings) {
    return Weighing.of(knowHow(), List.of(), ONE_DRIVE, List.of(findings));
  }

  @Test
  void unknownIsNotAbsent() {
    // Absent: P(no | worn) = 0.9 × 0.2 = 0.18, P(no | not) = 0.9: 0.18 / 1.08
    assertThat(worn().probability()).isCloseTo(0.5, within(1e-12));
    assertThat(worn(seen("waiting", "no")).probability()).isCloseTo(0.18 / 1.08, within(1e-12));
  }

  @Test
  void findingsOfOneGroupAreNotCountedTwice() {
    CauseShare one = worn(seen("waiting", "yes"));
    CauseShare both = worn(seen("uncorrectable", "yes"), seen("waiting", "yes"));
    CauseShare other = worn(seen("waiting", "yes"), seen("noise", "yes"));

    assertThat(both.probability()).isEqualTo(one.probability());
    assertThat(both.weights())
        .filteredOn(w -> w.finding().id().equals("uncorrectable"))
        .singleElement()
        .satisfies(
            w -> {
              assertThat(w.decibans()).isZero();
              assertThat(w.countedBy()).isEqualTo("waiting yes");
            });
    assertThat(other.probability()).isGreaterThan(one.probability());
  }

  @Test
  void aLaterFindingOfTheSameKindReplacesTheEarlier() {
    assertThat(worn(seen("waiting", "yes"), seen("waiting", "no")).probability())
        .isEqualTo(worn(seen("waiting", "no")).probability());
  }

  @Test
  void theFamilySetsThePriorAndTheComplaintTellsThatSomethingIsThere() {
    // A share of 0.2 among "slow" machines, a fifth of it before the complaint; without it a
    // complaint is a hundred times rarer: 0.04 / (0.04 + 0.96 × 0.01).
    assertThat(
            Weighing.of(knowHow(), List.of("slow"), ONE_DRIVE, List.of())
                .causes()
                .get(0)
                .probability())
        .isCloseTo(0.04 / 0.0496, within(1e-12));
  }

  @Test
  void aFindingOfOneDriveDoesNotBearOnTheOther() {
    List<Part> two =
        List.of(new Part("drive-a", "drive", "drive A"), new Part("drive-b", "drive", "drive B"));

    Weighed weighed = Weighing.of(knowHow(), List.of(), two, List.of(seen("waiting", "yes")));

    assertThat(weighed.causes().get(0).part()).isEqualTo("drive-a");
    assertThat(weighed.causes().get(1).probability()).isCloseTo(0.5, within(1e-12));
    assertThat(weighed.causes().get(1).suspicion()).isEqualTo(Suspicion.LEANING);
  }

  @Test
  void saysWhatItFoundAndWhatUsuallyFollows() {
    Weighed weighed =
        Weighing.of(
            knowHow(), List.of(), ONE_DRIVE, List.of(seen("waiting", "yes"), seen("noise", "yes")));

    // Odds 8.2² = 67.24: 67.24 / 68.24 = 0.985
    assertThat(weighed.headline()).isEqualTo("Drive A is worn, 99 in 100.");
    assertThat(weighed.leaning()).containsExactly(Course.RECOVER_DATA, Course.REPLACE_PART);
  }

  @Test
  void aFindingThatNobodyKnowsIsOurMistakeAndSaysSo() {
    assertThatThrownBy(() -> worn(seen("colour", "yes"))).hasMessageContaining("colour");
    assertThatThrownBy(() -> worn(seen("waiting", "maybe"))).hasMessageContaining("maybe");
  }

  /** P(yes) is 0.1 without and 1 − 0.9·0.2 = 0.82 with the fault, either half likely. */
  @Test
  void aQuestionTellsItsMutualInformation() {
    Map<String, Double> bits =
        Weighing.bits(
            knowHow(),
            List.of(),
            ONE_DRIVE,
            List.of(seen("waiting", "yes")),
            Map.of("both", List.of("noise", "waiting"), "known", List.of("waiting")));
    double unasked =
        Weighing.bits(knowHow(), List.of(), ONE_DRIVE, List.of(), Map.of("noise", List.of("noise")))
            .get("noise");

    // h(0.46) − h(0.82)/2 − h(0.1)/2 = 0.99538 − 0.34004 − 0.23450, h in bits
    assertThat(unasked).isCloseTo(0.42084, within(1e-4));
    assertThat(bits.get("known")).isZero();
    assertThat(bits.get("both")).isBetween(0.0, unasked); // after a finding that told, less is open
  }

  @Test
  void ofSeveralFamiliesTheHighestPriorCounts() {
    assertThat(
            Weighing.of(knowHow(), List.of("slow", "other"), ONE_DRIVE, List.of())
                .causes()
                .get(0)
                .prior())
        .isEqualTo(0.5);
  }
}

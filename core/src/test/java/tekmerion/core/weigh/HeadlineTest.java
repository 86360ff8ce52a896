package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighing.Part;
import tekmerion.words.Language;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

class HeadlineTest {
  private static final Cause DRIVE = cause("{part} is failing", "{part} failing");
  private static final Cause CABLE = cause("Its cable is bad", "its cable");

  private static Cause cause(String claim, String guess) {
    return new Cause("c", "C", claim, guess, "drive", "drive", List.of(), Map.of("any", 0.1), null);
  }

  private static CauseShare share(double probability) {
    return share(probability, true);
  }

  private static CauseShare share(double probability, boolean behind) {
    Suspicion suspicion = Suspicion.of(probability, true);
    return new CauseShare(
        "c",
        "drive-a",
        "C",
        "drive A",
        "drive",
        behind,
        0.1,
        probability,
        suspicion,
        0,
        0,
        List.of());
  }

  private static String of(double first, double second, double none) {
    return Headline.of(List.of(DRIVE, CABLE), List.of(share(first), share(second)), none);
  }

  @Test
  void saysWhatIsSureWhatIsLikelyAndWhatIsNot() {
    assertThat(of(0.96, 0.03, 0.01))
        .isEqualTo("Drive A is failing, 96 in 100. The next guess is its cable, 3 in 100.");
    assertThat(of(0.6, 0.01, 0.1)).isEqualTo("Perhaps drive A is failing, 60 in 100.");
    assertThat(of(0.2, 0.1, 0.1))
        .isEqualTo(
            "Nothing stands out. Likeliest is drive A failing, 20 in 100."
                + " The next guess is its cable, 10 in 100.");
    assertThat(of(0.2, 0.1, 0.7))
        .isEqualTo(
            "No known cause stands out: 70 in 100 that it is none of them."
                + " Likeliest is drive A failing, 20 in 100.");
  }

  @Test
  void saysBesideItWhatNobodyCameFor() {
    String said = Headline.of(List.of(CABLE, DRIVE), List.of(share(0.6), share(0.99, false)), 0.1);

    assertThat(said)
        .isEqualTo("Perhaps its cable is bad, 60 in 100. Beside that, drive A is failing.");
  }

  @ParameterizedTest
  @CsvSource({
    "0, less than 1 in 100",
    "0.004, less than 1 in 100",
    "0.5, 50 in 100",
    "0.9949, 99 in 100",
    "0.996, more than 99 in 100",
    "1, more than 99 in 100"
  })
  void neverClaimsCertainty(double probability, String words) {
    assertThat(Headline.ofHundred(probability)).isEqualTo(words);
  }

  @ParameterizedTest(name = "{0}, any finding {1}: {2}")
  @CsvSource({
    "0.85, true, IMPLICATED",
    "0.849, true, LEANING",
    "0.35, true, LEANING",
    "0.34, true, OPEN",
    "0.10, true, OPEN",
    "0.10, false, UNKNOWN",
    "0.099, true, LEANING_CLEAR",
    "0.02, true, LEANING_CLEAR",
    "0.019, true, CLEARED",
    "0.001, false, UNKNOWN", // a low prior alone clears nothing
    "0.9, false, IMPLICATED"
  })
  void tiltsByProbabilityAndClearsOnlyByAFinding(
      double probability, boolean anyFinding, Suspicion suspicion) {
    assertThat(Suspicion.of(probability, anyFinding)).isEqualTo(suspicion);
  }

  @Test
  void aWeighingIsToldInAnotherLanguageWithoutBeingWeighedAgain() {
    List<Finding> clicks =
        List.of(
            new Finding("noise.clicks", "drive-a", "clicks", "it clicks", Finding.Basis.intake()));
    Weighed english = weigh("drive A", clicks);

    assertThat(english.retold(KnowHow.shipped(), parts("drive A"))).isEqualTo(english);
    Words.in(
        Speaking.prose(Language.NB),
        () -> {
          Weighed told = english.retold(KnowHow.shipped(), parts("disk A"));
          Weighed weighed = weigh("disk A", clicks);
          assertThat(told.headline()).isEqualTo(weighed.headline()).contains("disk A");
          assertThat(told.causes())
              .extracting(CauseShare::name, CauseShare::partName)
              .isEqualTo(
                  weighed.causes().stream().map(c -> tuple(c.name(), c.partName())).toList());
          return told;
        });
  }

  private static List<Part> parts(String name) {
    return List.of(new Part("drive-a", Part.DRIVE, name));
  }

  private static Weighed weigh(String drive, List<Finding> findings) {
    return Weighing.of(KnowHow.shipped(), List.of("slow"), parts(drive), findings);
  }
}

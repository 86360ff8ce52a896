package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighing.Part;

class RecurrenceTest {
  private static final List<Part> DRIVE = List.of(new Part("drive-a", "drive", "drive A"));

  private static Finding seen(String id, String part, String level) {
    return new Finding(id, part, level, id, Finding.Basis.move());
  }

  private static double cable(Finding... findings) {
    return Weighing.of(KnowHow.shipped(), List.of("not-seen"), DRIVE, List.of(findings))
        .causes()
        .stream()
        .filter(share -> share.cause().equals("drive-link"))
        .mapToDouble(CauseShare::probability)
        .findFirst()
        .orElseThrow();
  }

  private static Finding gone() {
    return seen("cable-other.after", "drive-a", "gone");
  }

  /** An update that ends is seen to end, however seldom the complaint comes. */
  @Test
  void onlyWhatAsksForTheComplaintIsReadByHowOftenItComes() {
    assertThat(KnowHow.shipped().goneLevel("update.ends")).isEmpty();
    assertThat(KnowHow.shipped().goneLevel("dust.seen")).isEmpty();
    assertThat(KnowHow.shipped().goneLevel("bench-start.runs")).contains("runs");
    assertThat(KnowHow.shipped().goneLevel("drain.after")).contains("comes");
  }

  @Test
  void goneTellsLessOfWhatSeldomComesAndHardlyAnythingOfWhatNobodySaw() {
    double always = gain(seen("often", Finding.MACHINE, "always"));
    double seldom = gain(seen("often", Finding.MACHINE, "now-and-then"));
    double neverHere =
        gain(
            seen("often", Finding.MACHINE, "now-and-then"),
            seen("complaint.shows", Finding.MACHINE, "quiet"));

    assertThat(always).isGreaterThan(3 * seldom);
    assertThat(neverHere).isBetween(1.0, 1.5);
  }

  /** By how much the odds of the cable rise by "gone". */
  private static double gain(Finding... before) {
    List<Finding> after = new ArrayList<>(List.of(before));
    after.add(gone());
    double p = cable(before);
    double q = cable(after.toArray(Finding[]::new));
    return q / (1 - q) / (p / (1 - p));
  }

  @Test
  void aComplaintThatSeldomComesIsNotMendedByOneQuietTry() {
    assertThat(Recurrence.missed(Optional.of("always"), Optional.empty())).isLessThan(0.05);
    assertThat(mended("always")).isPresent();
    assertThat(mended("now-and-then")).isEmpty();
  }

  private static Optional<?> mended(String often) {
    List<Finding> findings =
        List.of(seen("often", Finding.MACHINE, often), seen("cure.fan", Finding.MACHINE, "gone"));
    Network network = Network.of(KnowHow.shipped(), List.of("noise-heat"), DRIVE, findings);
    return Mended.by(KnowHow.shipped(), network);
  }
}

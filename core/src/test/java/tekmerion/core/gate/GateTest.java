package tekmerion.core.gate;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The whole table: every stance and every touch. */
class GateTest {
  @ParameterizedTest(
      name = "touch {0}: unknown {1}, wanted {2}, not wanted {3}, copied {4}, verified {5}")
  @CsvSource({
    "0, open, open, open, open, open",
    "1, open, open, open, open, open",
    "2, open, open, open, open, open",
    "3, open, open, open, open, open",
    "4, locked, locked, open, locked, open",
    "5, locked, locked, open, locked, open",
  })
  void nothingWritesToDataThatIsNeitherSafeNorGivenUp(
      int touch, String unknown, String wanted, String notWanted, String copied, String verified) {
    assertThat(state(touch, Stance.UNKNOWN)).isEqualTo(unknown);
    assertThat(state(touch, Stance.WANTED)).isEqualTo(wanted);
    assertThat(state(touch, Stance.NOT_WANTED)).isEqualTo(notWanted);
    assertThat(state(touch, Stance.COPIED)).isEqualTo(copied);
    assertThat(state(touch, Stance.COPY_VERIFIED)).isEqualTo(verified);
  }

  @ParameterizedTest
  @CsvSource({"UNKNOWN, signs", "WANTED, copy is verified", "COPIED, copy is verified"})
  void aLockSaysWhatOpensIt(Stance stance, String opens) {
    GateAnswer answer = Gate.ofData(Touch.ERASES, stance);

    assertThat(answer)
        .isInstanceOfSatisfying(
            GateAnswer.Locked.class,
            locked -> {
              assertThat(locked.reason()).contains("erases").contains(stance.words());
              assertThat(locked.opens()).contains(opens);
            });
  }

  private static String state(int touch, Stance stance) {
    return Gate.ofData(Touch.values()[touch], stance).isOpen() ? "open" : "locked";
  }

  @ParameterizedTest(name = "stressing {0}, decisive {1}, {2}: open {3}")
  @CsvSource({
    "true, true, WANTED, false",
    "true, true, UNKNOWN, false",
    "true, true, COPIED, false",
    "true, true, COPY_VERIFIED, true",
    "true, true, NOT_WANTED, true",
    "true, false, WANTED, true",
    "false, true, WANTED, true"
  })
  void aDriveThatFailsForSureIsNotLoadedBeforeItsDataIsSafe(
      boolean stressing, boolean decisive, Stance stance, boolean open) {
    GateAnswer answer =
        Gate.ofStress(
            stressing, decisive ? Optional.of("Out of spares.") : Optional.empty(), stance);

    assertThat(answer.isOpen()).isEqualTo(open);
    if (answer instanceof GateAnswer.Locked locked) {
      assertThat(locked.reason()).contains("Out of spares.");
      assertThat(locked.opens()).contains("copy is verified");
    }
  }

  /**
   * Every stance, touch, suspicion, proof and signature together: 5 × 6 × 4 × 4 × 2 = 960. What is
   * expected is written out by hand, a line for each way to be locked; all else is open.
   */
  @Test
  void theWholeTable() {
    int rows = 0;
    for (Stance stance : Stance.values()) {
      for (Touch touch : Touch.values()) {
        for (Suspicion suspicion : Suspicion.values()) {
          for (Proven proven : Proven.values()) {
            for (boolean signed : new boolean[] {false, true}) {
              Set<String> locked = new TreeSet<>();
              if (!Gate.ofData(touch, stance).isOpen()) {
                locked.add("data");
              }
              Optional<String> decisive =
                  suspicion == Suspicion.DECISIVE
                      ? Optional.of("Out of spares.")
                      : Optional.empty();
              if (!Gate.ofStress(true, decisive, stance).isOpen()) {
                locked.add("stress");
              }
              if (!Gate.ofReplacing(suspicion).isOpen()) {
                locked.add("replacing");
              }
              if (!Gate.ofHandBack(proven, signed).isOpen()) {
                locked.add("hand back");
              }
              assertThat(locked)
                  .as("%s %s %s %s signed %s", stance, touch, suspicion, proven, signed)
                  .isEqualTo(expected(stance.name(), touch.ordinal(), suspicion, proven, signed));
              rows++;
            }
          }
        }
      }
    }
    assertThat(rows).isEqualTo(960);
  }

  private static Set<String> expected(
      String stance, int touch, Suspicion suspicion, Proven proven, boolean signed) {
    Set<String> locked = new TreeSet<>();
    boolean atRisk = Set.of("UNKNOWN", "WANTED", "COPIED").contains(stance);
    if (atRisk && (touch == 4 || touch == 5)) {
      locked.add("data"); // whoever signed what about the proof
    }
    if (atRisk && suspicion == Suspicion.DECISIVE) {
      locked.add("stress");
    }
    if (suspicion == Suspicion.ONE_FINDING) {
      locked.add("replacing"); // nothing found is the technician's own reason; more opens it
    }
    if (!signed && (proven == Proven.UNFINISHED || proven == Proven.FAILED)) {
      locked.add("hand back");
    }
    return locked;
  }
}

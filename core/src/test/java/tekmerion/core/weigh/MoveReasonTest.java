package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.Invasiveness;

/** The sentence beside each move. */
class MoveReasonTest {
  private static final Move LISTEN = move("Listen to it", "It clicks or it does not.");
  private static final Move WRITES =
      move(
          "Write",
          "It writes.",
          Move.Presupposed.COPY,
          Move.Presupposed.HARDWARE,
          Move.Presupposed.MAINS);

  private static Move move(String name, String purpose, Move.Presupposed... presupposes) {
    return Move.called("own.any")
        .name(name)
        .purpose(purpose)
        .act(Move.Act.OBSERVE)
        .place("drive")
        .of("drive")
        .bootStage("nothing")
        .invasiveness(Invasiveness.LOOKS_ONLY)
        .minutes(List.of(1, 0))
        .presupposes(List.of(presupposes))
        .build();
  }

  @ParameterizedTest(name = "{0} bits, {1} minutes")
  @CsvSource({
    "0.50, 4.9, decides most of what is open",
    "0.49, 0, tells much about the cause",
    "0.10, 0, tells much about the cause",
    "0.099, 0, tells something about the cause",
    "0.02, 0, tells something about the cause",
    "0.019, 0, tells little about the cause",
    "0, 4.9, tells little about the cause",
    "0, 5, saves about 5 minutes",
    "0.02, 12, tells something about the cause and saves about 12 minutes",
    "1, 1200, decides most of what is open and saves about 1200 minutes",
  })
  void saysWhatItTellsAndWhatItSaves(double bits, double saved, String worth) {
    assertThat(MoveReason.of(LISTEN, bits, saved, null, false))
        .isEqualTo("This move %s. It clicks or it does not.".formatted(worth));
  }

  @Test
  void saysWhatBrokeOffBeforeIt() {
    assertThat(MoveReason.of(LISTEN, 1, 60, WRITES, true))
        .isEqualTo("“Write” broke off. This move comes next. It clicks or it does not.");
    assertThat(MoveReason.of(WRITES, 1, 60, LISTEN, false))
        .isEqualTo(
            "“Listen to it” broke off. This move comes next. It writes. This move needs"
                + " a verified copy, or data that nobody wants,"
                + " hardware that is not under suspicion, the adapter plugged in.");
  }

  @Test
  void saysThatItOpensWhatAHazardLocks() {
    assertThat(MoveReason.of(LISTEN, 1, 60, null, true))
        .isEqualTo(
            "Long tests of this part stay locked until this move is made."
                + " It clicks or it does not.");
  }

  @ParameterizedTest(name = "{0} minutes, looks differ: {1}")
  @CsvSource({
    "4.9, false, The diagnosis rests on one look here. A second look makes sure.",
    "5, false, The diagnosis rests on one look here. A second look makes sure."
        + " This move saves about 5 minutes.",
    "0, true, Two looks showed different things. A third look decides.",
  })
  void saysWhyItIsMadeAgain(double saved, boolean differ, String words) {
    assertThat(MoveReason.again(saved, differ, LISTEN))
        .isEqualTo(words + " It clicks or it does not.");
  }
}

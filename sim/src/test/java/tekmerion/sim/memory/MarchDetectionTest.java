package tekmerion.sim.memory;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.memory.march.Background;
import tekmerion.core.memory.march.MarchAlgorithm;
import tekmerion.core.memory.march.MarchRun;

/**
 * What each algorithm finds of each fault model, all instances on two words of eight, whatever the
 * cells held at first, under its first background as the literature has it. The expected shares,
 * [%]:
 *
 * <ul>
 *   <li>March C- and March SS: Hamdioui, van de Goor & Rodgers, "March SS: a test for all static
 *       simple RAM faults", MTDT 2002, comparison of fault coverage: C- finds SF, TF, RDF, IRF,
 *       CFst, CFtr, CFrd, CFir and of CFds those by reads and by transitions, and none of WDF,
 *       DRDF, CFwd, CFdr and CFds by non-transition writes; SS finds all of them.
 *   <li>Inversion, idempotent coupling and decoder faults under March C-; stuck-at and decoder
 *       faults, and of transition faults only the rising ones, under MATS+: van de Goor, IEEE
 *       Design & Test 10(1), 1993, table of march tests. MATS+ ends with a write of 0 that nobody
 *       reads.
 *   <li>Checkerboard: van de Goor, "Testing semiconductor memories", 1991: stuck-at, half of the
 *       transition faults (each cell changes once), and with pauses retention faults.
 *   <li>None of the first three waits, so none finds retention faults.
 * </ul>
 */
class MarchDetectionTest {
  private static final int WORDS = 8;
  private static final int STARTS = 12;

  private static boolean finds(MarchAlgorithm algorithm, FaultModel.Instance instance) {
    for (int seed = 0; seed < STARTS; seed++) {
      SimMemory memory =
          new SimMemory(WORDS, instance.cells(), instance.decoder(), new Random(seed));
      List<Background> one = algorithm.backgrounds().subList(0, 1);
      if (MarchRun.under(algorithm, one, memory).isClean()) {
        return false; // found by luck of what was there at first is not found
      }
    }
    return true;
  }

  private static long share(MarchAlgorithm algorithm, FaultModel model) {
    List<FaultModel.Instance> all = model.instances(1, 4, 0);
    return Math.round(100.0 * all.stream().filter(i -> finds(algorithm, i)).count() / all.size());
  }

  @ParameterizedTest(name = "{0}: {1} by MATS+, {2} by March C-, {3} by March SS")
  @CsvSource({
    "STUCK_AT, 100, 100, 100",
    "TRANSITION, 50, 100, 100",
    "WRITE_DISTURB, 0, 0, 100",
    "READ_DESTRUCTIVE, 100, 100, 100",
    "DECEPTIVE_READ, 0, 0, 100",
    "INCORRECT_READ, 100, 100, 100",
    "RETENTION, 0, 0, 0",
    "ADDRESS_DECODER, 100, 100, 100"
  })
  void equalsThePublishedCapability(FaultModel model, long matsPlus, long cMinus, long ss) {
    assertThat(share(MarchAlgorithm.MATS_PLUS, model)).isEqualTo(matsPlus);
    assertThat(share(MarchAlgorithm.MARCH_C_MINUS, model)).isEqualTo(cMinus);
    assertThat(share(MarchAlgorithm.MARCH_SS, model)).isEqualTo(ss);
  }

  @ParameterizedTest(name = "{0}: {1} by March C-, {2} by March SS")
  @CsvSource({
    "COUPLING_INVERSION, 100, 100",
    "COUPLING_IDEMPOTENT, 100, 100",
    "COUPLING_STATE, 100, 100",
    "DISTURB_BY_READ, 100, 100",
    "DISTURB_BY_TRANSITION, 100, 100",
    "DISTURB_BY_WRITE, 0, 100",
    "COUPLED_TRANSITION, 100, 100",
    "COUPLED_WRITE_DISTURB, 0, 100",
    "COUPLED_READ_DESTRUCTIVE, 100, 100",
    "COUPLED_DECEPTIVE_READ, 0, 100",
    "COUPLED_INCORRECT_READ, 100, 100"
  })
  void equalsThePublishedCapabilityForCoupledCells(FaultModel model, long cMinus, long ss) {
    assertThat(share(MarchAlgorithm.MARCH_C_MINUS, model)).isEqualTo(cMinus);
    assertThat(share(MarchAlgorithm.MARCH_SS, model)).isEqualTo(ss);
    // MATS+ was never meant for them: it must miss some of each.
    assertThat(share(MarchAlgorithm.MATS_PLUS, model)).isLessThan(100);
  }

  @ParameterizedTest(name = "{0}: {1} by the checkerboard with pause, {2} by address in address")
  @CsvSource({
    "STUCK_AT, 100, 100",
    "TRANSITION, 50, 50",
    "WRITE_DISTURB, 0, 0",
    "RETENTION, 100, 0",
  })
  void theOthersFindWhatTheyAreFor(FaultModel model, long checkerboard, long address) {
    assertThat(share(MarchAlgorithm.CHECKERBOARD_HOLD, model)).isEqualTo(checkerboard);
    assertThat(share(MarchAlgorithm.ADDRESS_IN_ADDRESS, model)).isEqualTo(address);
  }

  @Test
  void addressInAddressFindsEveryDecoderFaultAndTheMovingBlockPromisesNothing() {
    assertThat(share(MarchAlgorithm.ADDRESS_IN_ADDRESS, FaultModel.ADDRESS_DECODER)).isEqualTo(100);
    // Nothing is published for it: it carries what is there, and misses stuck cells by it.
    assertThat(share(MarchAlgorithm.MOVING_BLOCK, FaultModel.STUCK_AT)).isBetween(1L, 99L);
  }

  /**
   * Both cells of a pair in one word are always written together: only a background that holds them
   * different, both ways, shows that one cannot be what the other does not want.
   */
  @Test
  void everyPairOfBitsOfAWordIsFoundUnderTheSevenBackgroundsAndNotUnderOne() {
    for (int victim = 0; victim < 64; victim++) {
      for (int aggressor = 0; aggressor < 64; aggressor++) {
        for (int state = 0; victim != aggressor && state <= 1; state++) {
          // The victim cannot be other than the aggressor while that is `state`.
          CellFault fault =
              CellFault.coupled(
                  CellFault.Kind.COUPLING_STATE, 64 + victim, 1 - state, 64 + aggressor, state);
          MarchAlgorithm c = MarchAlgorithm.MARCH_C_MINUS;

          assertThat(MarchRun.of(c, with(fault)).isClean()).as(fault.toString()).isFalse();
          assertThat(MarchRun.under(c, List.of(Background.SOLID), with(fault)).isClean())
              .as(fault.toString())
              .isTrue();
        }
      }
    }
  }

  private static SimMemory with(CellFault fault) {
    return new SimMemory(4, List.of(fault), List.of(), new Random(1));
  }

  @Test
  void soundMemoryHasNoError() {
    for (MarchAlgorithm algorithm : MarchAlgorithm.values()) {
      SimMemory memory = new SimMemory(64, List.of(), List.of(), new Random(1));
      assertThat(MarchRun.of(algorithm, memory).isClean()).as(algorithm.title()).isTrue();
    }
  }
}

package tekmerion.sim.memory;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tekmerion.core.memory.march.Diagnosis;
import tekmerion.core.memory.march.FaultClass;
import tekmerion.core.memory.march.MarchAlgorithm;
import tekmerion.core.memory.march.MarchRun;
import tekmerion.sim.memory.CellFault.Kind;

/** What the mismatches of simulated faults are taken for. */
class DiagnosisTest {
  private static final int WORDS = 64;

  private static Diagnosis of(MarchAlgorithm algorithm, int passes, CellFault... faults) {
    SimMemory memory = new SimMemory(WORDS, List.of(faults), List.of(), new Random(3));
    List<OptionalDouble> celsius = new ArrayList<>();
    MarchRun.Result result =
        MarchRun.of(algorithm, memory, passes, (fraction, errors) -> {}, () -> false);
    for (int i = 0; i < passes; i++) {
      celsius.add(OptionalDouble.of(35));
    }
    return Diagnosis.of(result, celsius);
  }

  private static void assertOne(Diagnosis diagnosis, long word, int bit, FaultClass fault) {
    assertThat(diagnosis.cells()).hasSize(1);
    assertThat(diagnosis.cells().get(0).word()).isEqualTo(word);
    assertThat(diagnosis.cells().get(0).bit()).isEqualTo(bit);
    assertThat(diagnosis.cells().get(0).fault()).isEqualTo(fault);
  }

  @Test
  void tellsTheClassesApart() {
    long cell = 64 * 9 + 21;
    MarchAlgorithm c = MarchAlgorithm.MARCH_C_MINUS;
    assertOne(of(c, 2, CellFault.single(Kind.STUCK_AT, cell, 1)), 9, 21, FaultClass.STUCK_AT);
    assertOne(
        of(c, 2, CellFault.coupled(Kind.COUPLING_INVERSION, cell, 0, 64 * 20 + 21, 1)),
        9,
        21,
        FaultClass.COUPLING);
    assertOne(
        of(MarchAlgorithm.CHECKERBOARD_HOLD, 1, CellFault.single(Kind.RETENTION, cell, 1)),
        9,
        21,
        FaultClass.RETENTION);
    assertOne(
        of(c, 6, CellFault.single(Kind.INCORRECT_READ, cell, 1).showing(0.02)),
        9,
        21,
        FaultClass.INTERMITTENT);
  }

  @Test
  void anAddressThatReachesAnothersCellsIsTheDecoder() {
    SimMemory memory =
        new SimMemory(WORDS, List.of(), List.of(new DecoderFault(5, List.of(12L))), new Random(3));
    MarchRun.Result result = MarchRun.of(MarchAlgorithm.ADDRESS_IN_ADDRESS, memory);

    Diagnosis diagnosis = Diagnosis.of(result, List.of());

    assertThat(diagnosis.byClass()).containsOnlyKeys(FaultClass.DECODER);
  }

  @Test
  void aFaultOfTheWarmPassesIsHeatRelated() {
    SimMemory memory =
        new SimMemory(
            WORDS,
            List.of(CellFault.single(Kind.STUCK_AT, 64 * 9 + 3, 1).onlyAbove(45)),
            List.of(),
            new Random(3));
    List<OptionalDouble> celsius = new ArrayList<>();
    MarchRun.Result result =
        MarchRun.of(
            MarchAlgorithm.MATS_PLUS,
            memory,
            4,
            (fraction, errors) -> memory.warm(fraction > 0.45 ? 55 : 35),
            () -> false);
    for (double t : new double[] {35, 40, 55, 55}) {
      celsius.add(OptionalDouble.of(t));
    }

    assertOne(Diagnosis.of(result, celsius), 9, 3, FaultClass.HEAT_RELATED);
  }

  @Test
  void saysWhereFaultyBitsGather() {
    CellFault[] row = new CellFault[6];
    for (int i = 0; i < row.length; i++) {
      row[i] = CellFault.single(Kind.STUCK_AT, 64L * (10 + i) + 17, 1);
    }

    Diagnosis diagnosis = of(MarchAlgorithm.MARCH_C_MINUS, 1, row);

    assertThat(diagnosis.where()).isEqualTo("6 faulty bits, all on bit line 17, in one place");
    assertThat(diagnosis.byByteLane()).containsOnlyKeys(2);
    assertThat(diagnosis.stretches()).containsExactly(new Diagnosis.Stretch(10, 15, 6));
  }
}

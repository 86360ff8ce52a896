package tekmerion.probe.linux;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tekmerion.core.memory.march.Background;
import tekmerion.core.port.MemoryRegion.Operation;

/** Quick sweeps of real memory tell the same as looking word by word. */
class RealMemoryTest {
  private static final Operation W0 = new Operation(true, false);
  private static final Operation R0 = new Operation(false, false);

  @ParameterizedTest
  @EnumSource(Background.class)
  void findsExactlyTheWordsThatAreWrong(Background background) throws Exception {
    try (RealMemory memory = RealMemory.take(1 << 20, 1).get(0)) {
      long words = memory.words();
      memory.sweep(0, words, false, new Operation[] {W0}, background, (w, e, r, o) -> {});
      TreeMap<Long, Long> wrong = new TreeMap<>();
      Random random = new Random(4);
      for (long at : new long[] {0, 1, 511, 512, words - 1}) {
        wrong.put(at, ~background.zeroAt(at));
      }
      for (int i = 0; i < 40; i++) {
        long at = random.nextInt((int) words);
        wrong.put(at, background.zeroAt(at) ^ 1L << random.nextInt(64));
      }
      wrong.forEach(memory::write);

      for (boolean down : new boolean[] {false, true}) {
        TreeMap<Long, Long> found = new TreeMap<>();
        List<Long> expected = new ArrayList<>();
        memory.sweep(
            0,
            words,
            down,
            new Operation[] {R0},
            background,
            (word, wanted, read, operation) -> {
              found.put(word, read);
              expected.add(wanted ^ background.zeroAt(word));
            });

        assertThat(found).isEqualTo(wrong);
        assertThat(expected).containsOnly(0L);
      }
    }
  }

  @Test
  void tooLittleIsRefused() {
    assertThatThrownBy(() -> RealMemory.take(4096, 2)).hasMessageContaining("at least 4096 bytes");
  }
}

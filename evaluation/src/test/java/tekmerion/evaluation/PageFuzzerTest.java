package tekmerion.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** The same as {@code ./tekmerion fuzz}, with fewer pages. */
class PageFuzzerTest {
  private static final int PAGES = 6_000;

  @Test
  void anyBytesGiveADecodingThatKeepsThem() {
    look(1);
  }

  @Tag("nightly")
  @ParameterizedTest(name = "seed {0}")
  @ValueSource(longs = {2, 3})
  void anyOtherBytesToo(long seed) {
    look(seed);
  }

  private static void look(long seed) {
    PageFuzzer fuzzer = new PageFuzzer(seed);
    Set<Fault.Kind> seen = EnumSet.noneOf(Fault.Kind.class);
    int sound = 0;
    boolean kept = true;
    for (int i = 0; i < PAGES; i++) {
      RawPage page = fuzzer.next();
      for (Decoding<?> decoding : PageFuzzer.decodeAll(page)) {
        kept &= decoding.raw().equals(page);
        decoding.damage().ifPresent(fault -> seen.add(fault.kind()));
        sound += decoding.decoded().isPresent() ? 1 : 0;
      }
    }
    assertThat(kept).as("every decoding keeps its bytes").isTrue();
    // A fuzzer that never gets past the checksum, or always does, would test little.
    int decodings = PAGES * PageFuzzer.KINDS.size();
    assertThat(sound).isBetween(decodings / 6, 2 * decodings / 3);
    assertThat(seen).containsExactlyInAnyOrder(Fault.Kind.values());
  }
}

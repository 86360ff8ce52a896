package tekmerion.core.battery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;

/** A pack that loses 4 % of its design in 100 cycles, and looked at once in half a year. */
class FadeTest {
  private static final Instant BEGIN = Instant.parse("2025-01-01T00:00:00Z");
  private static final long HALF_YEAR = (long) (365.25 * 86_400 / 2);

  @Test
  void foretellsWhenALineComesToItsLimits() {
    Fade fade = Fade.of(looks(5));

    // 100 cycles a visit, 4 % each: the last stands at 1 − 0.04 · 5 = 0.80 after 500 cycles.
    assertThat(fade.perHundredCycles().orElseThrow().value()).isCloseTo(-0.04, within(1e-9));
    assertThat(fade.perYear().orElseThrow().value()).isCloseTo(-0.08, within(1e-6));
    Fade.Limit sixty = fade.limits().get(fade.limits().size() - 1);
    assertThat(sixty.share()).isEqualTo(0.6);
    assertThat(sixty.cycles().orElseThrow().value()).isCloseTo(500, within(1e-6)); // 0.20 / 0.0004
    assertThat(sixty.years().orElseThrow().value()).isCloseTo(2.5, within(1e-4)); // 0.20 / 0.08
  }

  @Test
  void foretellsNothingFromTwoVisits() {
    Fade fade = Fade.of(looks(2));

    assertThat(fade.perHundredCycles()).isEmpty();
    assertThat(fade.limits()).isEmpty();
    assertThat(fade.sinceNew().orElseThrow()).isCloseTo(-0.04, within(1e-9));
  }

  @Test
  void doesNotForetellAFallOfWhatRises() {
    List<Fade.Look> rising = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      rising.add(
          new Fade.Look(BEGIN.plusSeconds(i * HALF_YEAR), OptionalLong.empty(), 0.9 + i * 0.01));
    }

    assertThat(Fade.of(rising).limits()).isEmpty();
    assertThat(Fade.of(rising).perHundredCycles()).as("it counts no cycles").isEmpty();
  }

  private static List<Fade.Look> looks(int visits) {
    List<Fade.Look> looks = new ArrayList<>();
    for (int i = 1; i <= visits; i++) {
      looks.add(
          new Fade.Look(BEGIN.plusSeconds(i * HALF_YEAR), OptionalLong.of(100L * i), 1 - 0.04 * i));
    }
    return looks;
  }
}

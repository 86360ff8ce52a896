package tekmerion.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ComesBackTest {
  private static final Instant ENDED = Instant.parse("2026-03-01T10:00:00Z");

  private static Instant day(int day) {
    return ENDED.plus(Duration.ofDays(day));
  }

  private static Optional<Boolean> held(Integer backOnDay, int today) {
    return ComesBack.held(
        ENDED, Optional.ofNullable(backOnDay).map(ComesBackTest::day), day(today));
  }

  @Test
  void itHeldIfItIsNotBackWithinNinetyDaysAndUntilThenNobodyKnows() {
    assertThat(held(null, 89)).isEmpty();
    assertThat(held(null, 90)).contains(true);
    assertThat(held(89, 89)).contains(false);
    assertThat(held(90, 95)).contains(true); // later is another story
  }
}

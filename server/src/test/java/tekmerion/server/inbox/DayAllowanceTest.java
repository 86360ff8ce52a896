package tekmerion.server.inbox;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** A probe that sends and sends is cut off for the day; others are not. */
class DayAllowanceTest {
  private Instant now = Instant.parse("2026-11-29T22:00:00Z");
  private final DayAllowance allowance =
      new DayAllowance(
          new Clock() {
            @Override
            public ZoneId getZone() {
              return ZoneOffset.UTC;
            }

            @Override
            public Clock withZone(ZoneId zone) {
              throw new UnsupportedOperationException("UTC only");
            }

            @Override
            public Instant instant() {
              return now;
            }
          },
          1000);
  private final UUID one = UUID.randomUUID();

  @Test
  void whatOneMaySendInADay() {
    assertThat(allowance.allows(one, 600)).isTrue();
    assertThat(allowance.allows(one, 400)).isTrue();
    assertThat(allowance.allows(one, 1)).isFalse();
    assertThat(allowance.allows(one, 1)).isFalse();
    assertThat(allowance.allows(UUID.randomUUID(), 1000)).isTrue();

    now = now.plus(Duration.ofHours(2));
    assertThat(allowance.allows(one, 1000)).isTrue();
  }
}

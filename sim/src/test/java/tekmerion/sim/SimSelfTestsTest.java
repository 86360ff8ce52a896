package tekmerion.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.OptionalLong;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tekmerion.core.drive.ata.SelfTestEntry;
import tekmerion.core.drive.ata.SelfTestLog;
import tekmerion.core.drive.ata.SelfTestStatus;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.SelfTests.Kind;

/** A drive's own tests, minute by minute; its log read by core's decoder. */
class SimSelfTestsTest {
  private static final long SECTORS = 1_000_000;
  private final Hands clock = new Hands();
  private OptionalLong bad = OptionalLong.empty();
  private SimSelfTests tests;

  /** A clock that is moved by hand. */
  private static final class Hands extends Clock {
    private Instant now = Instant.parse("2026-11-23T09:00:00Z");

    void pass(double minutes) {
      now = now.plus(Duration.ofMillis((long) (60_000 * minutes)));
    }

    @Override
    public ZoneId getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }

    @Override
    public Instant instant() {
      return now;
    }
  }

  @BeforeEach
  void aDrive() {
    tests = new SimSelfTests(clock, 1, SECTORS, () -> bad, () -> 1_140.0);
  }

  private SelfTestEntry newest() {
    return SelfTestLog.decode(new RawPage(AtaLogPages.selfTests(tests.log())))
        .decoded()
        .orElseThrow()
        .latest()
        .orElseThrow();
  }

  @Test
  void aShortTestOfASoundDrivePassesAfterTwoMinutes() {
    assertThat(tests.start(Kind.SHORT)).isEmpty();
    clock.pass(1);
    assertThat(tests.percentDone()).hasValue(50);
    assertThat(tests.statusByte()).isEqualTo(0xF5); // runs, five tenths to go
    clock.pass(1.1);

    assertThat(tests.percentDone()).isEmpty();
    assertThat(newest().test()).isEqualTo("short");
    assertThat(newest().status()).isEqualTo(SelfTestStatus.COMPLETED_OR_NEVER_RUN);
    assertThat(newest().lifeHours()).isEqualTo(1_140);
  }

  @Test
  void anExtendedTestFailsWhenItReachesTheFirstBadSector() {
    bad = OptionalLong.of(250_000); // a quarter of the way: 39 of 156 minutes
    tests.start(Kind.EXTENDED);
    clock.pass(38);
    assertThat(tests.percentDone()).isPresent();
    clock.pass(2);

    assertThat(tests.percentDone()).isEmpty();
    assertThat(newest().status()).isEqualTo(SelfTestStatus.FAILED_READ);
    assertThat(newest().firstFailingLba()).hasValue(250_000);
  }

  @Test
  void onlyOneRunsAtATimeAndItCanBeEnded() {
    tests.start(Kind.EXTENDED);

    assertThat(tests.start(Kind.SHORT)).hasValue("a self-test is running already");
    assertThat(tests.abort()).isEmpty();
    assertThat(newest().status()).isEqualTo(SelfTestStatus.ABORTED_BY_HOST);
    assertThat(tests.start(Kind.CONVEYANCE)).isEmpty();
  }
}

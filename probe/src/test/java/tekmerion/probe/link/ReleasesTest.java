package tekmerion.probe.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.link.Release;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.sim.SimMachines;

/**
 * A release is worth seconds, and is asked for again; a probe that stood still meanwhile asks too.
 */
class ReleasesTest {
  private static final UUID RUN = new UUID(3, 3);
  private static final byte[] KEY = Release.key(new byte[32], new UUID(7, 7));
  private static final ToProbe.StartRun ERASE =
      new ToProbe.StartRun(RUN, "drive-a", RunKind.ERASE, false, DataStatus.NOT_WANTED, null);

  private final AtomicLong nanos = new AtomicLong();
  private final AtomicInteger questions = new AtomicInteger();
  private Function<ToServer.ReleaseAsked, Optional<Release>> desk =
      asked ->
          Optional.of(
              Release.of(
                  RUN,
                  RunKind.ERASE,
                  "drive-a",
                  asked.drive(),
                  DataStatus.NOT_WANTED,
                  null,
                  asked.nonce(),
                  15_000,
                  KEY));
  private final Releases releases = new Releases(() -> KEY, this::asked, nanos::get);
  private MachineUnderTest.Drive drive = drive("sound-drive");

  private static MachineUnderTest.Drive drive(String machine) {
    return new SimMachines().open("sim:" + machine + ",0,6000").orElseThrow().drives().get(0);
  }

  private void asked(ToServer message) {
    questions.incrementAndGet();
    ToServer.ReleaseAsked asked = (ToServer.ReleaseAsked) message;
    desk.apply(asked)
        .ifPresentOrElse(
            release -> releases.answered(new ToProbe.ReleaseGiven(release)),
            () ->
                releases.answered(
                    new ToProbe.ReleaseRefused(RUN, asked.nonce(), "It was taken back.")));
  }

  private void after(long seconds) {
    nanos.addAndGet(TimeUnit.SECONDS.toNanos(seconds));
  }

  @Test
  void isAskedForAgainAfterHalfItsTime() throws Exception {
    Releases.Lease lease = releases.toWrite(ERASE, drive);
    after(7);
    lease.mustHold();
    assertThat(questions).hasValue(1);
    after(1);
    lease.mustHold();
    assertThat(questions).hasValue(2);
  }

  @Test
  void aProbeThatStoodStillForAnHourWritesNothingThatWasTakenBackMeanwhile() throws Exception {
    Releases.Lease lease = releases.toWrite(ERASE, drive);
    desk = asked -> Optional.empty();
    after(3600);

    assertThatThrownBy(lease::mustHold)
        .isInstanceOfSatisfying(NoReleaseException.class, e -> assertThat(e.mayCome()).isFalse())
        .hasMessage("It was taken back.");
  }

  /** A longer time than the two have agreed on is not believed, whoever signed it. */
  @Test
  void noReleaseHoldsLongerThanFifteenSeconds() throws Exception {
    desk =
        asked ->
            Optional.of(
                Release.of(
                    RUN,
                    RunKind.ERASE,
                    "drive-a",
                    asked.drive(),
                    DataStatus.NOT_WANTED,
                    null,
                    asked.nonce(),
                    86_400_000,
                    KEY));
    Releases.Lease lease = releases.toWrite(ERASE, drive);
    desk = asked -> Optional.empty();
    after(16);

    assertThatThrownBy(lease::mustHold).isInstanceOf(NoReleaseException.class);
  }

  @Test
  void anotherDriveInItsPlaceIsNotWrittenTo() throws Exception {
    MachineUnderTest.Drive[] there = {drive};
    MachineUnderTest.Drive place =
        new MachineUnderTest.Drive(
            "drive-a",
            "Drive A",
            new PageSource() {
              @Override
              public List<PageKind> kinds() {
                return there[0].pages().kinds();
              }

              @Override
              public PageAnswer read(PageKind kind) {
                return there[0].pages().read(kind);
              }
            },
            drive.surface(),
            drive.selfTests(),
            drive.bytes(),
            drive.writer());
    Releases.Lease lease = releases.toWrite(ERASE, place);
    there[0] = drive("worn-disk");
    after(8);

    assertThatThrownBy(lease::mustHold)
        .isInstanceOf(NoReleaseException.class)
        .hasMessageContaining("another");
    assertThatThrownBy(() -> releases.toWrite(ERASE, place))
        .isInstanceOf(NoReleaseException.class)
        .hasMessageContaining("another size");
  }
}

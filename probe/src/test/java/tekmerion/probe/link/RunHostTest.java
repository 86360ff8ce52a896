package tekmerion.probe.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.RunKind;
import tekmerion.link.SelfTestResult;
import tekmerion.link.SurfaceScanResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.outbox.Outbox;
import tekmerion.sim.SimMachines;
import tekmerion.words.Words;

/** Runs on simulated drives, with the real outbox and real files. */
class RunHostTest {
  private static final UUID ID = UUID.fromString("6f7d8a52-1111-4222-8333-944455566677");
  @TempDir Path folder;
  private final Queue<ToServer> told = new ConcurrentLinkedQueue<>();
  private Outbox outbox;
  private RunHost host;

  @BeforeEach
  void open() {
    outbox = Outbox.open(folder);
    host = host("worn-disk", 20_000);
  }

  @AfterEach
  void close() throws InterruptedException {
    host.close();
    Thread.sleep(100);
    outbox.close();
  }

  /**
   * @param speed how many times faster than a real drive
   */
  private RunHost host(String name, int speed) {
    MachineUnderTest machine =
        new SimMachines().open("sim:%s,0,%d".formatted(name, speed)).orElseThrow();
    return new RunHost(machine, outbox, folder, folder, Clock.systemUTC(), told::add, () -> {});
  }

  private static ToProbe.StartRun start(RunKind kind) {
    return new ToProbe.StartRun(ID, "drive-a", kind, false, DataStatus.WANTED, null);
  }

  private static ToProbe.StopRun stop(RunKind kind, boolean pause) {
    return new ToProbe.StopRun(ID, "drive-a", kind, pause);
  }

  private List<LinkEvent.RunEnded> ends() {
    return outbox.waiting(1, 100).stream()
        .map(w -> (LinkEvent.RunEnded) LinkCodec.decode(w.body(), LinkEvent.class))
        .toList();
  }

  private static void until(String what, Supplier<Boolean> condition) throws InterruptedException {
    long end = System.nanoTime() + 60_000_000_000L;
    while (!condition.get()) {
      assertThat(System.nanoTime()).as(what).isLessThan(end);
      Thread.sleep(10);
    }
  }

  private LinkEvent.RunEnded end() throws InterruptedException {
    until("it ends", () -> !ends().isEmpty());
    return ends().get(0);
  }

  /** Begins a pass slow enough to be stopped, and pauses it once it has told where it is. */
  private double pausedPass() throws InterruptedException {
    host = host("worn-disk", 2_000);
    host.accept(start(RunKind.SURFACE_SCAN));
    until("it reads", () -> !told.isEmpty());
    host.accept(stop(RunKind.SURFACE_SCAN, true));
    until("it is kept", () -> Files.exists(folder.resolve(ID + ".pass")));
    Thread.sleep(300); // it tells a last time where it stopped
    assertThat(ends()).isEmpty();
    return share();
  }

  private double share() {
    return told.stream()
        .map(t -> (ToServer.RunProgress) t)
        .mapToDouble(ToServer.RunProgress::share)
        .max()
        .orElseThrow();
  }

  @Test
  void aSampleComesToItsEndAndIsReportedOnce() throws Exception {
    host.accept(start(RunKind.SURFACE_SAMPLE));
    LinkEvent.RunEnded ended = end();
    host.accept(start(RunKind.SURFACE_SAMPLE)); // asked again, as after a lost link
    Thread.sleep(100);

    assertThat(ends()).hasSize(1);
    assertThat(ended.end()).isEqualTo(End.COMPLETE);
    assertThat(((SurfaceScanResult) ended.result()).sampled())
        .isEqualTo(3_000); // three of each of 1,000 zones
    assertThat(((SurfaceScanResult) ended.result()).shareRead()).isEqualTo(1);
    until("its file is gone", () -> !Files.exists(folder.resolve(ID + ".pass")));
  }

  @Test
  void aPausedPassGoesOnWhereItStoppedInAnotherProbe() throws Exception {
    double before = pausedPass();

    told.clear();
    host = host("worn-disk", 2_000); // as a probe started anew makes it
    host.accept(start(RunKind.SURFACE_SCAN));
    until("it reads on", () -> !told.isEmpty());
    double after = share();
    host.accept(stop(RunKind.SURFACE_SCAN, false));

    assertThat(after).isGreaterThanOrEqualTo(before);
    assertThat(end().end()).isEqualTo(End.CANCELLED);
    assertThat(((SurfaceScanResult) end().result()).bytesRead()).isPositive();
  }

  /**
   * Another drive sits in its place when the probe is started anew; then somebody ends the pass.
   */
  @Test
  void aPassThatWaitsForItsDriveReportsWhatItHadFoundWhenItIsEnded() throws Exception {
    pausedPass();
    told.clear();
    host = host("sound-drive", 2_000);
    host.accept(start(RunKind.SURFACE_SCAN));
    until("it waits", () -> told.stream().anyMatch(ToServer.RunWaits.class::isInstance));

    host.accept(stop(RunKind.SURFACE_SCAN, false));

    assertThat(end().end()).isEqualTo(End.CANCELLED);
    assertThat(((SurfaceScanResult) end().result()).bytesRead()).isPositive();
    assertThat(end().drive().serial()).isEqualTo("OS7K-44019-B"); // not of the one that is there
    assertThat(folder.resolve(ID + ".pass")).doesNotExist();
  }

  /**
   * It was erasing when the probe was ended; now another drive is there, and the first may come.
   */
  @Test
  void nothingThatWritesBeginsByItselfWhenADriveIsPluggedIn() throws Exception {
    ToProbe.StartRun erase = start(RunKind.ERASE);
    DriveSeen itsDrive = new DriveSeen("HELM-1000S", "OS7K-44019-B", 1_953_525_168L * 512);
    KeptRun.of(folder, erase, Instant.now(), () -> Optional.of(itsDrive)).write(folder);
    host = host("sound-drive", 2_000);

    host.accept(erase);

    assertThat(end().end()).isEqualTo(End.COULD_NOT_RUN);
    assertThat(Words.read(end().why())).contains("its drive is not there");
    assertThat(told).noneMatch(ToServer.ReleaseAsked.class::isInstance);
    assertThat(told).noneMatch(ToServer.RunWaits.class::isInstance);
  }

  @Test
  void aPausedPassThatIsEndedReportsWhatItHadFound() throws Exception {
    pausedPass();

    host.accept(stop(RunKind.SURFACE_SCAN, false));

    assertThat(end().end()).isEqualTo(End.CANCELLED);
    assertThat(((SurfaceScanResult) end().result()).sampled()).isPositive();
  }

  @Test
  void aDamagedFileOfAPassIsToldAndNotGuessed() throws Exception {
    Files.write(folder.resolve(ID + ".pass"), new byte[] {1, 2, 3});

    host.accept(start(RunKind.SURFACE_SCAN));

    assertThat(end().end()).isEqualTo(End.COULD_NOT_RUN);
    assertThat(Words.read(end().why())).isEqualTo("it cannot be opened: it ends too soon");
  }

  @Test
  void aSelfTestTellsTheFirstFailingSector() throws Exception {
    host.accept(start(RunKind.SELF_TEST_SHORT));

    LinkEvent.RunEnded ended = end();
    assertThat(ended.end()).isEqualTo(End.COMPLETE);
    assertThat(((SelfTestResult) ended.result()).passed()).isFalse();
    assertThat(((SelfTestResult) ended.result()).firstFailingSector()).isPositive();
    assertThat(Words.read(((SelfTestResult) ended.result()).words())).contains("failed at sector");
  }

  @Test
  void aSelfTestThatWasEndedIsNeitherPassedNorFailed() throws Exception {
    host = host("sound-drive", 1);
    host.accept(start(RunKind.SELF_TEST_EXTENDED));
    until("it is asked how far it is", () -> !told.isEmpty());
    host.accept(stop(RunKind.SELF_TEST_EXTENDED, false));

    assertThat(end().end()).isEqualTo(End.CANCELLED);
    assertThat(end().result()).isNull();
  }

  @Test
  void whatADriveHasNotCouldNotRun() throws Exception {
    host = host("worn-flash", 20_000);

    host.accept(start(RunKind.SELF_TEST_SHORT));

    assertThat(end().end()).isEqualTo(End.COULD_NOT_RUN);
    assertThat(Words.read(end().why())).isEqualTo("no self-test of this drive can be started here");
  }

  @Test
  void aRunThatLoadsADriveOutOfSparesIsLockedHereToo() throws Exception {
    host = host("worn-flash", 20_000);

    host.accept(start(RunKind.SURFACE_SCAN));

    assertThat(end().end()).isEqualTo(End.COULD_NOT_RUN);
    assertThat(Words.read(end().why()))
        .startsWith("locked by the probe: It works drive A for long")
        .contains("Opens when a copy is verified");
  }

  @Test
  void theSameRunIsOpenOnceTheCopyIsVerified() throws Exception {
    host = host("worn-flash", 20_000);

    host.accept(
        new ToProbe.StartRun(
            ID, "drive-a", RunKind.SURFACE_SCAN, true, DataStatus.COPY_VERIFIED, null));

    assertThat(end().end()).isNotEqualTo(End.COULD_NOT_RUN);
  }

  @Test
  void aDriveThatIsNotThereCouldNotRun() throws Exception {
    host.accept(
        new ToProbe.StartRun(ID, "drive-z", RunKind.SURFACE_SCAN, false, DataStatus.WANTED, null));

    assertThat(end().end()).isEqualTo(End.COULD_NOT_RUN);
    assertThat(Words.read(end().why())).isEqualTo("no drive is called drive-z");
  }

  @Test
  void aSelfTestThatNoLongerRunsHereCanStillBeEnded() throws Exception {
    host.accept(stop(RunKind.SELF_TEST_SHORT, false));

    assertThat(end().end()).isEqualTo(End.CANCELLED);
  }
}

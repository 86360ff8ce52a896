package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.logging.Level;
import java.util.logging.Logger;
import tekmerion.core.drive.DriveFindings;
import tekmerion.core.drive.PartReading;
import tekmerion.core.drive.ata.SelfTestEntry;
import tekmerion.core.drive.ata.SelfTestLog;
import tekmerion.core.finding.Finding;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.SelfTests;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.RunKind;
import tekmerion.link.SelfTestResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;

/** Starts a drive's own test, asks now and then how far it is, and reads its log at the end. */
final class SelfTestRun implements RunHost.Running, Runnable {
  private static final Logger LOG = Logger.getLogger(SelfTestRun.class.getName());
  private static final long ASK_MS = 1_000;

  private final ToProbe.StartRun command;
  private final MachineUnderTest.Drive drive;
  private final SelfTests tests;
  private final Clock clock;
  private final Consumer<ToServer> tell;
  private final Consumer<LinkEvent> ended;
  private volatile boolean stopped;

  SelfTestRun(
      ToProbe.StartRun command,
      MachineUnderTest.Drive drive,
      Clock clock,
      Consumer<ToServer> tell,
      Consumer<LinkEvent> ended) {
    this.command = command;
    this.drive = drive;
    this.tests = drive.selfTests().orElseThrow();
    this.clock = clock;
    this.tell = tell;
    this.ended = ended;
  }

  /** The drive tests by itself: it cannot be paused, only ended. */
  @Override
  public void stop(boolean pause) {
    if (!pause) {
      stopped = true;
    }
  }

  @Override
  public void run() {
    Instant began = clock.instant();
    try {
      run(began);
    } catch (RuntimeException e) {
      LOG.log(Level.SEVERE, "self-test " + command.requestId(), e);
      end(began, End.COULD_NOT_RUN, say("probe.could-not-follow-it", "why", Why.of(e)), null);
    }
  }

  private void run(Instant began) {
    // A test that runs already is the one that was asked for before the probe was started anew.
    if (tests.percentDone().isEmpty()) {
      Optional<String> refused = tests.start(kind(command.run()));
      if (refused.isPresent()) {
        end(began, End.COULD_NOT_RUN, refused.get(), null);
        return;
      }
    }
    try {
      Optional<Integer> percent = tests.percentDone();
      while (percent.isPresent() && !stopped) {
        tell.accept(progress(began, percent.get()));
        Thread.sleep(ASK_MS);
        percent = tests.percentDone();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return;
    }
    if (stopped) {
      tests.abort();
      end(began, End.CANCELLED, say("probe.ended-by-a-technician"), null);
      return;
    }
    outcome()
        .ifPresentOrElse(
            note -> end(began, End.COMPLETE, "", note),
            () ->
                end(
                    began,
                    End.COULD_NOT_RUN,
                    say("probe.its-self-test-log-could-not-be-read"),
                    null));
  }

  /**
   * @param told by the drive, which may tell anything
   */
  private ToServer.RunProgress progress(Instant began, int told) {
    int percent = Math.max(0, Math.min(100, told));
    // A machine's clock may be set while the test runs.
    double spent = Math.max(0, Duration.between(began, clock.instant()).toMillis() / 1000.0);
    double left = percent < 5 ? -1 : spent / percent * (100 - percent);
    // Drives tell tenths: half a tenth of the whole either way.
    double spread = percent < 5 ? 0 : spent / percent * 5;
    return ToServer.RunProgress.of(command.requestId(), percent / 100.0, left, spread, -1, null);
  }

  private Optional<SelfTestResult> outcome() {
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    for (PageKind kind : drive.pages().kinds()) {
      if (kind.wireName().contains("selftest") || kind == PageKind.ATA_SMART) {
        answers.put(kind, drive.pages().read(kind));
      }
    }
    PartReading reading = new PartReading(answers);
    Long lba =
        reading
            .sound(PageKind.ATA_SELFTEST_LOG, SelfTestLog.class)
            .flatMap(SelfTestLog::latest)
            .map(SelfTestEntry::firstFailingLba)
            .filter(l -> l.isPresent())
            .map(l -> l.getAsLong())
            .orElse(null);
    return DriveFindings.of(drive.key(), reading).stream()
        .filter(finding -> finding.id().equals("drive.self-test"))
        .findFirst()
        .map((Finding s) -> new SelfTestResult(s.level().equals("passed"), s.words(), lba));
  }

  private void end(Instant began, End how, String why, SelfTestResult note) {
    ended.accept(
        new LinkEvent.RunEnded(
            command.requestId(),
            command.partKey(),
            command.run(),
            began,
            clock.instant(),
            how,
            why,
            note));
  }

  private static SelfTests.Kind kind(RunKind run) {
    return switch (run) {
      case SELF_TEST_EXTENDED -> SelfTests.Kind.EXTENDED;
      case SELF_TEST_CONVEYANCE -> SelfTests.Kind.CONVEYANCE;
      default -> SelfTests.Kind.SHORT;
    };
  }
}

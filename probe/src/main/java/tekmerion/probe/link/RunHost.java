package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.logging.Level;
import java.util.logging.Logger;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Lock;
import tekmerion.core.permit.Permission;
import tekmerion.core.port.BlockSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.surface.Plan;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.link.files.WholeFile;
import tekmerion.probe.outbox.Outbox;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/**
 * Carries out runs, each in a thread of its own. What a surface scan knows is kept in a file every
 * few seconds, so that it goes on after a lost link, a killed server or a killed probe: the server
 * asks for it again and the file is found.
 */
final class RunHost implements AutoCloseable {
  private static final Logger LOG = Logger.getLogger(RunHost.class.getName());

  private final MachineUnderTest machine;
  private final Outbox outbox;
  private final Path folder;
  private final Clock clock;
  private final Consumer<ToServer> tell;
  private final Runnable onEvent;
  private final Map<UUID, Running> running = new ConcurrentHashMap<>();
  private final PartRuns parts;
  private final DataRuns data;
  private final Releases releases;
  private final SurfaceScanRun.Host surfaceHost;

  /** A run that can be stopped. */
  interface Running {
    void stop(boolean pause);
  }

  RunHost(
      MachineUnderTest machine,
      Outbox outbox,
      Path folder,
      Path copies,
      Clock clock,
      Consumer<ToServer> tell,
      Runnable onEvent) {
    this.machine = machine;
    this.outbox = outbox;
    this.folder = folder;
    WholeFile.deleteLeftParts(folder);
    this.clock = clock;
    this.tell = tell;
    this.onEvent = onEvent;
    this.parts = new PartRuns(machine, folder, clock, tell, running, this::keep);
    this.surfaceHost =
        new SurfaceScanRun.Host(
            folder,
            clock,
            tell,
            c -> running.remove(c.requestId()),
            this::keep,
            this::waits,
            this::couldNotRun);
    this.releases = new Releases(this::releaseKey, tell, System::nanoTime);
    this.data =
        new DataRuns(
            folder, copies, clock, tell, running, this::keep, releases, this::waitsWithItsCopy);
  }

  void accept(ToProbe.StartRun command) {
    if (running.containsKey(command.requestId()) || outbox.isAnswered(command.requestId())) {
      return;
    }
    if (command.run() == RunKind.ERASE_COPY) {
      data.eraseCopy(command);
      return;
    }
    if (!command.run().isOfDrive()) {
      parts.begin(command);
      return;
    }
    Optional<MachineUnderTest.Drive> drive = drive(command.partKey());
    Optional<KeptRun> kept = KeptRun.read(folder, command.requestId());
    boolean anotherOne =
        kept.isPresent()
            && kept.get().drive() != null
            && !drive.flatMap(WhoIsIt::seen).equals(Optional.of(kept.get().drive()));
    if (anotherOne && command.run().needsRelease()) {
      // Nothing that writes begins by itself when a drive is plugged in.
      couldNotRun(command, say("probe.its-drive-is-not-there"));
    } else if (anotherOne) {
      waits(command, kept.get(), () -> endWhatWaits(command, kept.get(), null, null));
    } else if (drive.isEmpty()) {
      couldNotRun(command, say("probe.no-drive-is-called", "part", command.partKey()));
    } else {
      begin(command, drive.get());
    }
  }

  private Optional<MachineUnderTest.Drive> drive(String key) {
    return machine.drives().stream().filter(d -> d.key().equals(key)).findFirst();
  }

  private void begin(ToProbe.StartRun command, MachineUnderTest.Drive drive) {
    if (command.run().isAboutData()) {
      about(command, drive);
    } else if (isBegun(command)) {
      open(command, drive);
    } else {
      Checking checking = new Checking(command, drive);
      running.put(command.requestId(), checking);
      start("gate", checking);
    }
  }

  /** Its drive is not there: it goes on when the same one is, whatever it is called by then. */
  private void waits(ToProbe.StartRun command, KeptRun kept, Runnable whenEnded) {
    if (kept.drive() == null) {
      couldNotRun(command, say("probe.it-went-away-unnamed"));
      return;
    }
    AwaitedDrive awaited =
        new AwaitedDrive(
            kept.drive(),
            () -> drive(kept.partKey()),
            () -> running.remove(command.requestId()),
            found -> begin(command, found),
            whenEnded);
    running.put(command.requestId(), awaited);
    tell.accept(
        new ToServer.RunWaits(
            command.requestId(), say("probe.is-not-there", "drive", kept.drive().identity())));
    start("waits for its drive", awaited);
  }

  private void waitsWithItsCopy(ToProbe.StartRun command, KeptRun kept, PartTask.Outcome outcome) {
    running.remove(command.requestId());
    waits(command, kept, () -> endWhatWaits(command, kept, outcome.note(), kept.drive()));
  }

  /**
   * @param found until its drive went away; null if nothing, or if that was before the probe's last
   *     start
   * @param of which drive; null with it
   */
  private void endWhatWaits(ToProbe.StartRun command, KeptRun kept, RunResult found, DriveSeen of) {
    data.ended(
        kept,
        new LinkEvent.RunEnded(
            command.requestId(),
            command.partKey(),
            command.run(),
            kept.startedAt(),
            clock.instant(),
            LinkEvent.End.CANCELLED,
            say("probe.ended-while-its-drive-was-away"),
            command.run().isSurfaceScan()
                ? SurfaceScanRun.found(folder, command.requestId()).orElse(null)
                : found,
            command.run().isSurfaceScan() ? kept.drive() : of));
  }

  /** The data's own runs spare the drive by what they are: no gate locks them. */
  private void about(ToProbe.StartRun command, MachineUnderTest.Drive drive) {
    try {
      data.begin(command, drive);
    } catch (IllegalArgumentException e) {
      couldNotRun(command, e.getMessage());
    }
  }

  /** Nothing holds for a probe that is not enrolled. */
  private byte[] releaseKey() {
    return outbox
        .identity(Enroller.RELEASE_KEY)
        .map(HexFormat.of()::parseHex)
        .orElseGet(() -> new byte[0]);
  }

  private boolean isBegun(ToProbe.StartRun command) {
    return KeptRun.read(folder, command.requestId()).isPresent();
  }

  private void open(ToProbe.StartRun command, MachineUnderTest.Drive drive) {
    if (command.run().isSurfaceScan()) {
      surface(command, drive);
    } else {
      selfTest(command, drive);
    }
  }

  void accept(ToProbe.ReleaseGiven answer) {
    releases.answered(answer);
  }

  void accept(ToProbe.ReleaseRefused answer) {
    releases.answered(answer);
  }

  void accept(ToProbe.StopRun command) {
    Running run = running.get(command.requestId());
    if (run != null) {
      run.stop(command.pause());
    } else if (!command.pause() && !outbox.isAnswered(command.requestId())) {
      endWhatDoesNotRun(command);
    }
  }

  /** A paused pass is opened once more, so that what it had found is reported; then it ends. */
  private void endWhatDoesNotRun(ToProbe.StopRun command) {
    ToProbe.StartRun again =
        new ToProbe.StartRun(
            command.requestId(),
            command.partKey(),
            command.run(),
            false,
            DataStatus.NOT_ASKED,
            null);
    if (command.run().isSurfaceScan()) {
      accept(again);
      Running run = running.get(command.requestId());
      if (run != null) {
        run.stop(false);
      }
    } else {
      String why =
          command.run().isRescue()
              ? say("probe.ended-while-it-was-left")
              : say("probe.started-anew-while-it-ran");
      end(again, LinkEvent.End.CANCELLED, why);
    }
  }

  private void surface(ToProbe.StartRun command, MachineUnderTest.Drive drive) {
    if (drive.surface().isEmpty()) {
      couldNotRun(command, say("probe.cannot-be-read-by-position"));
      return;
    }
    try {
      BlockSource source = drive.surface().get().open();
      Plan plan = Plan.whole(source.identity());
      plan = command.run() == RunKind.SURFACE_SAMPLE ? plan.sampled() : plan;
      plan = command.gentle() ? plan.gentle() : plan;
      KeptRun kept = KeptRun.of(folder, command, clock.instant(), () -> WhoIsIt.seen(drive));
      SurfaceScanRun run = new SurfaceScanRun(command, kept, source, plan, surfaceHost);
      running.put(command.requestId(), run);
      kept.write(folder);
      start("surface scan", run);
    } catch (IOException | IllegalArgumentException e) {
      couldNotRun(command, say("probe.it-cannot-be-opened", "why", Why.of(e)));
    }
  }

  private void selfTest(ToProbe.StartRun command, MachineUnderTest.Drive drive) {
    if (drive.selfTests().isEmpty()) {
      couldNotRun(command, say("probe.no-self-test-can-be-started"));
      return;
    }
    SelfTestRun run =
        new SelfTestRun(
            command,
            drive,
            clock,
            tell,
            ended -> {
              running.remove(command.requestId());
              keep(ended);
            });
    running.put(command.requestId(), run);
    start("self-test", run);
  }

  private void couldNotRun(ToProbe.StartRun command, String why) {
    end(command, LinkEvent.End.COULD_NOT_RUN, why);
  }

  /** Of a run that found nothing. */
  private void end(ToProbe.StartRun command, LinkEvent.End how, String why) {
    Instant now = clock.instant();
    keep(
        new LinkEvent.RunEnded(
            command.requestId(), command.partKey(), command.run(), now, now, how, why, null));
  }

  private void keep(LinkEvent event) {
    outbox.append(event.requestId(), LinkCodec.encode(event));
    onEvent.run();
  }

  /** What a run finds is told as messages: whoever looks at it reads them in any language. */
  static void start(String name, Runnable task) {
    Thread thread =
        new Thread(
            () ->
                Words.in(
                    Speaking.IN_CODES,
                    () -> {
                      task.run();
                      return null;
                    }),
            name);
    thread.setDaemon(true);
    thread.start();
  }

  /** Everything stops where it is; what is kept lets it go on. */
  @Override
  public void close() {
    running.values().forEach(run -> run.stop(true));
  }

  /** What comes before a new run: the gate, which may take as long as reading the pages takes. */
  private final class Checking implements Running, Runnable {
    private final ToProbe.StartRun command;
    private final MachineUnderTest.Drive drive;
    private Boolean stopped; // whether to pause; null if nobody wants it stopped

    Checking(ToProbe.StartRun command, MachineUnderTest.Drive drive) {
      this.command = command;
      this.drive = drive;
    }

    @Override
    public synchronized void stop(boolean pause) {
      Running now = running.get(command.requestId());
      if (now == this) {
        stopped = pause;
      } else if (now != null) {
        now.stop(pause); // it began meanwhile
      }
    }

    @Override
    public void run() {
      Permission answer;
      try {
        answer = PermitHere.of(command, drive);
      } catch (RuntimeException e) {
        LOG.log(Level.SEVERE, "gate of " + command.requestId(), e);
        answer =
            new Permission.Locked(
                Lock.DRIVE_FAILING, say("probe.could-not-ask-the-drive", "why", Why.of(e)), "");
      }
      synchronized (this) {
        if (stopped != null) {
          // A paused one is asked for again when it is to go on.
          if (!stopped) {
            end(command, LinkEvent.End.CANCELLED, say("probe.ended-before-it-began"));
          }
        } else if (answer instanceof Permission.Locked locked) {
          couldNotRun(
              command, say("probe.locked", "reason", locked.reason(), "opens", locked.opens()));
        } else {
          open(command, drive);
        }
        running.remove(command.requestId(), this); // unless the run itself stands there by now
      }
    }
  }
}

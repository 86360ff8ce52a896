package tekmerion.probe.link;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.CaptureFile;
import tekmerion.link.CaptureFile.CapturedReading;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.MachineNote;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.outbox.Outbox;

/**
 * The work of a probe without a server: readings and runs are the same as on the bench link, asked
 * for at the machine itself, and what comes of them waits to be taken along. Only what reads is
 * done: nobody is there to release anything.
 */
public final class SoleBench implements AutoCloseable {
  private static final int MOST = 600;

  private final MachineUnderTest machine;
  private final Outbox outbox;
  private final CommandHost commands;
  private final RunHost runs;
  private final List<UUID> reading = new ArrayList<>();
  private final ConcurrentHashMap<UUID, ToServer.RunProgress> progress = new ConcurrentHashMap<>();
  private ToProbe.StartRun asked;

  /**
   * The run that was begun last.
   *
   * @param share 0 to 1
   * @param secondsLeft negative while the end is not known
   * @param ended null while it runs
   */
  public record Work(
      RunKind kind, String partKey, double share, double secondsLeft, LinkEvent.RunEnded ended) {}

  /**
   * What has been kept so far.
   *
   * @param readings of drives, board and battery
   * @param runs that are ended
   * @param isReading whether more readings are on their way
   */
  public record Kept(int readings, int runs, boolean isReading) {
    public boolean isEmpty() {
      return readings == 0 && runs == 0;
    }
  }

  /**
   * @param folder where it keeps what it has, until the machine is switched off
   */
  public SoleBench(MachineUnderTest machine, Path folder) {
    this.machine = machine;
    outbox = Outbox.open(folder);
    Clock clock = Clock.systemUTC();
    commands = new CommandHost(machine, outbox, clock, told -> {}, () -> {});
    runs =
        new RunHost(machine, outbox, folder, folder.resolve("copies"), clock, this::told, () -> {});
  }

  private void told(ToServer message) {
    if (message instanceof ToServer.RunProgress now) {
      progress.put(now.requestId(), now);
    }
  }

  /** Reads what every drive, the board and the battery say of themselves. */
  public synchronized void readAll() {
    Stream.concat(
            machine.drives().stream().map(MachineUnderTest.Drive::key),
            Stream.concat(
                machine.board().map(b -> RunKind.BOARD).stream(),
                machine.battery().map(b -> RunKind.BATTERY).stream()))
        .forEach(
            key -> {
              UUID id = UUID.randomUUID();
              reading.add(id);
              commands.accept(new ToProbe.ReadPart(id, key));
            });
  }

  /**
   * Begins a run; the probe's own gate is asked before it loads a drive.
   *
   * @throws IllegalArgumentException if it would write, or copy what is the owner's
   */
  public synchronized void begin(RunKind kind, String partKey) {
    if (kind.needsRelease() || kind.usesCopies()) {
      throw new IllegalArgumentException("%s needs the shop".formatted(kind));
    }
    asked =
        new ToProbe.StartRun(UUID.randomUUID(), partKey, kind, false, DataStatus.NOT_ASKED, null);
    runs.accept(asked);
  }

  public synchronized void stop() {
    if (asked != null) {
      runs.accept(new ToProbe.StopRun(asked.requestId(), asked.partKey(), asked.run(), false));
    }
  }

  /** Empty before anything was begun. */
  public synchronized Optional<Work> work() {
    if (asked == null) {
      return Optional.empty();
    }
    LinkEvent.RunEnded ended =
        events().stream()
            .filter(e -> e.requestId().equals(asked.requestId()))
            .map(LinkEvent.RunEnded.class::cast)
            .findFirst()
            .orElse(null);
    ToServer.RunProgress now = progress.get(asked.requestId());
    return Optional.of(
        new Work(
            asked.run(),
            asked.partKey(),
            now == null ? 0 : now.share(),
            now == null ? -1 : now.secondsLeft(),
            ended));
  }

  public boolean isRunning() {
    return work().filter(w -> w.ended() == null).isPresent();
  }

  public synchronized Kept kept() {
    List<LinkEvent> events = events();
    return new Kept(
        (int) events.stream().filter(LinkEvent.PartRead.class::isInstance).count(),
        (int) events.stream().filter(LinkEvent.RunEnded.class::isInstance).count(),
        !reading.stream().allMatch(outbox::isAnswered));
  }

  /** All that was kept until now; the ids in it stay the same when it is taken along again. */
  public synchronized CaptureFile capture() {
    List<CapturedReading> readings = new ArrayList<>();
    List<LinkEvent.RunEnded> ended = new ArrayList<>();
    for (LinkEvent event : events()) {
      if (event instanceof LinkEvent.PartRead read) {
        readings.add(
            new CapturedReading(read.readingId(), read.partKey(), read.takenAt(), read.pages()));
      } else if (event instanceof LinkEvent.RunEnded run) {
        ended.add(run);
      }
    }
    return CaptureFile.of(ProbeVersion.CURRENT, MachineNote.of(machine), readings, ended);
  }

  private List<LinkEvent> events() {
    return outbox.waiting(1, MOST).stream()
        .map(waiting -> LinkCodec.decode(waiting.body(), LinkEvent.class))
        .toList();
  }

  @Override
  public void close() {
    runs.close();
    commands.close();
    outbox.close();
  }
}

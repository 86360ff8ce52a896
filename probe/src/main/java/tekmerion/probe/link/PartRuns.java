package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.stream.Collectors;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;

/** Begins runs on memory, battery and the machine at work. */
final class PartRuns {
  private static final Logger LOG = Logger.getLogger(PartRuns.class.getName());

  private final MachineUnderTest machine;
  private final Path folder;
  private final Clock clock;
  private final Consumer<ToServer> tell;
  private final Map<UUID, RunHost.Running> running;
  private final Consumer<LinkEvent> keep;

  PartRuns(
      MachineUnderTest machine,
      Path folder,
      Clock clock,
      Consumer<ToServer> tell,
      Map<UUID, RunHost.Running> running,
      Consumer<LinkEvent> keep) {
    this.machine = machine;
    this.folder = folder;
    this.clock = clock;
    this.tell = tell;
    this.running = running;
    this.keep = keep;
  }

  void begin(ToProbe.StartRun command) {
    PartTask.Job job =
        new PartTask.Job(
            command,
            clock,
            clock.instant(),
            tell,
            ended -> ended(command, ended),
            () -> running.remove(command.requestId()),
            outcome -> {
              throw new IllegalStateException("a run of no drive waits for none");
            },
            Optional::empty);
    Optional<PartTask> task = task(job);
    if (task.isEmpty()) {
      Instant now = clock.instant();
      keep.accept(
          new LinkEvent.RunEnded(
              command.requestId(),
              command.partKey(),
              command.run(),
              now,
              now,
              LinkEvent.End.COULD_NOT_RUN,
              say("probe.nothing-that-could-be-run-so"),
              null));
      return;
    }
    running.put(command.requestId(), task.get());
    RunHost.start(command.run().name().toLowerCase(Locale.ROOT), task.get());
  }

  private Optional<PartTask> task(PartTask.Job job) {
    return switch (job.command().run()) {
      case MEMORY_TEST, MEMORY_TEST_LONG ->
          machine
              .board()
              .flatMap(MachineUnderTest.Board::memory)
              .map(memory -> new MemoryTestTask(job, memory));
      case DISCHARGE ->
          machine
              .battery()
              .flatMap(MachineUnderTest.Battery::discharge)
              .map(discharge -> new DischargeTask(job, discharge, folder));
      case CHARGE ->
          machine
              .battery()
              .flatMap(MachineUnderTest.Battery::charge)
              .map(charge -> new ChargeTask(job, charge));
      case LOAD_SAMPLE -> machine.load().map(load -> new LoadTask(job, load, names()));
      default -> Optional.empty();
    };
  }

  /** The system counts a drive's work under its name of the moment. */
  private Map<String, String> names() {
    return machine.drives().stream()
        .filter(d -> d.device().isPresent())
        .collect(Collectors.toMap(d -> d.device().orElseThrow(), MachineUnderTest.Drive::key));
  }

  private void ended(ToProbe.StartRun command, LinkEvent ended) {
    running.remove(command.requestId());
    keep.accept(ended);
    if (command.run() == RunKind.DISCHARGE) {
      try {
        DischargeTask.forget(folder, command.requestId());
      } catch (IOException e) {
        LOG.log(Level.WARNING, "what was kept of a discharge stays in " + folder, e);
      }
    }
  }
}

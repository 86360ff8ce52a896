package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.stream.Stream;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.PageNote;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.outbox.Outbox;

/** Carries out commands, one after the other, and puts what came of them into the outbox. */
final class CommandHost implements AutoCloseable {
  private static final Logger LOG = Logger.getLogger(CommandHost.class.getName());

  private final MachineUnderTest machine;
  private final Outbox outbox;
  private final Clock clock;
  private final Consumer<ToServer.Progress> progress;
  private final Runnable onEvent;
  private final AtomicBoolean unasked = new AtomicBoolean();
  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(
          task -> {
            Thread thread = new Thread(task, "commands");
            thread.setDaemon(true);
            return thread;
          });

  /**
   * @param progress told of every step; may be lost
   * @param onEvent told that the outbox has something new
   */
  CommandHost(
      MachineUnderTest machine,
      Outbox outbox,
      Clock clock,
      Consumer<ToServer.Progress> progress,
      Runnable onEvent) {
    this.machine = machine;
    this.outbox = outbox;
    this.clock = clock;
    this.progress = progress;
    this.onEvent = onEvent;
  }

  void accept(ToProbe.ReadPart command) {
    worker.execute(() -> run(command));
  }

  /**
   * Board and battery, once for each start of the probe: which modules sit where, and how the pack
   * is, is known then without anybody asking. Looks only.
   */
  void readOnceUnasked() {
    if (unasked.compareAndSet(false, true)) {
      Stream.of(RunKind.BOARD, RunKind.BATTERY)
          .filter(key -> source(key).isPresent())
          .forEach(key -> accept(new ToProbe.ReadPart(UUID.randomUUID(), key)));
    }
  }

  private void run(ToProbe.ReadPart command) {
    if (outbox.isAnswered(command.requestId())) {
      return;
    }
    try {
      Optional<PageSource> source = source(command.partKey());
      keep(
          source.isPresent()
              ? read(command, source.get())
              : refusal(
                  command.requestId(),
                  say("probe.nothing-here-is-called", "part", command.partKey())));
    } catch (RuntimeException e) {
      // A mistake of ours in one command must not end the probe; the technician is told.
      LOG.log(Level.SEVERE, "reading " + command.partKey() + " failed", e);
      keep(refusal(command.requestId(), say("probe.failed-while-reading", "why", e)));
    }
  }

  private Optional<PageSource> source(String key) {
    return switch (key) {
      case RunKind.BOARD -> machine.board().map(MachineUnderTest.Board::pages);
      case RunKind.BATTERY -> machine.battery().map(MachineUnderTest.Battery::pages);
      default ->
          machine.drives().stream()
              .filter(d -> d.key().equals(key))
              .map(MachineUnderTest.Drive::pages)
              .findFirst();
    };
  }

  private LinkEvent read(ToProbe.ReadPart command, PageSource source) {
    UUID requestId = command.requestId();
    List<PageNote> pages = new ArrayList<>();
    List<PageKind> kinds = source.kinds();
    for (PageKind kind : kinds) {
      progress.accept(
          new ToServer.Progress(
              requestId, pages.size(), kinds.size(), "reading " + kind.standardName()));
      pages.add(PageNote.of(kind, source.read(kind)));
    }
    return new LinkEvent.PartRead(
        requestId, UUID.randomUUID(), command.partKey(), clock.instant(), pages);
  }

  private LinkEvent refusal(UUID requestId, String why) {
    return new LinkEvent.CommandRefused(requestId, clock.instant(), why);
  }

  private void keep(LinkEvent event) {
    outbox.append(event.requestId(), LinkCodec.encode(event));
    onEvent.run();
  }

  @Override
  public void close() {
    worker.shutdownNow();
  }
}

package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.logging.Level;
import java.util.logging.Logger;
import tekmerion.core.port.BlockSource;
import tekmerion.core.surface.Plan;
import tekmerion.core.surface.Progress;
import tekmerion.core.surface.ScannedSurface;
import tekmerion.core.surface.SurfaceScan;
import tekmerion.link.LinkEvent;
import tekmerion.link.SurfaceScanResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;

/** One surface scan of this probe; what it knows is kept every few seconds. */
final class SurfaceScanRun implements RunHost.Running, SurfaceScan.Listener, Runnable {
  private static final Logger LOG = Logger.getLogger(SurfaceScanRun.class.getName());
  private static final long TELL_NANOS = 1_000_000_000L;
  private static final long KEEP_NANOS = 3_000_000_000L;

  private final ToProbe.StartRun command;
  private final KeptRun kept;
  private final BlockSource source;
  private final Host host;
  private final Path file;
  private final SurfaceScan pass;
  private Progress latest = new Progress(0, 0, 0, -1, 0, 0);
  private long toldAt;
  private long keptAt;

  /**
   * What is around it.
   *
   * @param folder where it is kept
   * @param over told first when it does not run any more
   * @param keep takes its end
   * @param waits told if its drive is gone for now
   * @param failed told if it is the probe's own fault, with why
   */
  record Host(
      Path folder,
      Clock clock,
      Consumer<ToServer> tell,
      Consumer<ToProbe.StartRun> over,
      Consumer<LinkEvent> keep,
      Waits waits,
      BiConsumer<ToProbe.StartRun, String> failed) {}

  interface Waits {
    /**
     * @param whenEnded done if somebody ends it meanwhile
     */
    void accept(ToProbe.StartRun command, KeptRun kept, Runnable whenEnded);
  }

  /** Goes on with what is kept of it, or begins. */
  SurfaceScanRun(ToProbe.StartRun command, KeptRun kept, BlockSource source, Plan plan, Host host)
      throws IOException {
    this.command = command;
    this.kept = kept;
    this.source = source;
    this.host = host;
    this.file = host.folder().resolve(command.requestId() + ".pass");
    if (Files.exists(file)) {
      try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
        pass = SurfaceScan.resume(source, plan, in, System::nanoTime, this);
      }
    } else {
      pass = SurfaceScan.begin(source, plan, System::nanoTime, this);
    }
  }

  /** What a pass had found that nobody goes on with; empty if nothing is kept of it. */
  static Optional<SurfaceScanResult> found(Path folder, UUID request) {
    Path file = folder.resolve(request + ".pass");
    if (!Files.exists(file)) {
      return Optional.empty();
    }
    try {
      SurfaceScanResult note;
      try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
        note = SurfaceScanResults.of(SurfaceScan.found(in));
      }
      Files.delete(file);
      return Optional.of(note);
    } catch (IOException | RuntimeException e) { // the run ends whatever is in the file
      LOG.log(Level.WARNING, "what was kept of the pass " + request + " stays", e);
      return Optional.empty();
    }
  }

  @Override
  public void stop(boolean pause) {
    if (pause) {
      pass.pause();
    } else {
      pass.cancel();
    }
  }

  @Override
  public void run() {
    try {
      ScannedSurface result = pass.run();
      KeptPass.write(pass, file);
      host.over().accept(command);
      if (result.end() == ScannedSurface.End.PAUSED) {
        host.tell().accept(progress());
      } else if (result.end() == ScannedSurface.End.GONE && kept.drive() != null) {
        host.tell().accept(progress());
        host.waits().accept(command, kept, () -> end(result, LinkEvent.End.CANCELLED));
      } else {
        end(
            result,
            switch (result.end()) {
              case COMPLETE -> LinkEvent.End.COMPLETE;
              case CANCELLED -> LinkEvent.End.CANCELLED;
              case STOPPED_BY_RULE -> LinkEvent.End.STOPPED_BY_RULE;
              default -> LinkEvent.End.COULD_NOT_RUN;
            });
      }
    } catch (IOException | RuntimeException e) {
      host.over().accept(command);
      LOG.log(Level.SEVERE, "surface scan " + command.requestId(), e);
      host.failed().accept(command, say("probe.the-probe-failed", "why", Why.of(e)));
    } finally {
      source.close();
    }
  }

  private void end(ScannedSurface result, LinkEvent.End end) {
    host.keep()
        .accept(
            new LinkEvent.RunEnded(
                command.requestId(),
                command.partKey(),
                command.run(),
                kept.startedAt(),
                host.clock().instant(),
                end,
                result.why(),
                SurfaceScanResults.of(result),
                kept.drive()));
    try {
      Files.deleteIfExists(file);
      kept.forget(host.folder());
    } catch (IOException e) {
      LOG.log(Level.WARNING, "what was kept of a pass stays in " + host.folder(), e);
    }
  }

  @Override
  public void progress(Progress progress) {
    latest = progress;
    long now = System.nanoTime();
    if (now - toldAt >= TELL_NANOS) {
      toldAt = now;
      host.tell().accept(progress());
    }
  }

  private ToServer.RunProgress progress() {
    return ToServer.RunProgress.of(
        command.requestId(),
        latest.share(),
        latest.secondsLeft(),
        latest.secondsSpread(),
        latest.atByte(),
        SurfaceScanResults.of(pass.result()));
  }

  @Override
  public void checkpoint() {
    long now = System.nanoTime();
    if (now - keptAt < KEEP_NANOS) {
      return;
    }
    keptAt = now;
    try {
      KeptPass.write(pass, file);
    } catch (IOException e) {
      LOG.log(Level.WARNING, "the pass cannot be kept in " + file, e);
    }
  }
}

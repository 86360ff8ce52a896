package tekmerion.probe.link;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.logging.Level;
import java.util.logging.Logger;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkEvent;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.copy.CopyFolder;
import tekmerion.probe.copy.ShopsOwn;
import tekmerion.probe.copy.SourceIsNot;
import tekmerion.probe.linux.LocalDrives;

/** Begins runs about the data on a drive. The drive is only read; copies go to their own folder. */
final class DataRuns {
  private static final Logger LOG = Logger.getLogger(DataRuns.class.getName());

  private final Path folder;
  private final Path copies;
  private final Clock clock;
  private final Consumer<ToServer> tell;
  private final Map<UUID, RunHost.Running> running;
  private final Consumer<LinkEvent> keep;
  private final Releases releases;
  private final Waits waits;

  /** Told of a run whose drive is gone for now. */
  interface Waits {
    void accept(ToProbe.StartRun command, KeptRun kept, PartTask.Outcome outcome);
  }

  /**
   * @param folder where it is remembered when a run began
   * @param copies where copies go
   */
  DataRuns(
      Path folder,
      Path copies,
      Clock clock,
      Consumer<ToServer> tell,
      Map<UUID, RunHost.Running> running,
      Consumer<LinkEvent> keep,
      Releases releases,
      Waits waits) {
    this.folder = folder;
    this.copies = copies;
    this.clock = clock;
    this.tell = tell;
    this.running = running;
    this.keep = keep;
    this.releases = releases;
    this.waits = waits;
  }

  /**
   * @throws IllegalArgumentException with the reason, if this drive cannot be run so here
   */
  void begin(ToProbe.StartRun command, MachineUnderTest.Drive drive) {
    MachineUnderTest.BytesOpener bytes =
        drive
            .bytes()
            .orElseThrow(
                () -> new IllegalArgumentException("what is on this drive cannot be read here"));
    KeptRun kept = kept(command, () -> WhoIsIt.seen(drive));
    start(kept, task(job(command, kept, () -> WhoIsIt.seen(drive)), bytes, drive));
  }

  /** Its drive may be gone for long. */
  void eraseCopy(ToProbe.StartRun command) {
    KeptRun kept = kept(command, Optional::empty);
    start(kept, new EraseCopyTask(job(command, kept, Optional::empty), copies, releases));
  }

  private KeptRun kept(ToProbe.StartRun command, Supplier<Optional<DriveSeen>> which) {
    return KeptRun.of(folder, command, clock.instant(), which);
  }

  private PartTask.Job job(
      ToProbe.StartRun command, KeptRun kept, Supplier<Optional<DriveSeen>> which) {
    return new PartTask.Job(
        command,
        clock,
        kept.startedAt(),
        tell,
        ended -> ended(kept, ended),
        () -> running.remove(command.requestId()),
        outcome -> waits.accept(command, kept, outcome),
        which);
  }

  private void start(KeptRun kept, PartTask task) {
    kept.write(folder);
    running.put(kept.requestId(), task);
    RunHost.start(kept.run().name().toLowerCase(Locale.ROOT), task);
  }

  private PartTask task(
      PartTask.Job job, MachineUnderTest.BytesOpener bytes, MachineUnderTest.Drive drive) {
    ToProbe.StartRun command = job.command();
    if (command.run().usesCopies() && command.copy() == null) {
      throw new IllegalArgumentException("the server did not say where the copy belongs");
    }
    return switch (command.run()) {
      case SURVEY -> new SurveyTask(job, bytes);
      case RESCUE_IN_USE, RESCUE_WHOLE -> new RescueTask(job, bytes, () -> where(command, drive));
      case VERIFY_IMAGE -> new VerifyTask(job, () -> where(command, drive));
      case FILE_COPY -> new FileCopyTask(job, bytes, () -> where(command, drive));
      case CARVE -> new CarveTask(job, () -> where(command, drive));
      case ERASE -> new EraseTask(job, drive, releases);
      case MEND, TAKE_BACK -> new MendTask(job, drive, releases, () -> where(command, drive));
      default -> throw new IllegalArgumentException("this is no run about data");
    };
  }

  private CopyFolder where(ToProbe.StartRun command, MachineUnderTest.Drive drive)
      throws IOException {
    CopyFolder to = CopyFolder.open(copies, command.copy().job(), command.partKey());
    SourceIsNot.under(drive.device().orElse(drive.key()), to.path());
    ShopsOwn.mustHold(to.path(), LocalDrives.list());
    to.belongTo(
        WhoIsIt.seen(drive)
            .orElseThrow(
                () ->
                    new IOException(
                        "the drive does not tell who it is, so nobody could say whose copy it is")));
    return to;
  }

  /** It is ended for good. */
  void ended(KeptRun kept, LinkEvent ended) {
    running.remove(kept.requestId());
    keep.accept(ended);
    try {
      kept.forget(folder);
    } catch (IOException e) {
      LOG.log(Level.WARNING, "what was kept of a run stays in " + folder, e);
    }
  }
}

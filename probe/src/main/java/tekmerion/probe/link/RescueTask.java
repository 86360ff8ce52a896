package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import tekmerion.core.files.InUse;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.ReadEndedException;
import tekmerion.core.port.ReadResult;
import tekmerion.core.port.SeenBytes;
import tekmerion.core.rescue.RescueForecast;
import tekmerion.core.rescue.RescueImage;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.RescuedBytes;
import tekmerion.core.rescue.State;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.RescueResult;
import tekmerion.link.RunKind;
import tekmerion.probe.copy.CopyFolder;
import tekmerion.probe.copy.ImageFile;
import tekmerion.probe.copy.Room;

/** Images a drive into the job's folder. */
final class RescueTask extends CopyTask {
  private static final int RETRIES = 1;

  /** So often files are asked what they lost: there may be a million of them. */
  private static final long FILES_NANOS = 10_000_000_000L;

  private final MachineUnderTest.BytesOpener drive;
  private final RescueForecast forecast = new RescueForecast();
  private final boolean inUseOnly;
  private List<RescueResult.LostFile> lost = List.of();
  private long lostAt = System.nanoTime();

  RescueTask(Job job, MachineUnderTest.BytesOpener drive, Where where) {
    super(job, where);
    this.drive = drive;
    this.inUseOnly = job.command().run() == RunKind.RESCUE_IN_USE;
  }

  @Override
  Outcome copy(CopyFolder folder) throws IOException {
    try (ByteSource source = drive.open();
        ImageFile image = ImageFile.open(folder.image(), folder.map(), source.sizeBytes())) {
      RescueMap map = image.kept().map();
      InUse found = InUse.of(new RescuedBytes(image.written(), map, Optional.of(source)));
      want(found, map);
      Room.check(folder.path(), map.size() - map.bytes(State.READ) - map.bytes(State.LATER));
      Going going = new Going(image, found, folder);
      RescueImage copy = new RescueImage(new Timed(source, going), map, image, going::stopped);
      going.copy = copy;
      boolean through;
      try {
        through = copy.run(RETRIES);
      } catch (ReadEndedException e) {
        image.now();
        lost = DataNotes.lost(found, map);
        return ended(e, going.note(say("probe.waits")));
      }
      image.now();
      lost = DataNotes.lost(found, map);
      RescueResult note = going.note(say("probe.phase-ended"));
      return through ? new Outcome(End.COMPLETE, why(found), note) : stopped(note);
    }
  }

  private String why(InUse found) {
    return inUseOnly && !found.known() ? say("probe.all-of-it-was-copied") : "";
  }

  /** What was read stays read; what failed stays known as that. */
  private void want(InUse found, RescueMap map) {
    if (!inUseOnly || !found.known()) {
      map.change(State.LATER, State.UNTRIED);
    } else if (map.bytes(State.UNTRIED) == map.size()) {
      found.ranges().stretches().forEach(r -> map.set(r.from(), r.to(), r.state()));
    }
  }

  /** The copy while it goes on. */
  private final class Going {
    private final ImageFile image;
    private final InUse found;
    private final CopyFolder folder;
    private RescueImage copy;

    Going(ImageFile image, InUse found, CopyFolder folder) {
      this.image = image;
      this.found = found;
      this.folder = folder;
    }

    /** Asked between reads, which is when there is something to tell. */
    boolean stopped() {
      if (isTimeToTell()) {
        RescueMap map = image.kept().map();
        long now = System.nanoTime();
        if (now - lostAt > FILES_NANOS) {
          lostAt = now;
          lost = DataNotes.lost(found, map);
        }
        RescueForecast.Expected expected = forecast.of(map, RETRIES);
        double wanted = Math.max(1, map.size() - map.bytes(State.LATER));
        double done = map.bytes(State.READ) + map.lostBytes();
        tell(
            done / wanted,
            expected.secondsLeft(),
            expected.spreadSeconds(),
            note(copy.sweep().words()));
      }
      return isStopped();
    }

    RescueResult note(String phase) {
      RescueMap map = image.kept().map();
      RescueForecast.Expected expected = forecast.of(map, RETRIES);
      Cells cells = new Cells(map);
      return new RescueResult(
          phase,
          inUseOnly && map.bytes(State.LATER) > 0,
          cells.source(),
          cells.copy(),
          map.size(),
          map.size() - map.bytes(State.LATER),
          map.bytes(State.READ),
          map.lostBytes(),
          map.bytes(State.FAILED) + map.bytes(State.TRIMMED),
          lost.stream().limit(RescueResult.MAX_FILES).toList(),
          found.volumes().isEmpty() ? null : (long) lost.size(),
          expected.secondsLeft() < 0 ? null : expected.share(),
          image.kept().sums().whole(),
          null,
          folder.shown());
    }
  }

  /** Tells the forecast how each read went. */
  private final class Timed extends SeenBytes {
    private final Going going;

    Timed(ByteSource source, Going going) {
      super(source);
      this.going = going;
    }

    @Override
    public ReadResult read(long offset, int length) {
      long began = System.nanoTime();
      ReadResult result = source.read(offset, length);
      forecast.read(
          going.copy.sweep(),
          length,
          (System.nanoTime() - began) / 1e9,
          result instanceof ReadResult.Data);
      return result;
    }

    @Override
    public void close() {
      // by whoever opened it
    }
  }
}

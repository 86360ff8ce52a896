package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.RescueCheck;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.State;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.RescueResult;
import tekmerion.probe.copy.CopyFolder;
import tekmerion.probe.linux.RawFile;

/** Reads an image again, past the cache, and compares it with what was read of its drive. */
final class VerifyTask extends CopyTask {
  VerifyTask(Job job, Where where) {
    super(job, where);
  }

  @Override
  Outcome copy(CopyFolder folder) throws IOException {
    if (!Files.exists(folder.map()) || !Files.exists(folder.image())) {
      return new Outcome(
          End.COULD_NOT_RUN, say("probe.there-is-no-image-in", "folder", folder.shown()), null);
    }
    KeptRescue kept = KeptRescue.parse(Files.readString(folder.map()));
    long all = Math.max(1, kept.map().bytes(State.READ));
    try (RawFile image = RawFile.direct(folder.image())) {
      Optional<RescueCheck.Checked> checked =
          RescueCheck.run(
              kept,
              image,
              done -> {
                if (isTimeToTell()) {
                  tell((double) done / all, note(folder, kept, null, say("probe.reads-it-again")));
                }
              },
              this::isStopped);
      return checked.isEmpty()
          ? stopped(note(folder, kept, null, say("probe.not-ended")))
          : new Outcome(End.COMPLETE, "", note(folder, kept, checked.get(), "compared"));
    } catch (IllegalArgumentException e) {
      return new Outcome(End.COULD_NOT_RUN, e.getMessage(), null);
    }
  }

  private static RescueResult note(
      CopyFolder folder, KeptRescue kept, RescueCheck.Checked checked, String phase) {
    RescueMap map = kept.map();
    Cells cells = new Cells(map);
    if (checked != null) {
      cells.compared();
      checked
          .differingZones()
          .forEach(z -> cells.differs(z * checked.zoneBytes(), (z + 1) * checked.zoneBytes()));
    }
    return new RescueResult(
        phase,
        map.bytes(State.LATER) > 0,
        cells.source(),
        cells.copy(),
        map.size(),
        map.size() - map.bytes(State.LATER),
        map.bytes(State.READ),
        map.lostBytes(),
        map.bytes(State.FAILED) + map.bytes(State.TRIMMED),
        List.of(),
        null,
        null,
        kept.sums().whole(),
        checked == null ? null : checked.agrees(),
        folder.shown());
  }
}

package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import tekmerion.core.carve.Carved;
import tekmerion.core.carve.Carver;
import tekmerion.core.files.FileCopy;
import tekmerion.core.files.FoundFile;
import tekmerion.core.files.Piece;
import tekmerion.core.port.ByteSource;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.RescueMap.Stretch;
import tekmerion.core.rescue.RescuedBytes;
import tekmerion.core.rescue.State;
import tekmerion.link.CarveResult;
import tekmerion.link.LinkEvent.End;
import tekmerion.probe.copy.CopyFolder;
import tekmerion.probe.copy.FilesOnDisk;
import tekmerion.probe.copy.Preview;
import tekmerion.probe.copy.Room;
import tekmerion.probe.linux.RawFile;

/**
 * Looks through the image of a drive for files by their content and copies each; the drive itself
 * is not touched. What was copied before is not copied again.
 */
final class CarveTask extends CopyTask {
  /** Of one sort, so that others have room. */
  private static final int MAX_OF_A_SORT = 24;

  private final Map<String, CarveResult.CarvedSort> sorts = new TreeMap<>();
  private final List<CarveResult.CarvedExample> examples = new ArrayList<>();
  private long wanted;
  private long lookedAt;
  private long failed;

  CarveTask(Job job, Where where) {
    super(job, where);
  }

  @Override
  Outcome copy(CopyFolder folder) throws IOException {
    Optional<KeptRescue> rescued = folder.rescued();
    if (rescued.isEmpty()) {
      return new Outcome(End.COULD_NOT_RUN, say("probe.no-image-that-came-to-its-end"), null);
    }
    List<Stretch> read =
        rescued.get().map().stretches().stream().filter(s -> s.state() == State.READ).toList();
    wanted = read.stream().mapToLong(Stretch::bytes).sum();
    FilesOnDisk to = new FilesOnDisk(folder.byContent());
    long reached = 0;
    try (ByteSource image =
        new RescuedBytes(RawFile.open(folder.image()), rescued.get().map(), Optional.empty())) {
      for (Stretch stretch : read) {
        long before = lookedAt;
        // A file may reach far beyond the stretch that it begins in.
        long from = Math.max(stretch.from(), reached);
        long[] end = {reached};
        boolean through =
            Carver.run(
                image,
                from,
                stretch.to(),
                carved -> {
                  end[0] = carved.offset() + carved.bytes();
                  take(image, carved, to, folder);
                },
                at -> {
                  lookedAt = before + at - stretch.from();
                  if (isTimeToTell()) {
                    tell((double) lookedAt / wanted, note(folder));
                  }
                  return isStopped();
                });
        if (!through) {
          return stopped(note(folder));
        }
        reached = end[0];
        lookedAt = before + stretch.bytes();
      }
    } catch (NoRoom e) {
      return new Outcome(
          End.STOPPED_BY_RULE, say("probe.what-was-found-is-kept", "why", Why.of(e)), note(folder));
    }
    return new Outcome(End.COMPLETE, "", note(folder));
  }

  /** What was found until then is there and stays. */
  private static final class NoRoom extends RuntimeException {
    private static final long serialVersionUID = 1L;

    NoRoom(String why) {
      super(why);
    }
  }

  private void take(ByteSource image, Carved carved, FilesOnDisk to, CopyFolder folder) {
    FoundFile file =
        new FoundFile(
            "%014d.%s".formatted(carved.offset(), carved.extension()),
            false,
            carved.bytes(),
            Optional.empty(),
            List.of(new Piece(carved.offset(), carved.bytes())),
            Optional.empty(),
            Optional.empty());
    if (to.isDone(file)) {
      took(file, carved, folder);
      return;
    }
    try {
      Room.check(folder.path(), carved.bytes());
    } catch (IOException e) {
      throw new NoRoom(e.getMessage());
    }
    FileCopy.run(
        image,
        List.of(file),
        to,
        copied -> {
          if (copied.outcome() == FileCopy.Outcome.VERIFIED) {
            to.done(file, copied.sha256());
            took(file, carved, folder);
          } else {
            failed++;
          }
        },
        () -> false);
  }

  private void took(FoundFile file, Carved carved, CopyFolder folder) {
    String sort = carved.extension();
    CarveResult.CarvedSort had = sorts.getOrDefault(sort, new CarveResult.CarvedSort(sort, 0, 0));
    sorts.put(
        sort, new CarveResult.CarvedSort(sort, had.files() + 1, had.bytes() + carved.bytes()));
    if (had.files() < MAX_OF_A_SORT && examples.size() < CarveResult.MAX_EXAMPLES) {
      examples.add(
          new CarveResult.CarvedExample(
              file.path(),
              sort,
              carved.bytes(),
              carved.checked(),
              Preview.of(folder.byContent().resolve(file.path()), CarveResult.MAX_PREVIEW)
                  .orElse(null)));
    }
  }

  private CarveResult note(CopyFolder folder) {
    return new CarveResult(
        lookedAt,
        wanted,
        sorts.values().stream()
            .sorted(Comparator.comparingLong(CarveResult.CarvedSort::files).reversed())
            .toList(),
        examples,
        failed,
        folder.shown() + "/files-by-content");
  }
}

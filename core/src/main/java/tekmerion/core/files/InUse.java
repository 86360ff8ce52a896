package tekmerion.core.files;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadResult;
import tekmerion.core.port.SeenBytes;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.State;
import tekmerion.core.survey.Survey;

/**
 * What of a source is in use: where its files lie, and everything that had to be read to know that.
 *
 * @param volumes lists of the partitions that can be listed, by number
 * @param known whether every volume that holds something could be listed; if not, nothing may be
 *     left out
 */
public record InUse(Survey survey, List<Volume> volumes, RescueMap ranges, boolean known) {
  /** Structures are copied with what lies beside them. */
  private static final int MARGIN = 64 << 10;

  /** A partition with its files. */
  public record Volume(Survey.Part part, FileList list) {}

  public InUse {
    volumes = List.copyOf(volumes);
  }

  /** Reads what a survey and a walk through the folders want. */
  public static InUse of(ByteSource source) {
    Noted noted = new Noted(source);
    Survey survey = Survey.of(noted, Survey.READ_BY_MOST);
    List<Volume> volumes = new ArrayList<>();
    boolean known = true;
    for (Survey.Part part : survey.parts()) {
      Optional<FileList> list =
          FileList.of(noted, part.start(), bytes(part, source), part.volume().content());
      list.ifPresent(l -> volumes.add(new Volume(part, l)));
      known &= list.isPresent() && !list.get().files().isEmpty() || isEmpty(part);
      // Where entries are lost, more may be lost than was found again.
      known &= !part.isStray();
    }
    RescueMap ranges = new RescueMap(source.sizeBytes());
    ranges.set(0, source.sizeBytes(), State.LATER);
    noted.reads.forEach((from, bytes) -> want(ranges, from - MARGIN, bytes + 2L * MARGIN));
    for (Volume volume : volumes) {
      for (FoundFile file : volume.list().files()) {
        file.pieces().stream()
            .filter(p -> !p.isHole())
            .forEach(p -> want(ranges, p.offset(), p.bytes()));
      }
    }
    return new InUse(survey, volumes, ranges, known && !volumes.isEmpty());
  }

  private static long bytes(Survey.Part part, ByteSource source) {
    return Math.min(part.bytes(), source.sizeBytes() - part.start());
  }

  /** Nothing was ever in it that would have to be copied. */
  private static boolean isEmpty(Survey.Part part) {
    return switch (part.volume().content()) {
      case BLANK, SWAP -> true;
      default -> false;
    };
  }

  private static void want(RescueMap map, long from, long bytes) {
    long sector = 4096;
    map.set(from / sector * sector, (from + bytes + sector - 1) / sector * sector, State.UNTRIED);
  }

  /** Remembers what it was asked for. */
  private static final class Noted extends SeenBytes {
    private final TreeMap<Long, Integer> reads = new TreeMap<>();

    Noted(ByteSource source) {
      super(source);
    }

    @Override
    public ReadResult read(long offset, int length) {
      reads.merge(offset, length, Math::max);
      return source.read(offset, length);
    }
  }
}

package tekmerion.probe.link;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tekmerion.core.files.FileBody;
import tekmerion.core.files.Folders;
import tekmerion.core.files.FoundFile;
import tekmerion.core.files.InUse;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.State;
import tekmerion.core.survey.Damage;
import tekmerion.core.survey.Survey;
import tekmerion.link.RescueResult;
import tekmerion.link.SurveyResult;

/** What was found out about the data on a drive, as it travels. */
final class DataNotes {
  private DataNotes() {}

  static SurveyResult of(InUse found) {
    Survey survey = found.survey();
    return new SurveyResult(
        survey.sizeBytes(),
        name(survey.scheme().name()),
        name(survey.reason().name()),
        survey.reason().words(),
        survey.reason().next(),
        survey.failedReads(),
        survey.parts().stream()
            .limit(SurveyResult.MAX_VOLUMES)
            .map(part -> volume(part, found))
            .toList(),
        damage(survey.damage()));
  }

  private static String name(String constant) {
    return constant.toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private static SurveyResult.VolumeNote volume(Survey.Part part, InUse found) {
    Optional<InUse.Volume> listed =
        found.volumes().stream().filter(v -> v.part().equals(part)).findFirst();
    List<FoundFile> files =
        listed.map(v -> v.list().files()).orElse(List.of()).stream()
            .filter(f -> !f.folder())
            .toList();
    return new SurveyResult.VolumeNote(
        part.number(),
        cut(part.name(), 100),
        part.start(),
        part.bytes(),
        part.volume().content().words(),
        part.volume().content().isEncrypted(),
        part.volume().label().map(l -> cut(l, 100)).orElse(null),
        part.volume().uuid().orElse(null),
        part.volume().usedBytes().isPresent() ? part.volume().usedBytes().getAsLong() : null,
        damage(part.volume().damage()),
        listed.isPresent(),
        files.size(),
        files.stream().mapToLong(FoundFile::bytes).sum(),
        listed.map(v -> folders(v)).orElse(List.of()),
        listed.map(v -> v.list().troubles()).orElse(List.of()).stream()
            .limit(SurveyResult.MAX_TROUBLES)
            .map(t -> cut(t, SurveyResult.MAX_PATH))
            .toList());
  }

  private static List<SurveyResult.FolderNote> folders(InUse.Volume volume) {
    return Folders.of(volume.list(), SurveyResult.MAX_FOLDERS).stream()
        .filter(row -> row.path().length() <= SurveyResult.MAX_PATH)
        .map(r -> new SurveyResult.FolderNote(r.path(), r.files(), r.bytes(), r.proposed()))
        .toList();
  }

  private static List<SurveyResult.DamageNote> damage(List<Damage> damage) {
    return damage.stream()
        .limit(SurveyResult.MAX_TROUBLES)
        .map(
            d ->
                new SurveyResult.DamageNote(
                    d.what(), d.offset(), d.length(), d.backupOffset().orElse(null)))
        .toList();
  }

  /** Files that lost something, the most at first. */
  static List<RescueResult.LostFile> lost(InUse found, RescueMap map) {
    return found.volumes().stream()
        .flatMap(v -> v.list().files().stream())
        .map(f -> new RescueResult.LostFile(path(f.path()), f.bytes(), lostOf(f, map)))
        .filter(f -> f.lostBytes() > 0)
        .sorted(Comparator.comparingLong(RescueResult.LostFile::lostBytes).reversed())
        .toList();
  }

  /** What is not wanted yet, or not tried, is not lost. */
  private static long lostOf(FoundFile file, RescueMap map) {
    return FileBody.in(file, map, State.BAD)
        + FileBody.in(file, map, State.UNANSWERED)
        + FileBody.in(file, map, State.FAILED)
        + FileBody.in(file, map, State.TRIMMED);
  }

  static String path(String path) {
    return path.length() <= SurveyResult.MAX_PATH
        ? path
        : "…" + path.substring(path.length() - SurveyResult.MAX_PATH + 1);
  }

  private static String cut(String text, int most) {
    return text.length() <= most ? text : text.substring(0, most - 1) + "…";
  }
}

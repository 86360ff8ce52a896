package tekmerion.server.weighing;

import java.util.Map;
import java.util.Optional;
import tekmerion.core.sign.Sign;
import tekmerion.core.sign.Sign.Basis;
import tekmerion.link.LinkEvent;
import tekmerion.link.RescueFinding;
import tekmerion.link.SurveyFinding;
import tekmerion.server.run.DriveRun;

/** Signs from a survey and from a rescue copy: what the moves of the same name tell. */
final class DataSigns {
  /** Level of {@code volume.found} by the survey's reason; what is not here tells nothing of it. */
  private static final Map<String, String> LEVELS =
      Map.of(
          "healthy", "sound",
          "encrypted", "encrypted",
          "foreign-file-system", "foreign",
          "blank", "blank",
          "damaged-table", "table-damaged",
          "damaged-boot-sector", "table-damaged");

  private DataSigns() {}

  static Optional<Sign> of(DriveRun run) {
    if (run.finding() instanceof SurveyFinding survey) {
      boolean troubled = survey.volumes().stream().anyMatch(v -> !v.troubles().isEmpty());
      String level = LEVELS.get(survey.reason());
      return Optional.ofNullable(level)
          .map(l -> l.equals("sound") && troubled ? "volume-damaged" : l)
          .map(
              l ->
                  new Sign(
                      "volume.found",
                      run.driveKey(),
                      l,
                      l.equals("volume-damaged")
                          ? "What its folders lie in is damaged"
                          : survey.why(),
                      Basis.run()));
    }
    boolean copied = run.kind().isRescue() && run.result().end() == LinkEvent.End.COMPLETE;
    return copied && run.finding() instanceof RescueFinding rescue
        ? Optional.of(copyErrors(run.driveKey(), rescue.lostBytes()))
        : Optional.empty();
  }

  private static Sign copyErrors(String driveKey, long lostBytes) {
    return new Sign(
        "copy.errors",
        driveKey,
        lostBytes == 0 ? "clean" : "errors",
        lostBytes == 0
            ? "The copy met no unreadable place"
            : "The copy met %,d unreadable bytes".formatted(lostBytes),
        Basis.run());
  }
}

package tekmerion.server.weighing;

import static tekmerion.words.Words.say;

import java.util.Map;
import java.util.Optional;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;
import tekmerion.link.LinkEvent;
import tekmerion.link.RescueResult;
import tekmerion.link.SurveyResult;
import tekmerion.server.run.Run;
import tekmerion.words.Words;

/** Findings from a survey and from a rescue image: what the moves of the same name tell. */
final class DataFindings {
  /** Level of {@code volume.found} by the survey's reason; what is not here tells nothing of it. */
  private static final Map<String, String> LEVELS =
      Map.of(
          "healthy", "sound",
          "encrypted", "encrypted",
          "foreign-file-system", "foreign",
          "blank", "blank",
          "damaged-table", "table-damaged",
          "damaged-boot-sector", "table-damaged");

  private DataFindings() {}

  static Optional<Finding> of(Run run) {
    if (run.result() instanceof SurveyResult survey) {
      boolean troubled = survey.volumes().stream().anyMatch(v -> !v.troubles().isEmpty());
      String level = LEVELS.get(survey.reason());
      return Optional.ofNullable(level)
          .map(l -> l.equals("sound") && troubled ? "volume-damaged" : l)
          .map(
              l ->
                  new Finding(
                      "volume.found",
                      run.partKey(),
                      l,
                      l.equals("volume-damaged")
                          ? say("weighing.what-its-folders-lie-in-is")
                          : Words.read(survey.why()),
                      Basis.run()));
    }
    boolean copied = run.kind().isRescue() && run.ending().end() == LinkEvent.End.COMPLETE;
    return copied && run.result() instanceof RescueResult rescue
        ? Optional.of(copyErrors(run.partKey(), rescue.lostBytes()))
        : Optional.empty();
  }

  private static Finding copyErrors(String partKey, long lostBytes) {
    return new Finding(
        "copy.errors",
        partKey,
        lostBytes == 0 ? "clean" : "errors",
        lostBytes == 0
            ? say("weighing.the-copy-met-no-unreadable-place")
            : say("weighing.the-copy-met-unreadable-bytes", "lostBytes", lostBytes),
        Basis.run());
  }
}

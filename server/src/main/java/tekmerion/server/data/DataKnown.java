package tekmerion.server.data;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import tekmerion.core.permit.DataEvidence;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.DriveState;
import tekmerion.core.words.Sentences;
import tekmerion.link.RescueResult;
import tekmerion.link.SurveyResult;
import tekmerion.server.run.Run;
import tekmerion.words.Words;

/**
 * What was found out until now, newest first of each sort.
 *
 * @param mended last try, whatever came of it
 * @param wrote last one that wrote something
 */
record DataKnown(
    Optional<Run> survey,
    Optional<Run> rescue,
    Optional<Run> check,
    Map<Integer, Run> files,
    Optional<Run> carved,
    Optional<Run> open,
    Optional<Run> erased,
    Optional<Run> copyErased,
    Optional<Run> mended,
    Optional<Run> wrote,
    DriveState state) {
  DataEvidence evidence() {
    return state.evidence();
  }

  /** A copy that was made is not there, or came back and was not read again. */
  boolean isCopyAway() {
    return Stream.concat(rescue.stream(), files.values().stream()).anyMatch(Run::isCopyMissing);
  }

  boolean isImageBack() {
    return rescue.filter(r -> r.copyFoundAt() != null).isPresent() && !evidence().imaged();
  }

  boolean isSafe() {
    return state.status().allowsWriting();
  }

  /** A drive that must be spared says so, whatever else was found on it; why stands below. */
  String finding() {
    String found = ofData();
    return state().failing().isEmpty() || isSafe()
        ? found
        : say("data.to-be-spared-until-its-data", "found", found);
  }

  private String ofData() {
    Optional<RescueResult> rescue = rescue().map(r -> (RescueResult) r.result());
    if (open().filter(r -> r.kind().isRescue()).isPresent()) {
      return say("data.being-copied");
    }
    DataEvidence evidence = evidence();
    if (isCopyAway()) {
      return say("data.its-copy-is-not-where-it");
    }
    if (isImageBack()) {
      return say("data.its-image-was-away-and-is");
    }
    if (rescue.isPresent()) {
      String lost = lost(rescue.get());
      if (check().map(c -> ((RescueResult) c.result()).verified()).orElse(null) == Boolean.FALSE) {
        return say("data.the-image-is-not-what-was");
      }
      return evidence.imageVerified()
          ? say("data.copied-and-verified", "lost", lost)
          : evidence.imaged()
              ? say("data.copied-not-verified-yet", "lost", lost)
              : say("data.copied-in-part", "lost", lost);
    }
    if (state().status() == DataStatus.COPY_VERIFIED) {
      return say("data.all-that-is-on-it-is");
    }
    if (evidence.copied()) {
      return say("data.some-files-copied");
    }
    if (mendedSinceSurvey()) {
      return say("data.mended-from-its-copies-not-surveyed");
    }
    return survey()
        .map(s -> Sentences.lowerFirst(Words.read(((SurveyResult) s.result()).why())))
        .orElse(say("data.not-looked-at-yet"));
  }

  private static String lost(RescueResult rescue) {
    long lost = rescue.lostBytes() + rescue.openBytes();
    if (lost == 0) {
      return "";
    }
    return rescue.lostFilesInAll() == null
        ? say("data.bytes-lost", "lost", lost)
        : rescue.lostFilesInAll() == 0
            ? say("data.no-file-lost-anything")
            : rescue.lostFilesInAll() == 1
                ? say("data.one-file-lost-something")
                : say("data.files-lost-something", "lostFilesInAll", rescue.lostFilesInAll());
  }

  String next() {
    if (open().isPresent()) {
      return open().get().state() == Run.State.PAUSED
          ? say("data.go-on-with-the-run-or-end-it")
          : say("data.wait-for-what-goes-on");
    }
    if (isCopyAway()) {
      return say("data.look-for-the-disk-that-the");
    }
    if (isImageBack()) {
      return say("data.check-the-image-it-counts-again");
    }
    if (survey().isEmpty()) {
      return say("data.survey-it-that-says-what-is");
    }
    if (isSafe()) {
      return say("data.the-data-is-safe-what-writes");
    }
    if (evidence().imageVerified()) {
      return say("data.the-image-is-verified-what-it");
    }
    if (evidence().imaged()) {
      return say("data.check-the-image-only-a-verified");
    }
    SurveyResult survey = (SurveyResult) survey().get().result();
    return List.of("blank", "encrypted", "maybe-encrypted", "no-partitions")
            .contains(survey.reason())
        ? survey.next()
        : say("data.copy-it-into-an-image-or", "survey", survey.next());
  }

  boolean mendedSinceSurvey() {
    return survey().isPresent()
        && wrote().filter(r -> r.askedAt().isAfter(survey().get().askedAt())).isPresent();
  }
}

package tekmerion.server.data;

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
        : found + "; to be spared until its data is safe";
  }

  private String ofData() {
    Optional<RescueResult> rescue = rescue().map(r -> (RescueResult) r.result());
    if (open().filter(r -> r.kind().isRescue()).isPresent()) {
      return "being copied";
    }
    DataEvidence evidence = evidence();
    if (isCopyAway()) {
      return "its copy is not where it was made";
    }
    if (isImageBack()) {
      return "its image was away and is back, not read again yet";
    }
    if (rescue.isPresent()) {
      String lost = lost(rescue.get());
      if (check().map(c -> ((RescueResult) c.result()).verified()).orElse(null) == Boolean.FALSE) {
        return "the image is not what was read";
      }
      return evidence.imageVerified()
          ? "copied and verified" + lost
          : evidence.imaged() ? "copied, not verified yet" + lost : "copied in part" + lost;
    }
    if (state().status() == DataStatus.COPY_VERIFIED) {
      return "all that is on it is copied and verified, or signed away";
    }
    if (evidence.copied()) {
      return "some files copied";
    }
    if (mendedSinceSurvey()) {
      return "mended from its copies, not surveyed again yet";
    }
    return survey()
        .map(s -> Sentences.lowerFirst(((SurveyResult) s.result()).why()))
        .orElse("not looked at yet");
  }

  private static String lost(RescueResult rescue) {
    long lost = rescue.lostBytes() + rescue.openBytes();
    if (lost == 0) {
      return "";
    }
    return rescue.lostFilesInAll() == null
        ? ", %,d bytes lost".formatted(lost)
        : rescue.lostFilesInAll() == 0
            ? ", no file lost anything"
            : rescue.lostFilesInAll() == 1
                ? ", one file lost something"
                : ", %,d files lost something".formatted(rescue.lostFilesInAll());
  }

  String next() {
    if (open().isPresent()) {
      return "Wait for what goes on.";
    }
    if (isCopyAway()) {
      return "Look for the disk that the copy lies on, or copy again. Until then nothing counts as"
          + " copied.";
    }
    if (isImageBack()) {
      return "Check the image: it counts again once it was read again.";
    }
    if (survey().isEmpty()) {
      return "Survey it: that says what is on it and why it cannot be opened. It only reads.";
    }
    if (isSafe()) {
      return "The data is safe. What writes to the drive is open now.";
    }
    if (evidence().imageVerified()) {
      return "The image is verified. What it does not hold is listed: copy it, or have its owner"
          + " sign it away.";
    }
    if (evidence().imaged()) {
      return "Check the image: only a verified copy counts.";
    }
    SurveyResult survey = (SurveyResult) survey().get().result();
    return List.of("blank", "encrypted", "maybe-encrypted", "no-partitions")
            .contains(survey.reason())
        ? survey.next()
        : "Copy it into an image, or copy chosen files. " + survey.next();
  }

  boolean mendedSinceSurvey() {
    return survey().isPresent()
        && wrote().filter(r -> r.askedAt().isAfter(survey().get().askedAt())).isPresent();
  }
}

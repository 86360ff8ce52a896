package tekmerion.core.permit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tekmerion.core.permit.DataEvent.CopyErased;
import tekmerion.core.permit.DataEvent.CopyMissing;
import tekmerion.core.permit.DataEvent.FilesCopied;
import tekmerion.core.permit.DataEvent.ImageChecked;
import tekmerion.core.permit.DataEvent.Imaged;
import tekmerion.core.permit.DataEvent.Mended;
import tekmerion.core.permit.DataEvent.Surveyed;
import tekmerion.core.permit.DriveContent.Folder;
import tekmerion.core.permit.DriveContent.Volume;

/** A copy counts for exactly what it holds of what the newest survey found. */
class DataEvidenceTest {
  private static final Volume SCORES =
      listed(
          1, new Folder("Scores", 5, 300), new Folder("Scores/2026", 2, 100), new Folder("", 1, 9));
  private static final Volume LOCKED =
      new Volume(
          2, 1L << 40, 1L << 39, "encrypted", null, null, false, false, false, 0, 0, List.of());
  private static final ImageChecked AGREES = new ImageChecked("aa", true);

  static Volume listed(int number, Folder... folders) {
    long files = Arrays.stream(folders).filter(Folder::isAtTop).mapToLong(Folder::files).sum();
    long bytes = Arrays.stream(folders).filter(Folder::isAtTop).mapToLong(Folder::bytes).sum();
    return new Volume(
        number,
        1 << 20,
        1L << 39,
        "exFAT",
        null,
        null,
        false,
        true,
        false,
        files,
        bytes,
        List.of(folders));
  }

  private static Surveyed found(Volume... volumes) {
    DriveContent content = new DriveContent(List.of(volumes));
    return new Surveyed(content, "sha of " + content.hashCode());
  }

  private static Imaged image(boolean inUseOnly, long lost, Long lostFiles) {
    return new Imaged(true, inUseOnly, "aa", 5_000, lost, lostFiles);
  }

  private static FilesCopied files(long files, long verified, String... folders) {
    return new FilesCopied(true, 1, Set.of(folders), files, verified);
  }

  private static DataEvidence of(DataEvent... events) {
    return DataEvidence.of(List.of(events));
  }

  private static List<String> missing(DataEvent... events) {
    return of(events).missing().stream().map(h -> h.kind() + " " + h.path()).toList();
  }

  @Test
  void aDriveThatNobodySurveyedMayHoldAnything() {
    assertThat(missing()).containsExactly("NOT_SURVEYED ");
    assertThat(missing(image(false, 0, 0L), AGREES)).containsExactly("NOT_SURVEYED ");
    // Surveyed only after it was copied: nobody knows what it held then.
    assertThat(of(image(false, 0, 0L), AGREES, found(SCORES)).isAllCopied()).isFalse();
  }

  @Test
  void anImageCountsOnceItWasReadAgainAndAgrees() {
    assertThat(of(found(SCORES), image(true, 0, 0L)).isAllCopied()).isFalse();
    assertThat(of(found(SCORES), image(true, 0, 0L), new ImageChecked("aa", false)).copied())
        .isFalse();
    assertThat(of(found(SCORES), image(true, 0, 0L), new ImageChecked("bb", true)).isAllCopied())
        .isFalse(); // of another image
    assertThat(of(found(SCORES), image(true, 0, 0L), AGREES).isAllCopied()).isTrue();
    Imaged goneOn = new Imaged(false, true, "cc", 5_000, 0, 0L);
    assertThat(of(found(SCORES), image(true, 0, 0L), AGREES, goneOn).isAllCopied()).isFalse();
  }

  @Test
  void anImageThatReadNothingOrLostSomethingIsNoCopyOfThat() {
    Imaged nothing = new Imaged(true, false, "aa", 0, 5_000, null);
    assertThat(missing(found(SCORES), nothing, AGREES)).contains("FOLDER Scores");
    assertThat(of(found(SCORES), image(false, 24_117_248, 3L), AGREES).missing())
        .containsExactly(
            new Holding(HoldingKind.LOST_IN_COPY, Holding.WHOLE_DRIVE, "", 3, 24_117_248));
    // What was lost lies in no file, and every file is known.
    assertThat(of(found(SCORES), image(true, 512, 0L), AGREES).isAllCopied()).isTrue();
    // Beside an encrypted volume nobody knows in whose file it lies.
    assertThat(of(found(SCORES, LOCKED), image(false, 512, 0L), AGREES).isAllCopied()).isFalse();
  }

  @Test
  void anImageOfWhatIsInUseHoldsNoVolumeThatCouldNotBeListed() {
    assertThat(missing(found(SCORES, LOCKED), image(true, 0, 0L), AGREES))
        .containsExactly("VOLUME ");
    assertThat(of(found(SCORES, LOCKED), image(false, 0, null), AGREES).isAllCopied()).isTrue();
  }

  @Test
  void copiedFilesCountForTheirFoldersAndNoOthers() {
    assertThat(missing(found(SCORES), files(5, 5, "Scores"))).containsExactly("FOLDER ");
    assertThat(missing(found(SCORES), files(5, 4, "Scores"), files(1, 1, "")))
        .containsExactly("FOLDER Scores");
    assertThat(missing(found(SCORES), files(2, 2, "Scores/2026"), files(1, 1, "")))
        .containsExactly("FOLDER Scores"); // three of its files lie beside that one
    assertThat(missing(found(SCORES), files(3, 3, "Scores"), files(1, 1, "")))
        .containsExactly("FOLDER Scores"); // fewer than the survey counted
    assertThat(of(found(SCORES), files(5, 5, "Scores"), files(1, 1, "")).isAllCopied()).isTrue();
    assertThat(missing(found(SCORES, LOCKED), files(5, 5, "Scores"), files(1, 1, "")))
        .containsExactly("VOLUME ");
  }

  @Test
  void filesThatTheListHasNoRoomForAreMissing() {
    Volume more =
        new Volume(
            1, 0, 1 << 30, "exFAT", null, null, false, true, false, 9, 999, SCORES.folders());
    assertThat(of(found(more), files(5, 5, "Scores"), files(1, 1, "")).missing())
        .containsExactly(new Holding(HoldingKind.FILES_NOT_LISTED, 1, "", 3, 690));
  }

  @Test
  void aDriveThatHoldsSomethingElseByNowIsNotCopied() {
    Volume grown = listed(1, new Folder("Scores", 6, 400), new Folder("", 1, 9));
    assertThat(of(found(SCORES), image(true, 0, 0L), AGREES, found(grown)).isAllCopied()).isFalse();
    assertThat(
            of(found(SCORES), files(5, 5, "Scores"), files(1, 1, ""), found(grown)).isAllCopied())
        .isFalse();
    assertThat(of(found(SCORES), image(true, 0, 0L), AGREES, found(SCORES)).isAllCopied()).isTrue();
  }

  /** A mended table shows more than before, and all of it is in the whole image. */
  @Test
  void whatOurOwnMendingChangedIsStillInAWholeImage() {
    Surveyed after = found(SCORES);
    DataEvent[] mended = {
      found(LOCKED), image(false, 0, null), AGREES, new Mended(after.sha()), after
    };
    assertThat(of(mended).isAllCopied()).isTrue();
    assertThat(of(mended).written()).isTrue();
    // Something else was found than the mending had left.
    mended[3] = new Mended("another sha");
    assertThat(of(mended).isAllCopied()).isFalse();
    mended[3] = new Mended("");
    assertThat(of(mended).isAllCopied()).isFalse();
  }

  /** An image goes on from its map: it is of what was there when it was begun. */
  @Test
  void anImageThatIsMadeAgainHoldsNothingNew() {
    Volume grown = listed(1, new Folder("Scores", 6, 400), new Folder("", 1, 9));
    assertThat(
            of(
                    found(SCORES),
                    image(false, 0, 0L),
                    AGREES,
                    found(grown),
                    image(false, 0, 0L),
                    AGREES)
                .isAllCopied())
        .isFalse();
  }

  @Test
  void aDriveThatWeErasedWhollyHoldsNothingUntilSomethingIsFound() {
    Surveyed blank = found();
    assertThat(of(found(SCORES), new DataEvent.Erased(true), blank).isAllCopied()).isTrue();
    assertThat(of(found(SCORES), new DataEvent.Erased(false), blank).isAllCopied()).isFalse();
    assertThat(of(found(SCORES), new DataEvent.Erased(true), found(SCORES)).isAllCopied())
        .isFalse();
    assertThat(
            of(found(SCORES), new DataEvent.Erased(true), new DataEvent.WrittenByHand(), blank)
                .isAllCopied())
        .isFalse();
  }

  @Test
  void anErasedCopyIsNone() {
    assertThat(of(found(SCORES), image(true, 0, 0L), AGREES, new CopyErased()).copied()).isFalse();
    assertThat(of(found(SCORES), files(5, 5, "Scores"), new CopyErased()).copied()).isFalse();
  }

  /** It counted as copied and verified; it is not there. Back, it counts when it was read again. */
  @Test
  void aCopyThatIsMissingCountsForNothingUntilItIsReadAgain() {
    DataEvent[] gone = {found(SCORES), image(true, 0, 0L), AGREES, new CopyMissing(null)};
    assertThat(of(gone).isAllCopied()).isFalse();
    assertThat(of(gone).copied()).isFalse();
    assertThat(of(gone[0], gone[1], gone[2], gone[3], AGREES).isAllCopied()).isTrue();

    FilesCopied all = files(6, 6, "Scores", "");
    assertThat(of(found(SCORES), all).isAllCopied()).isTrue();
    assertThat(of(found(SCORES), all, new CopyMissing(2)).isAllCopied()).isTrue(); // another volume
    assertThat(of(found(SCORES), all, new CopyMissing(1)).isAllCopied()).isFalse();
    assertThat(of(found(SCORES), all, new CopyMissing(1), all).isAllCopied()).isTrue();
  }

  @Test
  void swapSpaceHoldsNothingThatAnybodyKeeps() {
    Volume swap =
        new Volume(2, 0, 1 << 30, "swap", null, null, true, false, false, 0, 0, List.of());
    assertThat(of(found(SCORES, swap), image(true, 0, 0L), AGREES).isAllCopied()).isTrue();
  }
}

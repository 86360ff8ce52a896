package tekmerion.core.permit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What one job knows of a drive that another job has too, and when two drives are one. */
class EvidenceElsewhereTest {
  static Stream<DataEvent> ofTheDrive() {
    return Stream.of(
        new DataEvent.Surveyed(null, "sha"),
        new DataEvent.Mended("sha"),
        new DataEvent.Erased(true));
  }

  static Stream<DataEvent> ofACopy() {
    return Stream.of(
        DataEvent.Imaged.BEGUN,
        new DataEvent.ImageChecked("sums", true),
        new DataEvent.FilesCopied(true, 1, Set.of("Users"), 3, 3),
        new DataEvent.CopyMissing(null),
        new DataEvent.CopyErased(),
        new DataEvent.WrittenByHand());
  }

  @ParameterizedTest
  @MethodSource("ofTheDrive")
  void whatConcernsTheDriveCountsInEveryJob(DataEvent event) {
    assertThat(new DataEvent.Elsewhere(event).of()).isEqualTo(event);
  }

  /** A copy that was made in another job is no copy of this one. */
  @ParameterizedTest
  @MethodSource("ofACopy")
  void whatConcernsACopyNeverDoes(DataEvent event) {
    assertThatThrownBy(() -> new DataEvent.Elsewhere(event))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("copies of another job");
  }

  @ParameterizedTest
  @CsvSource({
    ", S1, 1000",
    "' ', S1, 1000",
    "M1, , 1000",
    "M1, ' ', 1000",
    "M1, S1, 0",
    "M1, S1, -1"
  })
  void aDriveThatDoesNotTellAllOfItIsNobody(String model, String serial, long sizeBytes) {
    assertThat(PartIdentity.of(model, serial, sizeBytes)).isEmpty();
  }

  @Test
  void allThreeMakeADrive() {
    assertThat(PartIdentity.of("M1", "S1", 1))
        .isEqualTo(Optional.of(new PartIdentity("M1", "S1", 1)))
        .map(PartIdentity::toString)
        .hasValue("M1 S1, 1 bytes");
  }

  @ParameterizedTest(name = "{0} below {1}: {2}")
  @CsvSource({
    "Users/ann, Users, true",
    "Users, Users, false",
    "Users2/ann, Users, false",
    "Users, '', false",
    "'', '', false"
  })
  void aFolderIsBelowAnotherByWholeNames(String one, String other, boolean below) {
    assertThat(folder(one).isBelow(folder(other))).isEqualTo(below);
  }

  private static DriveContent.Folder folder(String path) {
    return new DriveContent.Folder(path, 1, 1);
  }
}

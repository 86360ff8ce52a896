package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;

class BuiltInAgainstOursTest {
  private static Finding finding(String id, String level) {
    return new Finding(id, "drive-a", level, id + " " + level, Finding.Basis.run());
  }

  @ParameterizedTest(name = "theirs {0}, ours {1}: {2}")
  @CsvSource({
    "passed, clean, agree",
    "failed, some-unreadable, agree",
    "passed, some-unreadable, only-ours",
    "failed, clean, only-built-in"
  })
  void tellsWhetherTheMachinesOwnTestAgrees(String theirs, String ours, String level) {
    List<Finding> found =
        BuiltInAgainstOurs.of(
            List.of(finding("built-in.drive", theirs), finding("drive.surface", ours)));

    assertThat(found).hasSize(1);
    assertThat(found.get(0).id()).isEqualTo("built-in.drive.against-ours");
    assertThat(found.get(0).level()).isEqualTo(level);
    assertThat(KnowHow.shipped().finding(found.get(0).id()).orElseThrow().levels()).contains(level);
  }

  @Test
  void oneSideAloneDisagreesWithNobody() {
    assertThat(BuiltInAgainstOurs.of(List.of(finding("built-in.memory", "failed")))).isEmpty();
    assertThat(BuiltInAgainstOurs.of(List.of(finding("march.errors", "none")))).isEmpty();
  }
}

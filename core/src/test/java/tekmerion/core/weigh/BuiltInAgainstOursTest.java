package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.sign.Sign;

class BuiltInAgainstOursTest {
  private static Sign sign(String id, String level) {
    return new Sign(id, "drive-a", level, id + " " + level, Sign.Basis.run());
  }

  @ParameterizedTest(name = "theirs {0}, ours {1}: {2}")
  @CsvSource({
    "passed, clean, agree",
    "failed, some-unreadable, agree",
    "passed, some-unreadable, only-ours",
    "failed, clean, only-built-in"
  })
  void tellsWhetherTheMachinesOwnTestAgrees(String theirs, String ours, String level) {
    List<Sign> found =
        BuiltInAgainstOurs.of(List.of(sign("built-in.drive", theirs), sign("drive.surface", ours)));

    assertThat(found).hasSize(1);
    assertThat(found.get(0).id()).isEqualTo("built-in.drive.against-ours");
    assertThat(found.get(0).level()).isEqualTo(level);
    assertThat(KnowHow.shipped().sign(found.get(0).id()).orElseThrow().levels()).contains(level);
  }

  @Test
  void oneSideAloneDisagreesWithNobody() {
    assertThat(BuiltInAgainstOurs.of(List.of(sign("built-in.memory", "failed")))).isEmpty();
    assertThat(BuiltInAgainstOurs.of(List.of(sign("march.errors", "none")))).isEmpty();
  }
}

package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.Suspicion;
import tekmerion.core.sign.Sign;
import tekmerion.core.weigh.Weighing.Part;

/** On what ships: when a part may be replaced. */
class FindingsTest {
  private static final List<Part> DRIVE = List.of(new Part("drive-a", "drive", "drive A"));

  /** "drive-a/drive.sound=clicks by move": part, sign, level, where it comes from. */
  private static Sign sign(String text) {
    String[] halves = text.split(" by ");
    String[] at = halves[0].split("[/=]");
    Sign.Basis basis =
        switch (halves[1]) {
          case "owner" -> Sign.Basis.intake();
          case "reading" -> Sign.Basis.reading("ata-smart", 2, 12);
          default -> Sign.Basis.move();
        };
    return new Sign(at[1], at[0], at[2], at[1], basis);
  }

  @ParameterizedTest(name = "{0}: {1} → {2}")
  @CsvSource({
    // The owner may say what they like: nobody has looked yet.
    "noise-heat, machine/noise.clicks=clicks by owner; machine/change.drop=yes by owner, NONE",
    "noise-heat, drive-a/drive.sound=clicks by move, ONE_FINDING",
    // The owner's words make it likelier, and no finding of it.
    "noise-heat, drive-a/drive.sound=clicks by move; machine/noise.clicks=clicks by owner, ONE_FINDING",
    "noise-heat, drive-a/drive.sound=clicks by move; drive-a/drive.waiting-sectors=many by reading, SEVERAL",
    // Docked elsewhere: one sign, and it is the swap that the gate asks for.
    "slow, drive-a/elsewhere.drive=slow by move, SEVERAL",
    "slow, drive-a/drive.spare=below-limit by reading, DECISIVE",
    "memory-errors, machine/built-in.memory=failed by move, ONE_FINDING",
    "memory-errors, machine/built-in.memory=failed by move; machine/module.alone=one-fails by move, SEVERAL",
    // What speaks against it is no finding of it.
    "memory-errors, machine/built-in.memory=passed by move, NONE"
  })
  void onePassIsOneFinding(String family, String seen, Suspicion suspicion) {
    List<Sign> signs = new ArrayList<>();
    for (String one : seen.split("; ")) {
      signs.add(sign(one));
    }
    Weighed weighed = Weighing.of(KnowHow.shipped(), List.of(family), DRIVE, signs);

    assertThat(Findings.against(KnowHow.shipped(), weighed)).isEqualTo(suspicion);
  }
}

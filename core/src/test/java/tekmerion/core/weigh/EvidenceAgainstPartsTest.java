package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.PartEvidence;
import tekmerion.core.weigh.Weighing.Part;

/** On what ships: when a part may be replaced. */
class EvidenceAgainstPartsTest {
  private static final List<Part> DRIVE = List.of(new Part("drive-a", "drive", "drive A"));

  /** "drive-a/drive.sound=clicks by move": part, finding, level, where it comes from. */
  private static Finding finding(String text) {
    String[] halves = text.split(" by ");
    String[] at = halves[0].split("[/=]");
    Finding.Basis basis =
        switch (halves[1]) {
          case "owner" -> Finding.Basis.intake();
          case "reading" -> Finding.Basis.reading("ata-smart", 2, 12);
          default -> Finding.Basis.move();
        };
    return new Finding(at[1], at[0], at[2], at[1], basis);
  }

  @ParameterizedTest(name = "{0}: {1} → {2}")
  @CsvSource({
    // The owner may say what they like: nobody has looked yet.
    "noise-heat, machine/noise.clicks=clicks by owner; machine/change.drop=yes by owner, NONE",
    "noise-heat, drive-a/drive.sound=clicks by move, ONE_FINDING",
    // The owner's words make it likelier, and no finding of it.
    "noise-heat, drive-a/drive.sound=clicks by move; machine/noise.clicks=clicks by owner, ONE_FINDING",
    "noise-heat, drive-a/drive.sound=clicks by move; drive-a/drive.pending-sectors=many by reading, SEVERAL",
    // Docked elsewhere: one finding, and it is the swap that the gate asks for.
    "slow, drive-a/elsewhere.drive=slow by move, SEVERAL",
    "slow, drive-a/drive.spare=below-limit by reading, DECISIVE",
    "memory-errors, machine/built-in.memory=failed by move, ONE_FINDING",
    "memory-errors, machine/built-in.memory=failed by move; machine/module.alone=one-fails by move, SEVERAL",
    // What speaks against it is no finding of it.
    "memory-errors, machine/built-in.memory=passed by move, NONE"
  })
  void onePassIsOneFinding(String family, String seen, PartEvidence suspicion) {
    List<Finding> findings = new ArrayList<>();
    for (String one : seen.split("; ")) {
      findings.add(finding(one));
    }
    Weighed weighed = Weighing.of(KnowHow.shipped(), List.of(family), DRIVE, findings);

    assertThat(EvidenceAgainstParts.against(KnowHow.shipped(), weighed)).isEqualTo(suspicion);
  }
}

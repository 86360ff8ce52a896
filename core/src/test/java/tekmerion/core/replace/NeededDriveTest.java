package tekmerion.core.replace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;
import tekmerion.core.drive.DriveReading;

class NeededDriveTest {
  @Test
  void saysWhatToBuyAndWhatTheOldOneDoesNotReport() {
    assertThat(
            new NeededDrive("SATA", Optional.of("2.5 inch"), OptionalLong.of(500_107_862_016L))
                .words())
        .isEqualTo("A SATA drive, 2.5 inch, 500 GB or more");
    assertThat(new NeededDrive("NVMe", Optional.empty(), OptionalLong.empty()).words())
        .isEqualTo(
            "An NVMe drive, form as on the old one's label (it does not report it), size as on the"
                + " old one's label (it does not report it)");
  }

  @Test
  void aDriveThatSaysNothingIsReadFromItsLabel() {
    assertThat(NeededDrive.of(new DriveReading(Map.of()))).isEmpty();
  }
}

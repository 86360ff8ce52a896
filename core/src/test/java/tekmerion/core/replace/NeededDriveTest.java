package tekmerion.core.replace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;
import tekmerion.core.drive.PartReading;

class NeededDriveTest {
  /** Of 1,000 GB, in 2.5 inch. */
  private static final NeededDrive OLD =
      new NeededDrive("SATA", Optional.of("2.5 inch"), OptionalLong.of(1_000_204_886_016L));

  @Test
  void whatIsInStockFitsByInterfaceSizeAndForm() {
    assertThat(OLD.misfit("SATA", "2.5 inch", 1_000_204_886_016L)).isEmpty();
    assertThat(OLD.misfit("SATA", null, 2_000_398_934_016L)).isEmpty();
    assertThat(OLD.misfit("SATA", "2.5 inch", 960_197_124_096L))
        .contains("it is smaller than the old one");
    assertThat(OLD.misfit("NVMe", "M.2", 2_000_398_934_016L)).isPresent();
    assertThat(OLD.misfit("SATA", "3.5 inch", 2_000_398_934_016L)).isPresent();
  }

  @Test
  void aModuleFitsBySortFormAndSizeHoweverTheFormIsWritten() {
    NeededModule old =
        new NeededModule(
            Optional.of("DDR4"), Optional.of("SODIMM"), OptionalLong.of(8L << 30), "8 GB DDR4");
    assertThat(old.misfit(new InStock("module", "a", "DDR4", "SO-DIMM", 8L << 30))).isEmpty();
    assertThat(old.misfit(new InStock("module", "a", "DDR4", "SO-DIMM", 16L << 30))).isEmpty();
    assertThat(old.misfit(new InStock("module", "a", "DDR4", "SO-DIMM", 4L << 30))).isPresent();
    assertThat(old.misfit(new InStock("module", "a", "DDR5", "SO-DIMM", 8L << 30)))
        .contains("it is DDR5, DDR4 is needed");
    assertThat(old.misfit(new InStock("module", "a", "DDR4", "DIMM", 8L << 30))).isPresent();
    assertThat(old.misfit(new InStock("drive", "a", "SATA", null, 8L << 30))).isPresent();
    assertThat(old.misfit(new InStock("module", "a", null, null, null)))
        .contains("nobody said what it is");
  }

  @Test
  void aBatteryFitsByItsModelOnly() {
    NeededBattery old = new NeededBattery(Optional.of("BX-4410"), "50 Wh");
    assertThat(old.misfit(new InStock("battery", "Pack bx-4410 (new)", null, null, null)))
        .isEmpty();
    assertThat(old.misfit(new InStock("battery", "BX-4411", null, null, null)))
        .contains("it is for another model, BX-4410 is needed");
    assertThat(
            new NeededBattery(Optional.empty(), "50 Wh")
                .misfit(new InStock("battery", "BX-4410", null, null, null)))
        .isPresent();
  }

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
    assertThat(NeededDrive.of(new PartReading(Map.of()))).isEmpty();
  }
}

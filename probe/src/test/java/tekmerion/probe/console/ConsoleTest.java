package tekmerion.probe.console;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.probe.linux.SysDrive;
import tekmerion.sim.SimMachines;
import tekmerion.words.Language;

/** What stands on the stick's screen, without a screen. */
class ConsoleTest {
  private static final int ENTER = '\r';
  private static final MachineUnderTest MACHINE =
      new SimMachines().open("sim:worn-disk,0").orElseThrow();

  private static Console of(int drives) {
    List<SysDrive> all =
        IntStream.rangeClosed(1, drives)
            .mapToObj(
                i ->
                    new SysDrive(
                        "none" + i,
                        SysDrive.Bus.ATA,
                        Path.of("/sys/none" + i),
                        "HELM-1000S",
                        "OS-%03d".formatted(i),
                        "",
                        1_000_204_886_016L,
                        true,
                        false,
                        false))
            .toList();
    Console console =
        new Console(
            new Screens(List.of()),
            new BenchLinkOfStick(List.of(), Optional.empty(), Path.of("none"), MACHINE),
            MACHINE,
            () -> all,
            Language.EN);
    console.look();
    return console;
  }

  private static void press(Console console, String keys) throws InterruptedException {
    for (char key : keys.toCharArray()) {
      console.isOff(key);
    }
  }

  @Test
  void saysThatNoDriveIsSeenAndOffersNothingForOne() {
    List<String> lines = of(0).lines();

    assertThat(lines)
        .contains("No drive is seen.")
        .anyMatch(line -> line.contains("RAID mode"))
        .noneMatch(line -> line.contains("Scan the surface"))
        .anyMatch(line -> line.contains("Test the memory"));
  }

  /** 80 by 25, with 40 drives and a question open, and each of them can be chosen. */
  @Test
  void fortyDrivesFitAndEachCanBeChosen() throws InterruptedException {
    Console console = of(40);
    press(console, "2");
    assertThat(console.lines()).hasSizeLessThan(Screens.ROWS).anyMatch(l -> l.contains("OS-008"));
    assertThat(console.lines()).noneMatch(l -> l.contains("OS-009"));

    press(console, "    ");
    assertThat(console.lines()).anyMatch(l -> l.contains("Drive 40") && l.contains("OS-040"));
    press(console, "41");
    press(console, "" + (char) ENTER);
    assertThat(console.lines()).anyMatch(l -> l.contains("Which drive?"));
    press(console, "40" + (char) ENTER);
    // There is no such device here: it says so of the one that was chosen.
    assertThat(console.lines())
        .noneMatch(l -> l.contains("Which drive?"))
        .anyMatch(l -> l.startsWith("Work") && l.contains("/dev/none40"));
  }

  @Test
  void largeDigitsAreReadAsTheyAreTyped() {
    List<String> lines = LargeDigits.lines("171717");

    assertThat(lines).hasSize(LargeDigits.ROWS).allMatch(l -> l.length() <= Screens.COLUMNS);
    // A one and a seven, three times: 2 + 5 strokes in the first row.
    assertThat(lines.get(0).chars().filter(c -> c == '#').count()).isEqualTo(3 * (2 + 5));
  }
}

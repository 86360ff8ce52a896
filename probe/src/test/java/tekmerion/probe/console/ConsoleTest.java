package tekmerion.probe.console;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.CaptureFile;
import tekmerion.link.stick.SealedCapture;
import tekmerion.link.stick.StickKey;
import tekmerion.link.stick.StickOpener;
import tekmerion.link.stick.StickStore;
import tekmerion.probe.link.SoleBench;
import tekmerion.probe.linux.SysDrive;
import tekmerion.sim.SimMachines;
import tekmerion.words.Language;

/** What stands on the stick's screen, without a screen. */
class ConsoleTest {
  private static final int ENTER = '\r';
  private static final MachineUnderTest MACHINE =
      new SimMachines().open("sim:worn-disk,0").orElseThrow();

  private static final StickOpener SHOP = StickOpener.ofSealKey(new byte[32]);

  @TempDir Path folder;
  private SoleBench bench;

  /** Of the stick; none while it is not plugged in. */
  private final StickInMemory stick = new StickInMemory(SHOP.key());

  private boolean pluggedIn = true;

  @BeforeEach
  void open() {
    bench = new SoleBench(MACHINE, folder.resolve("sole"));
  }

  @AfterEach
  void close() {
    bench.close();
  }

  private Console of(int drives) {
    return of(drives, Optional.of(SHOP.key()));
  }

  private Console of(int drives, Optional<StickKey> key) {
    Map<String, SysDrive> all = new LinkedHashMap<>();
    IntStream.rangeClosed(1, drives)
        .forEach(
            i ->
                all.put(
                    "OS-%03d".formatted(i),
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
                        false)));
    Console console =
        new Console(
            new Screens(List.of()),
            new BenchLinkOfStick(List.of(), Optional.empty(), Path.of("none"), MACHINE),
            MACHINE,
            bench,
            new StickSaver(
                bench, key, shop -> pluggedIn ? Optional.of(stick.store()) : Optional.empty()),
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
    // There is no such drive in this machine: it says so of the one that was chosen.
    assertThat(console.lines())
        .noneMatch(l -> l.contains("Which drive?"))
        .anyMatch(l -> l.startsWith("Work") && l.contains("HELM-1000S OS-040: could not run"));
  }

  /** Read, saved, and found again by the shop alone; saving once more adds nothing. */
  @Test
  void whatWasReadIsPutOnTheStickAndOffersToBe() throws Exception {
    Console console = of(0);
    assertThat(console.lines()).noneMatch(l -> l.startsWith("Kept"));
    press(console, "6");
    until(console, "All of it is on the stick.");
    // Of the simulated machine one drive can be asked, and nothing else.
    assertThat(console.lines()).anyMatch(l -> l.startsWith("Kept    1 reading, no run."));
    press(console, "6");
    until(console, "All of it is on the stick.");
    List<StickStore.Kept> kept = stick.store().kept();
    assertThat(kept).hasSize(1);
    CaptureFile capture = SealedCapture.open(kept.get(0), SHOP).orElseThrow();
    assertThat(capture.readings()).hasSize(1);
    assertThat(capture.machine().serial()).isEqualTo(MACHINE.describe().serial());

    press(console, "0");
    assertThat(console.lines()).anyMatch(l -> l.startsWith("Switch this machine off?"));
  }

  @Test
  void saysThatTheStickIsOutAndWarnsBeforeSwitchingOff() throws Exception {
    Console console = of(0);
    pluggedIn = false;
    press(console, "6");
    until(console, "the stick is not plugged in");
    press(console, "0");
    assertThat(console.lines()).anyMatch(l -> l.contains("is not on the stick and is gone then"));
    press(console, "" + (char) 27);
    pluggedIn = true;
    press(console, "6");
    until(console, "All of it is on the stick.");
  }

  @Test
  void aStickWithoutAKeyOffersNoSavingAndSaysWhatThatMeans() throws Exception {
    Console console = of(0, Optional.empty());
    assertThat(console.lines()).noneMatch(l -> l.contains("Save on the stick"));
    press(console, "7");
    until(console, "This stick keeps nothing");
  }

  private static void until(Console console, String words) throws InterruptedException {
    for (int i = 0; i < 600 && console.lines().stream().noneMatch(l -> l.contains(words)); i++) {
      Thread.sleep(100);
    }
    assertThat(console.lines()).anyMatch(l -> l.contains(words));
  }

  @Test
  void largeDigitsAreReadAsTheyAreTyped() {
    List<String> lines = LargeDigits.lines("171717");

    assertThat(lines).hasSize(LargeDigits.ROWS).allMatch(l -> l.length() <= Screens.COLUMNS);
    // A one and a seven, three times: 2 + 5 strokes in the first row.
    assertThat(lines.get(0).chars().filter(c -> c == '#').count()).isEqualTo(3 * (2 + 5));
  }
}

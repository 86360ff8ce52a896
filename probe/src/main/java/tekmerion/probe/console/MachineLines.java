package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.MachineUnderTest.Description;
import tekmerion.probe.linux.SysDrive;

/** The machine as read, in lines for the screen; what is missing is said plainly. */
final class MachineLines {
  private static final Path MEMORY = Path.of("/proc/meminfo");
  private static final Path CARDS = Path.of("/sys/class/net");
  private static final int SHOWN_DRIVES = 8;

  private MachineLines() {}

  static List<String> of(MachineUnderTest machine, List<SysDrive> drives) {
    List<String> lines = new ArrayList<>();
    Description who = machine.describe();
    String name =
        who.model().startsWith(who.maker())
            ? who.model()
            : (who.maker() + " " + who.model()).strip();
    lines.add(
        say(
            "console.machine",
            "name",
            name.isEmpty() ? say("console.maker-not-reported") : name,
            "serial",
            who.serial().isEmpty() ? say("console.serial-not-reported") : who.serial()));
    lines.add(
        say(
            "console.memory-and-battery",
            "memory",
            memory(),
            "battery",
            machine.battery().isPresent() ? "yes" : "no"));
    lines.add("");
    lines.addAll(drives(drives));
    return lines;
  }

  private static List<String> drives(List<SysDrive> drives) {
    List<String> lines = new ArrayList<>();
    if (drives.isEmpty()) {
      lines.add(say("console.no-drive"));
      lines.add(say("console.no-drive-why"));
    }
    for (int i = 0; i < Math.min(drives.size(), SHOWN_DRIVES); i++) {
      lines.add(say("console.drive", "number", i + 1, "drive", name(drives.get(i))));
    }
    if (drives.size() > SHOWN_DRIVES) {
      lines.add(say("console.more-drives", "more", drives.size() - SHOWN_DRIVES));
    }
    return lines;
  }

  /** "HELM-1000S, OS7K-44019-B, 1,000 GB, SATA". */
  static String name(SysDrive drive) {
    return say(
        "console.drive-name",
        "model",
        drive.model().isEmpty() ? say("console.model-not-reported") : drive.model(),
        "serial",
        drive.serial().isEmpty() ? say("console.serial-not-reported") : drive.serial(),
        "size",
        size(drive.sizeBytes()),
        "bus",
        drive.bus().words().toUpperCase(Locale.ROOT));
  }

  private static String size(long bytes) {
    return bytes < 10e9
        ? say("console.megabytes", "size", Math.round(bytes / 1e6))
        : say("console.gigabytes", "size", Math.round(bytes / 1e9));
  }

  private static String memory() {
    try (Stream<String> lines = Files.lines(MEMORY)) {
      return lines
          .filter(line -> line.startsWith("MemTotal:"))
          .map(line -> line.replaceAll("\\D", ""))
          .findFirst()
          // Of binary gigabytes, as memory is sold.
          .map(kib -> say("console.memory", "gib", Long.parseLong(kib) / 1048576.0))
          .orElseGet(() -> say("console.memory-not-reported"));
    } catch (IOException e) {
      return say("console.memory-not-reported");
    }
  }

  /** What hinders the network; empty if a cable is in. */
  static String network() {
    try (Stream<Path> cards = Files.list(CARDS)) {
      List<Path> wired = cards.filter(card -> !card.getFileName().toString().equals("lo")).toList();
      if (wired.isEmpty()) {
        return say("console.no-network-card");
      }
      return wired.stream().anyMatch(MachineLines::isPluggedIn)
          ? ""
          : say("console.no-network-cable");
    } catch (IOException e) {
      return say("console.no-network-card");
    }
  }

  private static boolean isPluggedIn(Path card) {
    try {
      return Files.readString(card.resolve("carrier")).strip().equals("1");
    } catch (IOException e) {
      return false; // it is not up yet
    }
  }
}

package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.stream.Stream;
import tekmerion.core.memory.identity.Smbios;
import tekmerion.core.page.Decoding;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.MachineUnderTest.Description;
import tekmerion.core.port.PageKind;
import tekmerion.probe.linux.SysDrive;

/** The machine as read, in lines for the screen; what is missing is said plainly. */
final class MachineLines {
  private static final Path MEMORY = Path.of("/proc/meminfo");
  private static final double GIB = 1L << 30;
  private static final Path CARDS = Path.of("/sys/class/net");

  private MachineLines() {}

  /**
   * @param first of the drives that is shown, from 0
   * @param most drives that there is room for
   */
  static List<String> of(MachineUnderTest machine, List<SysDrive> drives, int first, int most) {
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
            memory(machine),
            "battery",
            machine.battery().isPresent() ? "yes" : "no"));
    lines.add("");
    lines.addAll(drives(drives, first, most));
    return lines;
  }

  private static List<String> drives(List<SysDrive> drives, int first, int most) {
    List<String> lines = new ArrayList<>();
    if (drives.isEmpty()) {
      lines.add(say("console.no-drive"));
      lines.add(say("console.no-drive-why"));
    }
    for (int i = first; i < Math.min(drives.size(), first + most); i++) {
      lines.add(say("console.drive", "number", i + 1, "drive", name(drives.get(i))));
    }
    if (drives.size() > most) {
      lines.add(say("console.more-drives", "drives", drives.size()));
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

  /** "HELM-1000S OS7K-44019-B", as far as it reports them; else the system's name for it. */
  static String shortName(SysDrive drive) {
    String name = (drive.model() + " " + drive.serial()).strip();
    return name.isEmpty() ? drive.name() : name;
  }

  private static String size(long bytes) {
    return bytes < 10e9
        ? say("console.megabytes", "size", Math.round(bytes / 1e6))
        : say("console.gigabytes", "size", Math.round(bytes / 1e9));
  }

  /** What is built in, as the firmware says, and what the system may use of it. */
  private static String memory(MachineUnderTest machine) {
    OptionalLong builtIn = machine.board().map(MachineLines::builtIn).orElse(OptionalLong.empty());
    String usable = usable();
    return builtIn.isEmpty()
        ? usable
        : say("console.memory-built-in", "gib", builtIn.getAsLong() / GIB, "usable", usable);
  }

  /** The sum over its filled slots; empty if the size of one of them is not reported. */
  static OptionalLong builtIn(MachineUnderTest.Board board) {
    List<Smbios.MemorySlot> filled =
        board
            .pages()
            .read(PageKind.SMBIOS)
            .bytes()
            .map(Smbios::decode)
            .flatMap(Decoding::decoded)
            .map(Smbios::memorySlots)
            .orElse(List.of())
            .stream()
            .filter(Smbios.MemorySlot::filled)
            .toList();
    return filled.isEmpty() || filled.stream().anyMatch(slot -> slot.sizeBytes().isEmpty())
        ? OptionalLong.empty()
        : OptionalLong.of(filled.stream().mapToLong(s -> s.sizeBytes().getAsLong()).sum());
  }

  private static String usable() {
    try (Stream<String> lines = Files.lines(MEMORY)) {
      return lines
          .filter(line -> line.startsWith("MemTotal:"))
          .map(line -> line.replaceAll("\\D", ""))
          .findFirst()
          // Of binary gigabytes, as memory is sold.
          .map(kib -> say("console.memory", "gib", 1024 * Long.parseLong(kib) / GIB))
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

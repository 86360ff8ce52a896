package tekmerion.server.evidence;

import static tekmerion.words.Words.say;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import tekmerion.core.battery.BatteryReport;
import tekmerion.core.drive.DriveWords;
import tekmerion.core.drive.PartReading;
import tekmerion.core.memory.identity.Smbios;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.words.Sentences;
import tekmerion.link.RunKind;
import tekmerion.server.part.PartService;
import tekmerion.server.part.PartService.Met;

/** Knows again what is no drive: the board, the modules in its slots, the battery. */
@Service
public class OtherParts {
  public static final String MODULE = "module";
  private static final String SECOND_BATTERY = "battery-2";
  private static final String KEY = "module-";
  private static final int MAX_CHARS = 80;
  private final PartService parts;

  OtherParts(PartService parts) {
    this.parts = parts;
  }

  public static boolean isOther(String key) {
    return key.equals(RunKind.BOARD) || key.equals(RunKind.BATTERY);
  }

  static String name(String key) {
    return key.equals(RunKind.BOARD) ? say("evidence.board-and-memory") : say("evidence.battery");
  }

  /** Empty if it is a drive that was read. */
  public Optional<Met> met(Long machineId, String key, PartReading reading, Instant when) {
    if (key.equals(RunKind.BATTERY)) {
      secondPack(machineId, reading, when);
      Optional<BatteryReport> report = battery(reading);
      return Optional.of(
          parts.metOther(
              machineId,
              key,
              say("evidence.battery"),
              RunKind.BATTERY,
              report.flatMap(BatteryReport::model).map(OtherParts::brief).orElse(null),
              report.flatMap(BatteryReport::serial).map(OtherParts::brief).orElse(null),
              when));
    }
    if (!key.equals(RunKind.BOARD)) {
      return Optional.empty();
    }
    Optional<Smbios> table = reading.sound(PageKind.SMBIOS, Smbios.class);
    table.ifPresent(t -> modules(machineId, t.memorySlots(), when));
    return Optional.of(
        parts.metOther(
            machineId,
            key,
            "Board",
            RunKind.BOARD,
            table.flatMap(t -> t.machine().product()).map(OtherParts::brief).orElse(null),
            table.flatMap(t -> t.machine().serial()).map(OtherParts::brief).orElse(null),
            when));
  }

  /**
   * A pack, and the page that told of it.
   *
   * @param name at the beginning of a sentence
   */
  public record Pack(PageKind kind, String name, BatteryReport report) {}

  /** The first pack: by its registers, which are its own, else by the system's text of them. */
  private static Optional<Pack> first(PartReading reading) {
    return pack(reading, PageKind.BATTERY_REGISTERS, say("evidence.the-battery"))
        .or(() -> pack(reading, PageKind.BATTERY_SUPPLY, say("evidence.the-battery")));
  }

  private static Optional<Pack> pack(PartReading reading, PageKind kind, String name) {
    return reading.sound(kind, BatteryReport.class).map(r -> new Pack(kind, name, r));
  }

  public static Optional<BatteryReport> battery(PartReading reading) {
    return first(reading).map(Pack::report);
  }

  /** Of two packs the worse one is the machine's trouble: it is weighed, and bought anew. */
  public static Optional<Pack> worsePack(PartReading reading) {
    Optional<Pack> first = first(reading);
    double health = first.map(p -> p.report().health().orElse(1)).orElse(1.0);
    return pack(reading, PageKind.BATTERY_SUPPLY_2, say("evidence.the-second-battery"))
        .filter(p -> first.isEmpty() || p.report().health().orElse(1) < health)
        .or(() -> first);
  }

  /** A machine may hold two packs: the second is a part of its own, read with the first. */
  private void secondPack(Long machineId, PartReading reading, Instant when) {
    Optional<BatteryReport> second = second(reading);
    if (second.isPresent()) {
      parts.metOther(
          machineId,
          SECOND_BATTERY,
          say("evidence.second-battery"),
          RunKind.BATTERY,
          second.flatMap(BatteryReport::model).map(OtherParts::brief).orElse(null),
          second.flatMap(BatteryReport::serial).map(OtherParts::brief).orElse(null),
          when);
    } else if (reading
        .answer(PageKind.BATTERY_SUPPLY_2)
        .filter(a -> !(a instanceof PageAnswer.NotReported))
        .isEmpty()) {
      parts.left(machineId, SECOND_BATTERY, when); // a page that could not be read says nothing
    }
  }

  /** Empty if the machine has one pack only. */
  public static Optional<BatteryReport> second(PartReading reading) {
    return reading.sound(PageKind.BATTERY_SUPPLY_2, BatteryReport.class);
  }

  private void modules(Long machineId, List<Smbios.MemorySlot> slots, Instant when) {
    for (int i = 0; i < slots.size(); i++) {
      Smbios.MemorySlot slot = slots.get(i);
      String name = slot.slot().map(OtherParts::brief).orElse(say("evidence.slot", "i", (i + 1)));
      if (slot.filled()) {
        parts.metOther(
            machineId,
            KEY + i,
            name,
            MODULE,
            slot.partNumber().map(OtherParts::brief).orElse(null),
            slot.serial().map(OtherParts::brief).orElse(null),
            when);
      } else {
        parts.left(machineId, KEY + i, when);
      }
    }
  }

  private static String brief(String text) {
    String line = text.strip().replaceAll("\\s+", " ");
    return line.length() <= MAX_CHARS ? line : line.substring(0, MAX_CHARS);
  }

  /** "drive-a" is shown as "Drive A". */
  public static String slotName(String partKey) {
    if (isOther(partKey)) {
      return name(partKey);
    }
    String named = DriveWords.named(partKey);
    return named.equals(partKey) ? partKey : Sentences.upperFirst(named);
  }
}

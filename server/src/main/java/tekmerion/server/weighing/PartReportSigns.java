package tekmerion.server.weighing;

import java.util.ArrayList;
import java.util.List;
import tekmerion.core.battery.BatteryReport;
import tekmerion.core.battery.BatterySigns;
import tekmerion.core.drive.DriveReading;
import tekmerion.core.memory.MemorySigns;
import tekmerion.core.memory.identity.MemoryRecords;
import tekmerion.core.memory.identity.Smbios;
import tekmerion.core.port.PageKind;
import tekmerion.core.sign.Sign;

/** Signs from what a board or a battery reports. */
final class PartReportSigns {
  private PartReportSigns() {}

  static List<Sign> of(DriveReading report) {
    List<Sign> signs = new ArrayList<>();
    report
        .sound(PageKind.SMBIOS, Smbios.class)
        .ifPresent(t -> signs.addAll(MemorySigns.of(t, PageKind.SMBIOS.wireName())));
    report
        .sound(PageKind.MEMORY_RECORDS, MemoryRecords.class)
        .ifPresent(r -> signs.addAll(MemorySigns.of(r, PageKind.MEMORY_RECORDS.wireName())));
    // Of two packs the worse one is the machine's trouble.
    report
        .sound(PageKind.BATTERY_SUPPLY_2, BatteryReport.class)
        .filter(
            second ->
                second.health().isPresent()
                    && report
                        .sound(PageKind.BATTERY_SUPPLY, BatteryReport.class)
                        .filter(f -> f.health().orElse(1) <= second.health().getAsDouble())
                        .isEmpty())
        .ifPresent(b -> signs.addAll(BatterySigns.of(b, PageKind.BATTERY_SUPPLY_2.wireName())));
    // The registers are the pack's own; the system's text is made of them.
    for (PageKind kind : List.of(PageKind.BATTERY_REGISTERS, PageKind.BATTERY_SUPPLY)) {
      report
          .sound(kind, BatteryReport.class)
          .filter(b -> signs.stream().noneMatch(s -> s.id().startsWith("battery.")))
          .ifPresent(b -> signs.addAll(BatterySigns.of(b, kind.wireName())));
    }
    return signs;
  }
}

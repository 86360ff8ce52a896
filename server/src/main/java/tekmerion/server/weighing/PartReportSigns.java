package tekmerion.server.weighing;

import java.util.ArrayList;
import java.util.List;
import tekmerion.core.battery.BatterySigns;
import tekmerion.core.drive.DriveReading;
import tekmerion.core.memory.MemorySigns;
import tekmerion.core.memory.identity.MemoryRecords;
import tekmerion.core.memory.identity.Smbios;
import tekmerion.core.port.PageKind;
import tekmerion.core.sign.Sign;
import tekmerion.server.reading.OtherParts;

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
    OtherParts.worsePack(report)
        .ifPresent(p -> signs.addAll(BatterySigns.of(p.report(), p.kind().wireName(), p.name())));
    return signs;
  }
}

package tekmerion.server.weighing;

import java.util.ArrayList;
import java.util.List;
import tekmerion.core.battery.BatteryFindings;
import tekmerion.core.drive.PartReading;
import tekmerion.core.finding.Finding;
import tekmerion.core.memory.MemoryFindings;
import tekmerion.core.memory.identity.MemoryRecords;
import tekmerion.core.memory.identity.Smbios;
import tekmerion.core.port.PageKind;
import tekmerion.server.evidence.OtherParts;

/** Findings from what a board or a battery reports. */
final class PartReportFindings {
  private PartReportFindings() {}

  static List<Finding> of(PartReading report) {
    List<Finding> findings = new ArrayList<>();
    report
        .sound(PageKind.SMBIOS, Smbios.class)
        .ifPresent(t -> findings.addAll(MemoryFindings.of(t, PageKind.SMBIOS.wireName())));
    report
        .sound(PageKind.MEMORY_RECORDS, MemoryRecords.class)
        .ifPresent(r -> findings.addAll(MemoryFindings.of(r, PageKind.MEMORY_RECORDS.wireName())));
    OtherParts.worsePack(report)
        .ifPresent(
            p -> findings.addAll(BatteryFindings.of(p.report(), p.kind().wireName(), p.name())));
    return findings;
  }
}

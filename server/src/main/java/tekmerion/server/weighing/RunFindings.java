package tekmerion.server.weighing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tekmerion.core.drive.SurfaceFindings;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;
import tekmerion.link.RunKind;
import tekmerion.link.SelfTestResult;
import tekmerion.link.SurfaceScanResult;
import tekmerion.server.run.Run;
import tekmerion.words.Words;

/** Findings from the runs of a job: of each sort and drive the newest that came to a result. */
final class RunFindings {
  private RunFindings() {}

  /**
   * @param runs newest first
   */
  static List<Finding> of(List<Run> runs) {
    List<Finding> findings = new ArrayList<>();
    Set<String> told = new HashSet<>();
    for (Run run : runs) {
      if (run.ending() == null) {
        continue;
      }
      if (!run.kind().isOfDrive()) {
        PartRunFindings.of(run.result()).stream()
            .filter(s -> told.add(s.id()))
            .forEach(findings::add);
        continue;
      }
      if (run.kind().isAboutData()) {
        DataFindings.of(run).filter(s -> told.add(s.part() + s.id())).ifPresent(findings::add);
        continue;
      }
      String sort = run.partKey() + (run.kind().isSurfaceScan() ? " surface" : " self-test");
      if (run.result() instanceof SurfaceScanResult surface && !told.contains(sort)) {
        SurfaceFindings.of(
                run.partKey(),
                surface.shareRead(),
                surface.badSectors(),
                surface.slowZones().size(),
                run.kind() != RunKind.SURFACE_SCAN)
            .ifPresent(
                finding -> {
                  findings.add(finding);
                  told.add(sort);
                });
      } else if (run.result() instanceof SelfTestResult test && told.add(sort)) {
        findings.add(
            new Finding(
                "drive.self-test",
                run.partKey(),
                test.passed() ? "passed" : "failed",
                Words.read(test.words()),
                Basis.run()));
      }
    }
    return findings;
  }
}

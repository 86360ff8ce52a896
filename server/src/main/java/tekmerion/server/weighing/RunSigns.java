package tekmerion.server.weighing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tekmerion.core.drive.SurfaceSigns;
import tekmerion.core.sign.Sign;
import tekmerion.core.sign.Sign.Basis;
import tekmerion.link.RunKind;
import tekmerion.link.SurfaceNote;
import tekmerion.server.run.DriveRun;

/** Signs from the runs of a job: of each sort and drive the newest that came to a result. */
final class RunSigns {
  private RunSigns() {}

  /**
   * @param runs newest first
   */
  static List<Sign> of(List<DriveRun> runs) {
    List<Sign> signs = new ArrayList<>();
    Set<String> told = new HashSet<>();
    for (DriveRun run : runs) {
      if (run.result() == null) {
        continue;
      }
      if (!run.kind().isOfDrive()) {
        PartRunSigns.of(run.finding()).stream().filter(s -> told.add(s.id())).forEach(signs::add);
        continue;
      }
      if (run.kind().isOfData()) {
        DataSigns.of(run).filter(s -> told.add(s.part() + s.id())).ifPresent(signs::add);
        continue;
      }
      String sort = run.driveKey() + (run.kind().isSurface() ? " surface" : " self-test");
      SurfaceNote surface = run.surface();
      if (run.kind().isSurface() && surface != null && !told.contains(sort)) {
        SurfaceSigns.of(
                run.driveKey(),
                surface.shareRead(),
                surface.badSectors(),
                surface.slowZones().size(),
                run.kind() != RunKind.SURFACE)
            .ifPresent(
                sign -> {
                  signs.add(sign);
                  told.add(sort);
                });
      } else if (run.result().selfTest() != null && told.add(sort)) {
        boolean passed = run.result().selfTest().passed();
        signs.add(
            new Sign(
                "drive.self-test",
                run.driveKey(),
                passed ? "passed" : "failed",
                run.result().selfTest().words(),
                Basis.run()));
      }
    }
    return signs;
  }
}

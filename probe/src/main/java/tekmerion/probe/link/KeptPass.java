package tekmerion.probe.link;

import java.io.IOException;
import java.nio.file.Path;
import tekmerion.core.surface.SurfaceScan;
import tekmerion.link.files.WholeFile;

/** Writes a pass so that a power cut leaves either the old or the new state. */
public final class KeptPass {
  private KeptPass() {}

  public static void write(SurfaceScan pass, Path keep) throws IOException {
    WholeFile.write(keep, pass::keep);
  }
}

package tekmerion.probe.instrument;

import java.io.BufferedOutputStream;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import tekmerion.core.surface.SurfacePass;

/** Writes a pass so that a power cut leaves either the old or the new state. */
public final class KeptPass {
  private KeptPass() {}

  public static void write(SurfacePass pass, Path keep) throws IOException {
    Path fresh = keep.resolveSibling(keep.getFileName() + ".new");
    try (FileOutputStream file = new FileOutputStream(fresh.toFile())) {
      OutputStream out = new BufferedOutputStream(file);
      pass.keep(out);
      out.flush();
      file.getFD().sync();
    }
    Files.move(fresh, keep, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
  }
}

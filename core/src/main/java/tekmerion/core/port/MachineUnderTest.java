package tekmerion.core.port;

import java.io.IOException;
import java.util.List;
import java.util.Optional;

/** A machine as a probe sees it from the inside. */
public interface MachineUnderTest {
  Description describe();

  /** The drives that can be asked now, in a stable order. */
  List<Drive> drives();

  /** Maker, model and serial as the firmware tells; an empty text is "not reported". */
  record Description(String maker, String model, String serial, String probeHost) {}

  /**
   * One drive.
   *
   * @param key stable while the machine runs, e.g. "drive-a"; never shown as an identity
   * @param slot where it sits, in words
   * @param surface opens it for reading by position; empty if that is not possible here
   * @param selfTests empty if it has none, or none that can be asked for here
   */
  record Drive(
      String key,
      String slot,
      PageSource pages,
      Optional<SurfaceOpener> surface,
      Optional<SelfTests> selfTests) {}

  /** Opens a drive anew for each pass. */
  interface SurfaceOpener {
    BlockSource open() throws IOException;
  }
}

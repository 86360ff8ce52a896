package tekmerion.core.port;

import java.util.List;

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
   */
  record Drive(String key, String slot, PageSource pages) {}
}

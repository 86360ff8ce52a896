package tekmerion.probe.linux;

import com.sun.jna.LastErrorException;
import com.sun.jna.Memory;
import java.io.IOException;
import java.nio.file.Path;

/**
 * The kernel's mark that a drive is read-only, which the stick sets on every drive that appears.
 * Whoever may write to a drive takes it off that one and puts it back.
 *
 * @see "linux/fs.h: BLKROSET, BLKROGET; each takes the address of an int"
 */
final class ReadOnlyMark {
  private static final long BLKROSET = 0x125D;
  private static final long BLKROGET = 0x125E;

  private final String device;
  private final boolean wasSet;

  private ReadOnlyMark(String device, boolean wasSet) {
    this.device = device;
    this.wasSet = wasSet;
  }

  /**
   * @param device a block device
   * @throws IOException if the kernel does not let it be taken off
   */
  static ReadOnlyMark takenOff(Path device) throws IOException {
    try {
      Memory mark = new Memory(Integer.BYTES);
      NativeCalls.call(device.toString(), BLKROGET, mark);
      boolean set = mark.getInt(0) != 0;
      if (set) {
        set(device.toString(), 0);
      }
      return new ReadOnlyMark(device.toString(), set);
    } catch (LastErrorException e) {
      throw new IOException(
          "%s stays read-only in the kernel: %s".formatted(device, e.getMessage()), e);
    }
  }

  /** As it was before; a drive that is gone needs none. */
  void putBack() {
    try {
      if (wasSet) {
        set(device, 1);
      }
    } catch (LastErrorException e) {
      // It was pulled. Whatever appears in its place is marked when it appears.
    }
  }

  private static void set(String device, int to) {
    Memory mark = new Memory(Integer.BYTES);
    mark.setInt(0, to);
    NativeCalls.call(device, BLKROSET, mark);
  }
}

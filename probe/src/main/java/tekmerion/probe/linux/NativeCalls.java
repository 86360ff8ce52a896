package tekmerion.probe.linux;

import com.sun.jna.LastErrorException;
import com.sun.jna.Native;
import com.sun.jna.NativeLong;
import com.sun.jna.Pointer;

/** The calls of the C library that pass-through needs. */
final class NativeCalls {
  private static final int O_RDONLY = 0;
  private static final int O_NONBLOCK = 0x800;

  static {
    Native.register("c");
  }

  private NativeCalls() {}

  private static native int open(String path, int flags) throws LastErrorException;

  private static native int close(int fd);

  private static native int ioctl(int fd, NativeLong request, Pointer argument)
      throws LastErrorException;

  /** See klogctl(3); {@code buffer} may be null where the call needs none. */
  static native int klogctl(int type, Pointer buffer, int length) throws LastErrorException;

  /**
   * Opens a device for reading, makes one call and closes it.
   *
   * @throws LastErrorException with the system's own words
   */
  static int call(String device, long request, Pointer argument) {
    int fd = open(device, O_RDONLY | O_NONBLOCK);
    try {
      return ioctl(fd, new NativeLong(request), argument);
    } finally {
      close(fd);
    }
  }
}

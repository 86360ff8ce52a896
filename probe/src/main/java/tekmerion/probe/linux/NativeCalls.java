package tekmerion.probe.linux;

import com.sun.jna.LastErrorException;
import com.sun.jna.Native;
import com.sun.jna.NativeLong;
import com.sun.jna.Pointer;

/** The calls of the C library that pass-through needs. */
final class NativeCalls {
  private static final int O_RDONLY = 0;
  private static final int O_NONBLOCK = 0x800;
  private static final int O_CLOEXEC = 0x8_0000;
  private static final int O_DIRECT = 0x4000;

  static {
    Native.register("c");
  }

  private NativeCalls() {}

  private static native int open(String path, int flags) throws LastErrorException;

  static native int close(int fd) throws LastErrorException;

  static native int ioctl(int fd, NativeLong request, Pointer argument) throws LastErrorException;

  /** On 64 bits size_t, ssize_t and off_t are as long as a Java long. */
  static native long pread(int fd, Pointer into, long length, long offset)
      throws LastErrorException;

  static native String strerror(int number);

  static native int geteuid();

  /**
   * @param direct past the page cache
   * @throws LastErrorException with the system's own words
   */
  static int openToRead(String path, boolean direct) {
    return open(path, O_RDONLY | O_CLOEXEC | (direct ? O_DIRECT : 0));
  }

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

package tekmerion.probe.linux;

import com.sun.jna.Memory;

/** What reading an open device or file asks of the system. */
interface DeviceCalls extends AutoCloseable {
  /**
   * Reads as much as comes at once.
   *
   * @return how many bytes came, 0 at the end; the negative number of the error if none came
   */
  long pread(Memory into, long at, long length, long offset);

  /** Whether it is still the same device that was opened, and it is not set offline. */
  boolean isThere();

  @Override
  void close();
}

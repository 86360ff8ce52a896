package tekmerion.core.port;

import java.io.IOException;

/** Writes to a drive by position. What was there is gone. */
public interface DriveWriter extends AutoCloseable {
  /**
   * @param offset at the beginning of a sector
   * @param bytes whole sectors
   * @throws IOException if the drive does not take them; some of them may be written then
   */
  void write(long offset, byte[] bytes) throws IOException;

  /** Makes what was written hold. */
  void flush() throws IOException;

  @Override
  void close();
}

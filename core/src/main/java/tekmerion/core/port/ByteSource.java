package tekmerion.core.port;

import java.util.Optional;

/** A device, file or image whose bytes are looked at by position. Reads only. */
public interface ByteSource extends AutoCloseable {
  /** Positive. */
  long sizeBytes();

  /** Logical sector: 512 unless the device says otherwise. */
  int sectorBytes();

  /**
   * Never throws for what a device does.
   *
   * @param offset from 0
   * @param length positive; offset + length at most the size
   * @return exactly so many bytes; empty if any of them could not be read
   */
  Optional<byte[]> read(long offset, int length);

  @Override
  void close();
}

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
   */
  ReadResult read(long offset, int length);

  /**
   * The same for whoever only asks what stands there.
   *
   * @return exactly so many bytes; empty if the medium does not give one of them, or one lies
   *     beyond its end
   * @throws ReadEndedException for every other failure: it says nothing about what stands there
   */
  default Optional<byte[]> bytes(long offset, int length) {
    if (offset < 0 || length <= 0 || offset > sizeBytes() - length) {
      return Optional.empty();
    }
    ReadResult result = read(offset, length);
    if (result instanceof ReadResult.Data data) {
      return Optional.of(data.bytes());
    }
    if (result instanceof ReadResult.MediumError) {
      return Optional.empty();
    }
    throw new ReadEndedException(offset, (ReadResult.Failure) result);
  }

  @Override
  void close();
}

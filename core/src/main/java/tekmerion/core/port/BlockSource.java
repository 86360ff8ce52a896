package tekmerion.core.port;

/**
 * A device or file that is read by position, past any cache, in whole sectors. Reads only. A
 * surface scan only wants to know whether and how fast it comes.
 */
public interface BlockSource extends AutoCloseable {
  /** Who it is: what must be the same for a pass to go on where it stopped. */
  Identity identity();

  /**
   * @param offset [bytes], a multiple of the logical sector
   * @param length [bytes], a multiple of the logical sector (the last one may be cut by the end)
   * @return never an exception for what a device does
   */
  ReadResult read(long offset, int length);

  @Override
  void close();

  /**
   * @param name path or serial, as far as the source knows it
   * @param sizeBytes positive
   * @param sectorBytes logical sector: addresses count these
   * @param physicalBytes smallest piece that the medium loses at once; a multiple of the logical
   *     one
   * @param cacheBypassed whether reads really go to the device
   */
  record Identity(
      String name, long sizeBytes, int sectorBytes, int physicalBytes, boolean cacheBypassed) {
    public Identity {
      if (sizeBytes <= 0
          || sectorBytes <= 0
          || physicalBytes < sectorBytes
          || physicalBytes % sectorBytes != 0) {
        throw new IllegalArgumentException(
            "size %d, sector %d, physical %d".formatted(sizeBytes, sectorBytes, physicalBytes));
      }
    }
  }
}

package tekmerion.core.port;

import java.util.Optional;

/**
 * A device or file that can be read by position, past any cache. Reads only; what is read is not
 * given away, because a surface pass only wants to know whether and how fast it comes.
 */
public interface BlockSource extends AutoCloseable {
  /** Who it is: what must be the same for a pass to go on where it stopped. */
  Identity identity();

  /**
   * @param offset [bytes], a multiple of the logical sector
   * @param length [bytes], a multiple of the logical sector (the last one may be cut by the end)
   * @return never an exception for what a device does
   */
  Answer read(long offset, int length);

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

  /**
   * What came of one read.
   *
   * @param kind what came
   * @param latencyNanos from asking to answer
   * @param why in words; empty if it was read
   */
  record Answer(Kind kind, long latencyNanos, String why) {
    /** Three different things. */
    public enum Kind {
      READ,
      /** The device answered with an error for these sectors. */
      UNREADABLE,
      /** The device is gone, or the question could not be put: says nothing about the sectors. */
      COULD_NOT_RUN
    }

    public static Answer read(long latencyNanos) {
      return new Answer(Kind.READ, latencyNanos, "");
    }

    public static Answer unreadable(long latencyNanos, String why) {
      return new Answer(Kind.UNREADABLE, latencyNanos, why);
    }

    public static Answer couldNotRun(String why) {
      return new Answer(Kind.COULD_NOT_RUN, 0, why);
    }

    public Optional<String> trouble() {
      return kind == Kind.READ ? Optional.empty() : Optional.of(why);
    }
  }
}

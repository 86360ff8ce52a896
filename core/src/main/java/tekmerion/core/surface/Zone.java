package tekmerion.core.surface;

/**
 * One part of the drive as far as it was read.
 *
 * @param fromByte first byte
 * @param toByte first byte after it
 * @param reads good reads of whole blocks
 * @param p50Nanos median latency of those; -1 if there were none
 * @param errors blocks that did not come at once
 * @param retries further reads of sectors in them
 * @param badSectors that could not be read
 */
public record Zone(
    long fromByte,
    long toByte,
    long reads,
    long p50Nanos,
    long p99Nanos,
    long maxNanos,
    int errors,
    int retries,
    int badSectors) {}

package tekmerion.core.surface;

/**
 * Where a pass is.
 *
 * @param share of what was planned, 0 to 1
 * @param atByte where it reads now
 * @param bytesPerSecond of the last seconds
 * @param secondsLeft likely; negative while it cannot be told
 * @param secondsSpread half of the range in which the end lies with some 95 % confidence
 * @param badSectors so far
 */
public record Progress(
    double share,
    long atByte,
    double bytesPerSecond,
    double secondsLeft,
    double secondsSpread,
    long badSectors) {}

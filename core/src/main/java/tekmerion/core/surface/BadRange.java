package tekmerion.core.surface;

/**
 * Neighbouring sectors that could not be read, each tried alone and again.
 *
 * @param firstSector logical sector
 * @param sectors how many, at least 1
 */
public record BadRange(long firstSector, long sectors) {
  public long endSector() {
    return firstSector + sectors;
  }
}

package tekmerion.link;

import static tekmerion.words.Words.say;

import java.util.List;

/**
 * A surface scan as it travels.
 *
 * @param zoneCount into how many equal parts the drive is divided
 * @param zones those that were read, by index
 * @param slowZones indices
 * @param bad unreadable sectors, neighbours joined
 */
public record SurfaceScanResult(
    long sizeBytes,
    int sectorBytes,
    int zoneCount,
    double shareRead,
    long bytesRead,
    long sampled,
    long sampledBad,
    double badShareAtMost,
    List<ZoneNote> zones,
    List<Integer> slowZones,
    List<BadNote> bad)
    implements RunResult {
  private static final int MAX = 20_000;

  /** Latencies in microseconds. */
  public record ZoneNote(
      int index, long p50Us, long p99Us, long maxUs, int errors, int badSectors) {}

  public record BadNote(long firstSector, long sectors) {}

  public SurfaceScanResult {
    zones = List.copyOf(zones);
    slowZones = List.copyOf(slowZones);
    bad = List.copyOf(bad);
    if (sizeBytes <= 0
        || sectorBytes <= 0
        || zoneCount < 1
        || zoneCount > MAX
        || !(shareRead >= 0 && shareRead <= 1)
        || !(badShareAtMost >= 0 && badShareAtMost <= 1)
        || bytesRead < 0
        || sampled < 0
        || sampledBad < 0
        || sampledBad > sampled
        || zones.size() > zoneCount
        || slowZones.size() > zoneCount
        || slowZones.stream().anyMatch(z -> z < 0 || z >= zoneCount)
        || bad.stream()
            .anyMatch(b -> b.firstSector() < 0 || b.sectors() < 1 || b.sectors() > sizeBytes)
        || bad.size() > MAX
        || zones.stream().anyMatch(z -> z.index() < 0 || z.index() >= zoneCount)) {
      throw new IllegalArgumentException("surface scan out of bounds");
    }
  }

  public long badSectors() {
    return bad.stream().mapToLong(BadNote::sectors).sum();
  }

  @Override
  public String outcome() {
    return badSectors() == 0
        ? say("link.all-that-was-read-is-readable")
        : say("link.sectors-unreadable", "badSectors", badSectors());
  }

  @Override
  public String detail() {
    return say("link.of-it-read", "shareRead", 100 * shareRead());
  }
}

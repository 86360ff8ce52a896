package tekmerion.probe.link;

import java.util.ArrayList;
import java.util.List;
import tekmerion.core.surface.Confidence;
import tekmerion.core.surface.ScannedSurface;
import tekmerion.core.surface.Zone;
import tekmerion.link.SurfaceScanResult;

/** A pass as it travels. */
final class SurfaceScanResults {
  /** The link holds no more; a drive with more than these damaged places needs no map of them. */
  private static final int MAX_BAD = 5_000;

  private SurfaceScanResults() {}

  static SurfaceScanResult of(ScannedSurface result) {
    List<SurfaceScanResult.ZoneNote> zones = new ArrayList<>();
    for (int i = 0; i < result.zones().size(); i++) {
      Zone zone = result.zones().get(i);
      if (zone.reads() > 0 || zone.errors() > 0) {
        zones.add(
            new SurfaceScanResult.ZoneNote(
                i,
                micros(zone.p50Nanos()),
                micros(zone.p99Nanos()),
                micros(zone.maxNanos()),
                zone.errors(),
                zone.badSectors()));
      }
    }
    Confidence none = new Confidence(0, 0, 1);
    Confidence confidence = result.confidence().orElse(none);
    return new SurfaceScanResult(
        result.source().sizeBytes(),
        result.source().sectorBytes(),
        result.zones().size(),
        result.shareRead(),
        result.bytesRead(),
        confidence.sampled(),
        confidence.bad(),
        confidence.atMostShare(),
        zones,
        result.slowZones(),
        result.bad().stream()
            .limit(MAX_BAD)
            .map(b -> new SurfaceScanResult.BadNote(b.firstSector(), b.sectors()))
            .toList());
  }

  private static long micros(long nanos) {
    return nanos < 0 ? -1 : nanos / 1_000;
  }
}

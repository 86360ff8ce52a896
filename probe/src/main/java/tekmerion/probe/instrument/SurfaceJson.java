package tekmerion.probe.instrument;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import tekmerion.core.surface.BadRange;
import tekmerion.core.surface.Confidence;
import tekmerion.core.surface.ScannedSurface;
import tekmerion.core.surface.Zone;

/** A surface scan as {@code surface} prints it: docs/formats.md. */
final class SurfaceJson {
  private SurfaceJson() {}

  static Map<String, Object> of(ScannedSurface result) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("source", result.source().name());
    json.put("sizeBytes", result.source().sizeBytes());
    json.put("logicalSectorBytes", result.source().sectorBytes());
    json.put("physicalSectorBytes", result.source().physicalBytes());
    json.put("cacheBypassed", result.source().cacheBypassed());
    json.put("blockBytes", result.plan().blockBytes());
    json.put("sampledOnly", result.plan().sampledOnly());
    json.put("end", result.end().name().toLowerCase(Locale.ROOT).replace('_', '-'));
    json.put("why", result.why().isEmpty() ? null : result.why());
    json.put("shareRead", result.shareRead());
    json.put("bytesRead", result.bytesRead());
    json.put("bytesPerSecond", Math.round(result.bytesPerSecond()));
    json.put("confidence", result.confidence().map(SurfaceJson::confidence).orElse(null));
    json.put("badSectors", result.badSectors());
    json.put("bad", result.bad().stream().map(SurfaceJson::range).toList());
    json.put("slowZones", result.slowZones());
    json.put("zones", result.zones().stream().map(SurfaceJson::zone).toList());
    return json;
  }

  private static Map<String, Object> confidence(Confidence confidence) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("sampledBlocks", confidence.sampled());
    json.put("badBlocks", confidence.bad());
    json.put("badShareAtMost", confidence.atMostShare());
    json.put("confidence", 0.95);
    json.put("words", confidence.words());
    return json;
  }

  private static Map<String, Object> range(BadRange range) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("firstSector", range.firstSector());
    json.put("sectors", range.sectors());
    return json;
  }

  private static Map<String, Object> zone(Zone zone) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("fromByte", zone.fromByte());
    json.put("toByte", zone.toByte());
    json.put("reads", zone.reads());
    json.put("p50Ms", ms(zone.p50Nanos()));
    json.put("p99Ms", ms(zone.p99Nanos()));
    json.put("maxMs", ms(zone.maxNanos()));
    json.put("errors", zone.errors());
    json.put("retries", zone.retries());
    json.put("badSectors", zone.badSectors());
    return json;
  }

  private static Double ms(long nanos) {
    return nanos < 0 ? null : nanos / 1e6;
  }
}

package tekmerion.core.surface;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tekmerion.core.port.BlockSource;

/** All that a pass knows so far: what a checkpoint keeps and a picture shows. */
final class ScanState {
  final BlockSource.Identity source;
  final Plan plan;
  final long blocks;
  final BitSet done;
  final Latencies[] latencies;

  /** Reads of zones that looked slow, done again to see whether they are. */
  final Latencies[] again;

  final int[] errors;
  final int[] retries;
  final int[] badSectors;

  /** First sector of each range, and the first one after it. */
  final TreeMap<Long, Long> badEnds = new TreeMap<>();

  /** Places of the sample that were passed, also those where nothing was left to read. */
  long sampleSteps;

  long sampled;
  long sampledBad;
  long doneBlocks;
  long fillFrom;
  long errorNanos;
  long busyNanos;

  /** Places without an answer in time: neither good nor bad. */
  int unanswered;

  long unansweredBytes;

  ScanState(BlockSource.Identity source, Plan plan) {
    this.source = source;
    this.plan = plan;
    this.blocks = (source.sizeBytes() + plan.blockBytes() - 1) / plan.blockBytes();
    if (blocks > Integer.MAX_VALUE) {
      throw new IllegalArgumentException(
          "too many blocks: take larger ones than " + plan.blockBytes());
    }
    this.done = new BitSet((int) blocks);
    this.latencies = new Latencies[plan.zones()];
    this.again = new Latencies[plan.zones()];
    for (int i = 0; i < latencies.length; i++) {
      latencies[i] = new Latencies();
      again[i] = new Latencies();
    }
    this.errors = new int[plan.zones()];
    this.retries = new int[plan.zones()];
    this.badSectors = new int[plan.zones()];
  }

  int zoneOf(long block) {
    return (int) (block * plan.zones() / blocks);
  }

  /** First block of a zone; of the zone after the last one, the number of blocks. */
  long firstBlock(int zone) {
    // The smallest b with b·zones / blocks ≥ zone.
    return (zone * blocks + plan.zones() - 1) / plan.zones();
  }

  int lengthOf(long block) {
    long at = block * plan.blockBytes();
    return (int) Math.min(plan.blockBytes(), source.sizeBytes() - at);
  }

  /** Neighbours are joined. A sector that is known already (a block begun again) counts once. */
  void isBad(long sector) {
    Map.Entry<Long, Long> known = badEnds.floorEntry(sector);
    if (known != null && known.getValue() > sector) {
      return;
    }
    badSectors[zoneOf(sector * source.sectorBytes() / plan.blockBytes())]++;
    long first = sector;
    long end = sector + 1;
    if (known != null && known.getValue() == sector) {
      first = known.getKey();
    }
    Long after = badEnds.remove(end);
    badEnds.put(first, after == null ? end : after);
  }

  List<BadRange> bad() {
    List<BadRange> ranges = new ArrayList<>();
    badEnds.forEach((first, end) -> ranges.add(new BadRange(first, end - first)));
    return ranges;
  }

  long badSectorCount() {
    return Arrays.stream(badSectors).asLongStream().sum();
  }

  Zone zone(int i) {
    Latencies l = latencies[i];
    long from = firstBlock(i) * plan.blockBytes();
    long to = Math.min(source.sizeBytes(), firstBlock(i + 1) * plan.blockBytes());
    return new Zone(
        from,
        to,
        l.count(),
        l.quantileNanos(0.5),
        l.quantileNanos(0.99),
        l.count() == 0 ? -1 : l.maxNanos(),
        errors[i],
        retries[i],
        badSectors[i]);
  }

  List<Zone> zones() {
    List<Zone> zones = new ArrayList<>(plan.zones());
    for (int i = 0; i < plan.zones(); i++) {
      zones.add(zone(i));
    }
    return zones;
  }

  List<Integer> slowZones() {
    long[] repeated = new long[again.length];
    for (int i = 0; i < repeated.length; i++) {
      repeated[i] = again[i].quantileNanos(0.5);
    }
    return SlowZones.in(zones(), repeated);
  }

  double shareDone() {
    return plan.sampledOnly()
        ? (double) sampleSteps / Math.max(1, (long) plan.zones() * plan.sampleRounds())
        : (double) doneBlocks / blocks;
  }
}

package tekmerion.core.surface;

import java.util.HashSet;
import java.util.Random;
import java.util.Set;
import tekmerion.core.port.BlockSource;
import tekmerion.core.port.ReadResult;

/** A disk of which the truth is known: bad sectors, slow places, failures that come once. */
final class FakeDisk implements BlockSource {
  private final Identity identity;
  private final Set<Long> badSectors;
  private final Set<Long> failedOnce = new HashSet<>();
  private Random transients = new Random(0);
  private double transientShare;
  private long slowFrom = -1;
  private long slowTo = -1;
  private double slowFactor = 1;
  private int reads;
  private int callAt = Integer.MAX_VALUE;
  private Runnable call = () -> {};
  private boolean gone;
  private final Set<Long> silentSectors = new HashSet<>();
  private int singleFailures;
  private Runnable onFailures = () -> {};
  private long clock;
  private long bytesGiven;

  FakeDisk(long size, int sector, int physical, Set<Long> badSectors) {
    identity = new Identity("fake", size, sector, physical, true);
    this.badSectors = badSectors;
  }

  void transientFailures(Random random, double share) {
    transients = random;
    transientShare = share;
  }

  void slowBetween(long from, long to, double factor) {
    slowFrom = from;
    slowTo = to;
    slowFactor = factor;
  }

  void after(int more, Runnable what) {
    callAt = more == Integer.MAX_VALUE ? more : reads + more;
    call = what;
  }

  /** After so many failures of a single sector. */
  void whenBadIsMet(int times, Runnable what) {
    singleFailures = times;
    onFailures = what;
  }

  /** Reads over these get no answer in time. */
  void silentAt(Set<Long> sectors) {
    silentSectors.addAll(sectors);
  }

  void plugIn() {
    gone = false;
  }

  void unplug() {
    gone = true;
  }

  long now() {
    return clock;
  }

  long bytesGiven() {
    return bytesGiven;
  }

  @Override
  public Identity identity() {
    return identity;
  }

  @Override
  public ReadResult read(long offset, int length) {
    if (++reads == callAt) {
      call.run();
    }
    if (gone) {
      return new ReadResult.Gone("no such device");
    }
    double inner = 1 + (double) offset / identity.sizeBytes();
    boolean slow = offset >= slowFrom && offset < slowTo;
    long latency = (long) (length * 5 * inner * (slow ? slowFactor : 1)) + 100_000;
    clock += latency;
    long first =
        offset / identity.physicalBytes() * identity.physicalBytes() / identity.sectorBytes();
    int per = identity.physicalBytes() / identity.sectorBytes();
    long end = (offset + length + identity.physicalBytes() - 1) / identity.physicalBytes() * per;
    for (long s = first; s < end; s++) {
      if (silentSectors.contains(s)) {
        clock += 30_000_000_000L;
        return new ReadResult.TimedOut(30_000_000_000L, "timed out");
      }
      if (badSectors.contains(s)) {
        clock += 50_000_000;
        if (length == identity.sectorBytes() && --singleFailures == 0) {
          onFailures.run();
        }
        return new ReadResult.MediumError(latency + 50_000_000, "input/output error");
      }
    }
    if (transients.nextDouble() < transientShare && failedOnce.add(offset)) {
      return new ReadResult.MediumError(latency, "input/output error");
    }
    bytesGiven += length;
    return ReadResult.data(new byte[0], latency);
  }

  @Override
  public void close() {}
}

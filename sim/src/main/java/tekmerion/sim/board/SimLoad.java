package tekmerion.sim.board;

import java.time.Duration;
import java.util.Arrays;
import java.util.Locale;
import java.util.Random;
import tekmerion.core.port.LoadSource;

/** A machine at work, told in the words of the Linux kernel's counters. */
public final class SimLoad implements LoadSource {
  private static final int TICKS_A_SECOND = 400; // four processors
  private static final double LATENCY_QUICK_MS = 4;
  private static final double LATENCY_BUSY_MS = 46;
  private static final double MEBIBYTE = 1 << 20;

  private final Work work;
  private final Duration between;
  private final Random random;
  private double seconds = 4_000;
  private double cpu = 90_000;
  private double all = 1_600_000;
  private double busyMs = 40_000;
  private double queueMs = 60_000;
  private double done = 30_000;
  private double waitedMs = 200_000;
  private double sectors = 9e6;
  private double ioStalled = 3e6;
  private double indexed = 5_000;
  private double indexedBytes = 2e9;
  private double now = 0.5;

  /** What its day looks like. */
  public enum Work {
    CALM(0.11, 0.08),
    INDEXING(0.97, 0.34);

    private final double drive;
    private final double processors;

    Work(double drive, double processors) {
      this.drive = drive;
      this.processors = processors;
    }
  }

  /**
   * @param speed how many of its seconds pass in one of ours
   */
  public SimLoad(Work work, double speed, long seed) {
    this.work = work;
    this.between = Duration.ofMillis(Math.round(1000 / speed));
    this.random = new Random(seed);
    this.now = work.drive;
  }

  @Override
  public Duration between() {
    return between;
  }

  @Override
  public long[] lateness(int times) {
    long[] nanos = new long[times];
    Arrays.setAll(
        nanos, i -> (long) (50_000 * Math.exp(0.6 * random.nextGaussian() + work.processors)));
    return nanos;
  }

  @Override
  public String snapshot() {
    step();
    return String.format(
        Locale.ROOT,
        """
        # uptime
        %.2f %.2f
        # stat
        cpu  %d 0 0 %d %d 0 0 0 0 0
        # diskstats
           8       0 sda %d 0 %d %d 0 0 0 0 0 %d %d 0 0 0 0
        # pressure/io
        some avg10=0.00 avg60=0.00 avg300=0.00 total=%d
        # meminfo
        MemTotal:        8000000 kB
        MemAvailable:    %d kB
        # vmstat
        pswpin 100
        pswpout 100
        # programs
        611 %d %d file indexer
        702 4000 1000000 chart viewer
        """,
        seconds,
        seconds,
        Math.round(cpu),
        Math.round(all - cpu - ioStalled / 1e4),
        Math.round(ioStalled / 1e4),
        Math.round(done),
        Math.round(sectors),
        Math.round(waitedMs),
        Math.round(busyMs),
        Math.round(queueMs),
        Math.round(ioStalled),
        2_900_000,
        Math.round(indexed),
        Math.round(indexedBytes));
  }

  /** Its next second: like the one before, and a little otherwise. */
  private void step() {
    now = work.drive + 0.7 * (now - work.drive) + 0.03 * random.nextGaussian();
    double busy = Math.max(0.01, Math.min(0.998, now));
    double asked = 20 + 60 * busy;
    seconds++;
    all += TICKS_A_SECOND;
    cpu += TICKS_A_SECOND * Math.max(0, work.processors + 0.02 * random.nextGaussian());
    busyMs += 1000 * busy;
    queueMs += 1000 * busy * (1 + 3 * busy);
    done += asked;
    waitedMs += asked * (work == Work.INDEXING ? LATENCY_BUSY_MS : LATENCY_QUICK_MS);
    sectors += asked * 64;
    ioStalled += 1e6 * 0.8 * busy * busy;
    if (work == Work.INDEXING) {
      indexed += 0.31 * TICKS_A_SECOND;
      indexedBytes += 6 * MEBIBYTE;
    }
  }
}

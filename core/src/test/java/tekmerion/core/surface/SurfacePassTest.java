package tekmerion.core.surface;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.core.surface.ScannedSurface.End;

class SurfacePassTest {
  private static final int SECTOR = 512;

  private static SurfaceScan pass(FakeDisk disk, Plan plan) {
    return SurfaceScan.begin(disk, plan, disk::now, new Quiet());
  }

  private static Set<Long> sectors(ScannedSurface result) {
    Set<Long> sectors = new TreeSet<>();
    for (BadRange range : result.bad()) {
      for (long s = range.firstSector(); s < range.endSector(); s++) {
        sectors.add(s);
      }
    }
    return sectors;
  }

  @ParameterizedTest(name = "seed {0}")
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
  void findsEveryBadSectorAndInventsNone(long seed) {
    Random random = new Random(seed);
    long size = 300L * 1024 * 1024 + 512 * random.nextInt(2000); // not a whole number of blocks
    Set<Long> truth = new TreeSet<>();
    for (int i = 0; i < 60; i++) {
      long first = (long) (random.nextDouble() * (size / SECTOR - 9));
      int run = random.nextInt(4) == 0 ? 1 + random.nextInt(8) : 1;
      for (int k = 0; k < run; k++) {
        truth.add(first + k);
      }
    }
    truth.add(0L);
    truth.add(size / SECTOR - 1);
    FakeDisk disk = new FakeDisk(size, SECTOR, SECTOR, truth);
    disk.transientFailures(new Random(seed), 0.01); // once, and never again at the same place

    ScannedSurface result = pass(disk, Plan.whole(disk.identity())).run();

    assertThat(result.end()).isEqualTo(End.COMPLETE);
    assertThat(sectors(result)).isEqualTo(truth);
    assertThat(result.badSectors()).isEqualTo(truth.size());
    assertThat(result.bad())
        .isSortedAccordingTo((a, b) -> Long.compare(a.firstSector(), b.firstSector()));
    assertThat(result.zones().stream().mapToInt(Zone::badSectors).sum()).isEqualTo(truth.size());
  }

  @Test
  void aPhysicalSectorIsLostWhole() {
    FakeDisk disk = new FakeDisk(64L << 20, 512, 4096, Set.of(10_003L));

    ScannedSurface result = pass(disk, Plan.whole(disk.identity())).run();

    // Physical sectors are 8 logical ones: 10,003 lies in 10,000 to 10,007.
    assertThat(result.bad()).containsExactly(new BadRange(10_000, 8));
  }

  @Test
  void aCleanSampleBoundsTheBadShare() {
    FakeDisk disk = new FakeDisk(8L << 30, 512, 512, Set.of());

    ScannedSurface result = pass(disk, Plan.whole(disk.identity()).sampled()).run();

    // 3 of each of 1,000 zones; without a bad one Clopper and Pearson's limit is 1 − 0.05^(1/n).
    Confidence confidence = result.confidence().orElseThrow();
    assertThat(confidence.bad()).isZero();
    assertThat(confidence.atMostShare())
        .isCloseTo(1 - Math.pow(0.05, 1.0 / confidence.sampled()), within(1e-9));
    assertThat(confidence.sampled()).isEqualTo(3_000);
    assertThat(result.shareRead()).isEqualTo(1);
  }

  @ParameterizedTest(name = "stopped after {0} reads")
  @ValueSource(ints = {1, 17, 120, 210})
  void goesOnAfterAPauseAsIfThereHadBeenNone(int reads) throws IOException {
    Set<Long> truth = Set.of(5L, 77_777L, 77_778L, 200_000L);
    FakeDisk whole = new FakeDisk(200L << 20, 512, 512, truth);
    ScannedSurface atOnce = pass(whole, Plan.whole(whole.identity())).run();
    FakeDisk disk = new FakeDisk(200L << 20, 512, 512, truth);
    SurfaceScan first = pass(disk, Plan.whole(disk.identity()));
    disk.after(reads, first::pause);

    assertThat(first.run().end()).isEqualTo(End.PAUSED);
    ByteArrayOutputStream kept = new ByteArrayOutputStream();
    first.keep(kept);
    disk.after(Integer.MAX_VALUE, () -> {});
    ScannedSurface result =
        SurfaceScan.resume(
                disk,
                Plan.whole(disk.identity()),
                new ByteArrayInputStream(kept.toByteArray()),
                disk::now,
                new Quiet())
            .run();

    assertThat(result.end()).isEqualTo(End.COMPLETE);
    assertThat(result.bad()).isEqualTo(atOnce.bad());
    assertThat(result.bytesRead()).isEqualTo(atOnce.bytesRead());
    assertThat(disk.bytesGiven()).isEqualTo(whole.bytesGiven()); // nothing was read twice
  }

  @Test
  void aDriveThatGoesAwayAmidABadBlockIsCountedOnceWhenItIsBack() throws IOException {
    Set<Long> truth = Set.of(4_000L, 4_001L, 4_090L);
    FakeDisk disk = new FakeDisk(32L << 20, 512, 512, truth);
    SurfaceScan first =
        SurfaceScan.begin(
            disk, Plan.whole(disk.identity()).withoutSample(), disk::now, new Quiet());
    disk.whenBadIsMet(2, disk::unplug); // sectors 4,000 to 4,090 lie in block 1

    ScannedSurface cut = first.run();
    ByteArrayOutputStream kept = new ByteArrayOutputStream();
    first.keep(kept);
    disk.plugIn();
    ScannedSurface result =
        SurfaceScan.resume(
                disk,
                Plan.whole(disk.identity()).withoutSample(),
                new ByteArrayInputStream(kept.toByteArray()),
                disk::now,
                new Quiet())
            .run();

    assertThat(cut.end()).isEqualTo(End.GONE);
    assertThat(sectors(result)).isEqualTo(truth);
    assertThat(result.zones().stream().mapToInt(Zone::badSectors).sum()).isEqualTo(3);
  }

  @Test
  void aKeptPassThatWasCutOffOrOfAnotherDriveIsRefused() throws IOException {
    FakeDisk disk = new FakeDisk(32L << 20, 512, 512, Set.of());
    SurfaceScan pass = pass(disk, Plan.whole(disk.identity()));
    pass.run();
    ByteArrayOutputStream kept = new ByteArrayOutputStream();
    pass.keep(kept);
    byte[] damaged = kept.toByteArray();
    damaged[damaged.length / 2] ^= 1;
    FakeDisk other = new FakeDisk(33L << 20, 512, 512, Set.of());

    assertThatThrownBy(() -> resume(disk, damaged)).isInstanceOf(IOException.class);
    assertThatThrownBy(() -> resume(disk, Arrays.copyOf(kept.toByteArray(), damaged.length - 3)))
        .isInstanceOf(IOException.class);
    assertThatThrownBy(() -> SurfaceScan.found(new ByteArrayInputStream(damaged)))
        .isInstanceOf(CheckpointException.class);
    assertThat(SurfaceScan.found(new ByteArrayInputStream(kept.toByteArray())).bytesRead())
        .isEqualTo(32L << 20); // all that was read, without the drive
    assertThatThrownBy(() -> resume(other, kept.toByteArray()))
        .isInstanceOf(CheckpointException.class)
        .hasMessageContaining("another drive");
  }

  private static void resume(FakeDisk disk, byte[] kept) throws IOException {
    SurfaceScan.resume(
        disk, Plan.whole(disk.identity()), new ByteArrayInputStream(kept), disk::now, new Quiet());
  }

  @Test
  void stopsByRuleBeforeItWearsTheDriveFurther() {
    Set<Long> many = new TreeSet<>();
    for (long s = 1_000; s < 3_000; s++) {
      many.add(s);
    }
    FakeDisk disk = new FakeDisk(64L << 20, 512, 512, many);

    ScannedSurface result = pass(disk, Plan.whole(disk.identity()).stoppingAfter(100, 3_600)).run();

    assertThat(result.end()).isEqualTo(End.STOPPED_BY_RULE);
    assertThat(result.why()).contains("More than 100 sectors");
    assertThat(result.badSectors()).isEqualTo(101);
  }

  @Test
  void aDriveThatGoesAwayIsNoBadSector() {
    FakeDisk disk = new FakeDisk(64L << 20, 512, 512, Set.of());
    disk.after(20, disk::unplug);

    ScannedSurface result = pass(disk, Plan.whole(disk.identity())).run();

    assertThat(result.end()).isEqualTo(End.GONE);
    assertThat(result.badSectors()).isZero();
    assertThat(result.why()).endsWith(": no such device");
  }

  @Test
  void aPlaceWithoutAnAnswerInTimeIsNoBadSector() {
    FakeDisk disk = new FakeDisk(64L << 20, 512, 512, Set.of());
    disk.silentAt(Set.of(5_000L));

    ScannedSurface result = pass(disk, Plan.whole(disk.identity())).run();

    assertThat(result.end()).isEqualTo(End.COMPLETE);
    assertThat(result.badSectors()).isZero();
    assertThat(result.unansweredBytes()).isEqualTo(1 << 20); // its block
    assertThat(result.bytesRead()).isEqualTo((64L << 20) - (1 << 20));
  }

  @Test
  void aDriveThatGivesNoAnswerAtThreePlacesIsLetAlone() {
    FakeDisk disk = new FakeDisk(64L << 20, 512, 512, Set.of());
    disk.silentAt(Set.of(5_000L, 20_000L, 40_000L, 60_000L, 80_000L));

    ScannedSurface result = pass(disk, Plan.whole(disk.identity())).run();

    assertThat(result.end()).isEqualTo(End.STOPPED_BY_RULE);
    assertThat(result.unansweredBytes()).isEqualTo(3 << 20);
    assertThat(result.badSectors()).isZero();
  }

  @Test
  void aSlowZoneStandsOutFromTheDrivesOwnCurve() {
    FakeDisk disk = new FakeDisk(400L << 20, 512, 512, Set.of());
    // 50 zones of 8 MiB; the inner end takes twice as long as the outer, which is as it should be.
    disk.slowBetween(120L << 20, 144L << 20, 4);

    ScannedSurface result = pass(disk, Plan.whole(disk.identity())).run();

    assertThat(result.slowZones()).isEqualTo(List.of(15, 16, 17));
  }

  @Test
  void whatWasSlowOnceIsNotSlow() {
    FakeDisk disk = new FakeDisk(400L << 20, 512, 512, Set.of());
    disk.slowBetween(120L << 20, 144L << 20, 4);
    SurfaceScan pass = pass(disk, Plan.whole(disk.identity()));
    disk.after(400, () -> disk.slowBetween(0, 0, 1)); // the other load has ended by the second look

    assertThat(pass.run().slowZones()).isEmpty();
  }

  @Test
  void aQuantileIsKnownWithinItsBucket() {
    Latencies latencies = new Latencies();
    for (int i = 1; i <= 1_000; i++) {
      latencies.add(i * 1_000_000L); // 1 to 1,000 ms
    }

    // A bucket spans a ratio of 2^(1/8), so its middle is off by 2^(1/16) = 4.4 % at most.
    assertThat((double) latencies.quantileNanos(0.5)).isBetween(500e6 / 1.045, 500e6 * 1.045);
    assertThat((double) latencies.quantileNanos(0.99)).isBetween(990e6 / 1.045, 990e6 * 1.045);
    assertThat(Latencies.of(latencies.sparse(), latencies.maxNanos()).quantileNanos(0.99))
        .isEqualTo(latencies.quantileNanos(0.99));
  }

  private static final class Quiet implements SurfaceScan.Listener {
    @Override
    public void progress(Progress progress) {}

    @Override
    public void checkpoint() {}
  }
}

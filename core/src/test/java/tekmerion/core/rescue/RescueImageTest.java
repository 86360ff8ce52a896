package tekmerion.core.rescue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadEndedException;
import tekmerion.core.port.ReadResult;
import tekmerion.core.rescue.RescueImage.Keeper;

/**
 * A disk with 500 bad sectors, scattered and in clusters, and zones that are slow; time is counted.
 */
class RescueImageTest {
  private static final int SECTOR = 512;
  private static final int MIB = 1 << 20;
  private static final int SIZE = 256 * MIB;

  /**
   * So large that one in a hundred is more than what lies about the bad sectors, as on real ones.
   */
  private static final long LARGE = 4L * 1024 * MIB;

  /** 100 MB a second; a read that fails takes the drive two seconds; slow zones take 20 times. */
  private static final class Disk implements ByteSource {
    private final BitSet bad = new BitSet();
    private final BitSet slowMebibytes = new BitSet();
    private double seconds;
    private long reads;
    private long dieAt = Long.MAX_VALUE;
    private long goneAt = Long.MAX_VALUE;

    /** Sectors without an answer in time. */
    private final BitSet silent = new BitSet();

    private final long size;

    Disk(long seed, long size) {
      this.size = size;
      Random random = new Random(seed);
      int sectors = (int) (size / SECTOR);
      for (int cluster = 0; cluster < 6; cluster++) {
        int at = random.nextInt(sectors - 2_000);
        for (int i = 0; i < 70; i++) {
          bad.set(at + random.nextInt(1_000));
        }
      }
      while (bad.cardinality() < 500) {
        bad.set(random.nextInt(sectors));
      }
      for (int i = 0; i < 4; i++) {
        int at = random.nextInt((int) (size / MIB) - 16);
        slowMebibytes.set(at, at + 6);
      }
    }

    @Override
    public long sizeBytes() {
      return size;
    }

    @Override
    public int sectorBytes() {
      return SECTOR;
    }

    @Override
    public ReadResult read(long offset, int length) {
      if (++reads == dieAt) {
        throw new Killed();
      }
      if (reads >= goneAt) {
        return new ReadResult.Gone("no such device");
      }
      int first = (int) (offset / SECTOR);
      int end = (int) ((offset + length + SECTOR - 1) / SECTOR);
      int hangs = silent.nextSetBit(first);
      if (hangs >= 0 && hangs < end) {
        seconds += 30;
        return new ReadResult.TimedOut(30_000_000_000L, "timed out");
      }
      int failing = bad.nextSetBit(first);
      if (failing >= 0 && failing < end) {
        seconds += 2;
        return new ReadResult.MediumError(2_000_000_000L, "input/output error");
      }
      seconds += length / 100e6 * (slowMebibytes.get((int) (offset / MIB)) ? 20 : 1);
      return ReadResult.data(size == SIZE ? content(offset, length) : new byte[length], 0);
    }

    /** Says where it stood on the disk. */
    static byte[] content(long offset, int length) {
      byte[] bytes = new byte[length];
      for (int i = 0; i < length; i++) {
        long at = offset + i;
        bytes[i] = (byte) (at ^ at >>> 9 ^ at >>> 17);
      }
      return bytes;
    }

    @Override
    public void close() {
      // nothing is open
    }
  }

  /** As if the power were cut. */
  private static final class Killed extends RuntimeException {
    private static final long serialVersionUID = 1L;
  }

  /** An image and the text of the last map that was kept; and when 99 % of the data was there. */
  private static final class Image implements Keeper {
    private final byte[] bytes = new byte[SIZE];
    private final Disk disk;
    private String map;
    private final long readable;
    private long written;
    private double secondsTo99 = Double.NaN;

    Image(Disk disk) {
      this.disk = disk;
      readable = disk.size - (long) SECTOR * disk.bad.cardinality();
      map = new RescueMap(disk.size).text();
    }

    @Override
    public void write(long offset, byte[] from) {
      if (disk.size == SIZE) {
        System.arraycopy(from, 0, bytes, (int) offset, from.length);
      }
      written += from.length;
      if (Double.isNaN(secondsTo99) && written >= readable * 99 / 100) {
        secondsTo99 = disk.seconds;
      }
    }

    @Override
    public void keep(RescueMap kept) {
      // Writing a text for each of a hundred thousand steps would only slow the test.
      if (disk.size == SIZE && disk.reads % 64 == 0) {
        map = kept.text();
      }
    }
  }

  private static void isTheDiskWithoutItsBadSectors(Image image, RescueMap map, Disk disk) {
    assertThat(map.bytes(State.BAD)).isEqualTo((long) SECTOR * disk.bad.cardinality());
    assertThat(map.bytes(State.READ) + map.bytes(State.BAD)).isEqualTo(SIZE);
    byte[] wanted = Disk.content(0, SIZE);
    for (int s = disk.bad.nextSetBit(0); s >= 0; s = disk.bad.nextSetBit(s + 1)) {
      Arrays.fill(wanted, s * SECTOR, (s + 1) * SECTOR, (byte) 0);
      assertThat(map.next(State.BAD, (long) s * SECTOR).orElseThrow().from())
          .isEqualTo((long) s * SECTOR);
    }
    assertThat(Arrays.equals(image.bytes, wanted)).isTrue();
  }

  @Test
  void readsEverySectorThatCanBeReadAndNamesTheRest() {
    Disk disk = new Disk(1, SIZE);
    Image image = new Image(disk);
    RescueMap map = new RescueMap(SIZE);

    assertThat(new RescueImage(disk, map, image, () -> false).run(1)).isTrue();

    isTheDiskWithoutItsBadSectors(image, map, disk);
  }

  @Test
  void aDriveThatGoesAwayLosesNothingAndTheCopyGoesOnWhenItIsBack() {
    Disk disk = new Disk(5, SIZE);
    Image image = new Image(disk);
    RescueMap map = new RescueMap(SIZE);
    disk.goneAt = 120;

    assertThatThrownBy(() -> new RescueImage(disk, map, image, () -> false).run(1))
        .isInstanceOfSatisfying(ReadEndedException.class, e -> assertThat(e.isGone()).isTrue());
    long lostThen = map.lostBytes();
    disk.goneAt = Long.MAX_VALUE;
    RescueMap kept = RescueMap.parse(image.map);
    boolean through = new RescueImage(disk, kept, image, () -> false).run(1);

    assertThat(lostThen).isZero(); // until then it only strode over what failed
    assertThat(through).isTrue();
    assertThat(kept.bytes(State.BAD)).isEqualTo(500L * SECTOR);
    assertThat(kept.bytes(State.READ)).isEqualTo(SIZE - 500L * SECTOR);
  }

  @Test
  void whatGivesNoAnswerInTimeIsNotCalledBad() {
    Disk disk = new Disk(6, SIZE);
    disk.bad.clear();
    disk.silent.set(70_000);
    Image image = new Image(disk);
    RescueMap map = new RescueMap(SIZE);

    boolean through = new RescueImage(disk, map, image, () -> false).run(1);

    assertThat(through).isTrue();
    assertThat(map.bytes(State.BAD)).isZero();
    assertThat(map.next(State.UNANSWERED, 0))
        .contains(new RescueMap.Stretch(70_000L * SECTOR, 70_001L * SECTOR, State.UNANSWERED));
    assertThat(RescueMap.parse(map.text()).text()).isEqualTo(map.text());
  }

  @Test
  void aDriveThatHangsIsLetAlone() {
    Disk disk = new Disk(7, SIZE);
    disk.bad.clear();
    disk.silent.set(10_000, SIZE / SECTOR);
    RescueMap map = new RescueMap(SIZE);

    assertThatThrownBy(() -> new RescueImage(disk, map, new Image(disk), () -> false).run(1))
        .isInstanceOfSatisfying(ReadEndedException.class, e -> assertThat(e.isGone()).isFalse());
    assertThat(disk.seconds).isLessThan(3 * 30 + 10);
    assertThat(map.lostBytes()).isZero();
  }

  /** A plain copy reads on where it stands: a block that fails sector by sector, each once. */
  @Test
  void hasNearlyAllOfItInAThirdOfTheTimeOfAPlainCopy() {
    Disk disk = new Disk(2, LARGE);
    Image image = new Image(disk);
    new RescueImage(disk, new RescueMap(LARGE), image, () -> false).run(0);
    Disk same = new Disk(2, LARGE);
    Image plain = new Image(same);
    for (long at = 0; at < LARGE; at += MIB) {
      Optional<byte[]> block = same.bytes(at, MIB);
      if (block.isPresent()) {
        plain.write(at, block.get());
        continue;
      }
      for (long sector = at; sector < at + MIB; sector += SECTOR) {
        long from = sector;
        same.bytes(from, SECTOR).ifPresent(b -> plain.write(from, b));
      }
    }

    assertThat(plain.secondsTo99 / image.secondsTo99).isGreaterThan(3);
  }

  @Test
  void goesOnAfterBeingKilledFiftyTimes() {
    Disk disk = new Disk(3, SIZE);
    Image image = new Image(disk);
    Random random = new Random(3);
    int killed = 0;
    boolean through = false;
    RescueMap map = new RescueMap(SIZE);
    while (!through) {
      map = RescueMap.parse(image.map);
      disk.dieAt = killed < 50 ? disk.reads + 70 + random.nextInt(300) : Long.MAX_VALUE;
      try {
        through = new RescueImage(disk, map, image, () -> false).run(0);
      } catch (Killed e) {
        killed++;
      }
    }

    assertThat(killed).isEqualTo(50);
    isTheDiskWithoutItsBadSectors(image, map, disk);
  }

  /**
   * What a forecast said of the end, against the end.
   *
   * @param atAQuarter its error after a quarter of the time, as a share of the whole time
   * @param within share of all that was said in whose range the end was
   */
  private record Forecast(double atAQuarter, double within) {}

  private static Forecast forecast(long seed) {
    Disk disk = new Disk(seed, LARGE);
    RescueForecast forecast = new RescueForecast();
    RescueImage[] copy = new RescueImage[1];
    ByteSource told =
        new ByteSource() {
          @Override
          public long sizeBytes() {
            return disk.sizeBytes();
          }

          @Override
          public int sectorBytes() {
            return disk.sectorBytes();
          }

          @Override
          public ReadResult read(long offset, int length) {
            double before = disk.seconds;
            ReadResult result = disk.read(offset, length);
            boolean came = result instanceof ReadResult.Data;
            forecast.read(copy[0].sweep(), length, disk.seconds - before, came);
            return result;
          }

          @Override
          public void close() {
            disk.close();
          }
        };
    List<double[]> said = new ArrayList<>(); // when, end, half of its range
    Keeper keeper =
        new Keeper() {
          @Override
          public void write(long offset, byte[] bytes) {
            // nothing is kept
          }

          @Override
          public void keep(RescueMap map) {
            boolean due = said.isEmpty() || disk.seconds >= said.get(said.size() - 1)[0] + 1;
            if (!due) {
              return; // as the probe tells it, once a second
            }
            RescueForecast.Expected e = forecast.of(map, 0);
            if (e.secondsLeft() >= 0) {
              said.add(
                  new double[] {disk.seconds, disk.seconds + e.secondsLeft(), e.spreadSeconds()});
            }
          }
        };
    copy[0] = new RescueImage(told, new RescueMap(LARGE), keeper, () -> false);
    copy[0].run(0);
    double end = disk.seconds;
    double[] quarter = said.stream().filter(s -> s[0] <= end / 4).reduce((a, b) -> b).orElseThrow();
    long within = said.stream().filter(s -> Math.abs(s[1] - end) <= s[2]).count();
    return new Forecast((quarter[1] - end) / end, (double) within / said.size());
  }

  @Test
  void itsForecastIsWithinHalfAtAQuarterOfTheTimeAndKnowsHowFarItMayBeOff() {
    List<Forecast> all = Stream.of(11L, 12L, 13L, 14L, 15L).map(RescueImageTest::forecast).toList();

    assertThat(all).allMatch(f -> Math.abs(f.atAQuarter()) < 0.5);
    assertThat(all.stream().mapToDouble(Forecast::within).average().orElseThrow())
        .isGreaterThan(0.9);
  }

  @Test
  void aMapComesBackFromItsTextAndRefusesWhatIsNone() {
    RescueMap map = new RescueMap(10_000);
    map.set(1_000, 3_000, State.READ);
    map.set(3_000, 3_512, State.BAD);
    map.set(2_000, 2_500, State.FAILED);
    map.set(2_000, 2_500, State.READ); // joined again

    assertThat(map.stretches()).hasSize(4);
    assertThat(RescueMap.parse(map.text()).stretches()).isEqualTo(map.stretches());
    assertThatThrownBy(() -> RescueMap.parse("something else\n1\n0 1 +\n"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> RescueMap.parse(map.text().replace("1000 2000 +", "1000 1999 +")))
        .hasMessageContaining("gap");
    assertThatThrownBy(
            () ->
                new RescueImage(new Disk(1, SIZE), map, new Image(new Disk(1, SIZE)), () -> false))
        .hasMessageContaining("10000");
  }
}

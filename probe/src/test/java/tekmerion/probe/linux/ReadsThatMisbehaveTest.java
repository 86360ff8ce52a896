package tekmerion.probe.linux;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.jna.Memory;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.core.port.BlockSource.Identity;
import tekmerion.core.port.ReadResult;
import tekmerion.core.surface.Plan;
import tekmerion.core.surface.ScannedSurface;
import tekmerion.core.surface.SurfaceScan;

/** A device that answers a read in every way that pread(2) can. */
class ReadsThatMisbehaveTest {
  private static final int SIZE = 64 << 20;

  /** Linux has numbers up to EHWPOISON, 133 (asm-generic/errno.h). */
  private static final int LAST_ERRNO = 133;

  /** What a bad place gives, and what the rest of the device does then. */
  private static final class Device implements DeviceCalls {
    private final int sector;
    private final Set<Long> badSectors = new TreeSet<>();
    private int errno = ReadErrors.EIO;
    private boolean errsEverywhere;
    private boolean there = true;
    private boolean goesWithTheError;
    private int mostAtOnce = Integer.MAX_VALUE;
    private int interruptions;
    private long endsAt = SIZE;
    private long sleepMs;
    private final List<String> refused = new ArrayList<>();

    Device(int sector) {
      this.sector = sector;
    }

    @Override
    public long pread(Memory into, long at, long length, long offset) {
      if (offset % sector != 0 || length % sector != 0 || length <= 0) {
        refused.add(offset + "+" + length);
        return -ReadErrors.EINVAL;
      }
      if (interruptions-- > 0) {
        return -ReadErrors.EINTR;
      }
      if (!there) {
        return -ReadErrors.EIO; // as the kernel answers of a disk that was pulled
      }
      long come = Math.max(0, Math.min(Math.min(length, mostAtOnce), endsAt - offset));
      for (long s = offset / sector; s < (offset + come) / sector; s++) {
        if (errsEverywhere || badSectors.contains(s)) {
          there &= !goesWithTheError;
          pause();
          long good = s * sector - offset;
          if (good == 0) {
            return -errno;
          }
          come = good; // what came before it is given
          break;
        }
      }
      for (long i = 0; i < come; i += 8) {
        into.setLong(at + i, offset + i);
      }
      return come;
    }

    private void pause() {
      try {
        Thread.sleep(sleepMs);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }

    @Override
    public boolean isThere() {
      return there;
    }

    @Override
    public void close() {
      // nothing is open
    }
  }

  private static RawFile file(Device device) {
    return new RawFile(device, new Identity("test", SIZE, device.sector, device.sector, true), 1);
  }

  private static ReadResult bad(Device device) {
    device.badSectors.add(100L);
    try (RawFile file = file(device)) {
      return file.read(100L * device.sector, device.sector);
    }
  }

  @Test
  void everyErrorNumberOfTheSystemIsOneOfTheFiveAndOnlyTheMediumsIsTheMediums() {
    Set<Integer> medium = new TreeSet<>();
    Set<Integer> timedOut = new TreeSet<>();
    Set<Integer> gone = new TreeSet<>();
    for (int errno = 1; errno <= LAST_ERRNO; errno++) {
      if (errno == ReadErrors.EINTR) {
        continue; // asked again, see below
      }
      Device device = new Device(512);
      device.errno = errno;
      ReadResult result = bad(device);
      if (result instanceof ReadResult.MediumError) {
        medium.add(errno);
      } else if (result instanceof ReadResult.TimedOut) {
        timedOut.add(errno);
      } else if (result instanceof ReadResult.Gone) {
        gone.add(errno);
      } else {
        assertThat(result).isInstanceOf(ReadResult.CouldNotRun.class);
        int told = ((ReadResult.CouldNotRun) result).errno();
        // What is refused as such (EINVAL) is asked for in larger pieces before.
        assertThat(told).isIn(errno, errno == ReadErrors.EINVAL ? 0 : errno);
      }
    }
    // EIO, ENODATA, ENOLINK, EILSEQ and EREMOTEIO: the device answers for all its other sectors.
    assertThat(medium).containsExactly(5, 61, 67, 84, 121);
    assertThat(timedOut).containsExactly(110);
    // ENXIO, ENODEV, ESHUTDOWN, ENOMEDIUM
    assertThat(gone).containsExactly(6, 19, 108, 123);
  }

  @Test
  void anErrorOfADeviceThatAnswersNowhereIsNotTheMediums() {
    Device device = new Device(512);
    device.errsEverywhere = true;

    assertThat(bad(device))
        .isInstanceOfSatisfying(
            ReadResult.CouldNotRun.class, r -> assertThat(r.why()).contains("answers nowhere"));
  }

  @Test
  void anErrorOfADeviceThatWentAwayIsNotTheMediums() {
    Device device = new Device(512);
    device.goesWithTheError = true;

    assertThat(bad(device)).isInstanceOf(ReadResult.Gone.class);
  }

  @Test
  void anErrorAfterAllTheTimeThatTheSystemWaitsIsATimeOut() {
    Device device = new Device(512);
    device.sleepMs = 1_050; // it waits one second

    assertThat(bad(device)).isInstanceOf(ReadResult.TimedOut.class);
  }

  @Test
  void aDeviceThatEndsBeforeItsSizeIsNoBadSector() {
    Device device = new Device(512);
    device.endsAt = SIZE / 2;

    try (RawFile file = file(device)) {
      assertThat(file.read(SIZE / 2 - 512, 1_024)).isInstanceOf(ReadResult.CouldNotRun.class);
    }
  }

  @ParameterizedTest(name = "sector {0}, at most {1} bytes at once, {2} interruptions")
  @CsvSource({"512, 1048576, 0", "512, 512, 3", "4096, 4096, 1", "2048, 6144, 2"})
  void whatComesInPiecesOrAfterASignalIsWhole(int sector, int most, int interruptions) {
    Device device = new Device(sector);
    device.mostAtOnce = most;
    device.interruptions = interruptions;

    try (RawFile file = file(device)) {
      byte[] bytes = file.bytes(3L * sector + 8, 10 * sector).orElseThrow();

      // Each eight bytes say where they stood, in the order of the processor: little-endian here.
      assertThat(bytes[0] & 0xFF | (bytes[1] & 0xFF) << 8).isEqualTo((3 * sector + 8) & 0xFFFF);
      assertThat(bytes).hasSize(10 * sector);
      assertThat(device.refused).isEmpty();
    }
  }

  static Stream<Arguments> sectors() {
    return IntStream.of(512, 2_048, 4_096)
        .boxed()
        .flatMap(
            sector ->
                Stream.of(Set.of(0L), Set.of(7L, 8L, 2_047L), Set.of(5L, 1_000L, 9_000L))
                    .map(bad -> Arguments.of(sector, bad)));
  }

  @ParameterizedTest(name = "sectors of {0} bytes, bad: {1}")
  @MethodSource("sectors")
  void aPassFindsEveryBadSectorAndInventsNoneWhateverTheSectorIs(int sector, Set<Long> bad) {
    Device device = new Device(sector);
    device.badSectors.addAll(bad);
    try (RawFile file = file(device)) {
      ScannedSurface result =
          SurfaceScan.begin(
                  file, Plan.whole(file.identity()), System::nanoTime, new RawFileTest.Quiet())
              .run();

      Set<Long> found = new TreeSet<>();
      result
          .bad()
          .forEach(
              r -> {
                for (long s = 0; s < r.sectors(); s++) {
                  found.add(r.firstSector() + s);
                }
              });
      assertThat(found).isEqualTo(bad);
      assertThat(result.end()).isEqualTo(ScannedSurface.End.COMPLETE);
      assertThat(device.refused).isEmpty();
    }
  }
}

package tekmerion.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import tekmerion.core.drive.DriveNumbers;
import tekmerion.core.drive.PartReading;
import tekmerion.core.port.BlockSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.surface.BadRange;
import tekmerion.core.surface.Plan;
import tekmerion.core.surface.Progress;
import tekmerion.core.surface.ScannedSurface;
import tekmerion.core.surface.SurfaceScan;
import tekmerion.core.surface.Zone;

/** What a drive counts and what a pass over its surface finds come from the same sectors. */
class SimSurfaceTest {
  private static MachineUnderTest.Drive drive(String name) {
    Clock fixed = Clock.fixed(Instant.parse("2026-11-23T09:00:00Z"), ZoneOffset.UTC);
    return new SimMachines(fixed).open("sim:%s,0,0".formatted(name)).orElseThrow().drives().get(0);
  }

  private static ScannedSurface pass(MachineUnderTest.Drive drive) throws IOException {
    try (BlockSource source = drive.surface().orElseThrow().open()) {
      Plan plan = Plan.whole(source.identity()).stoppingAfter(100_000, 1e9);
      return SurfaceScan.begin(source, plan, System::nanoTime, new Quiet()).run();
    }
  }

  private static Map<String, DriveNumbers.Number> numbers(MachineUnderTest.Drive drive) {
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    drive.pages().kinds().forEach(kind -> answers.put(kind, drive.pages().read(kind)));
    return DriveNumbers.of(new PartReading(answers));
  }

  @Test
  void aPassFindsThePhysicalSectorOfEverySectorThatWaitsAndNoOther() throws IOException {
    MachineUnderTest.Drive worn = drive("worn-disk");

    ScannedSurface result = pass(worn);

    Set<Long> physical = new TreeSet<>();
    for (BadRange range : result.bad()) {
      assertThat(range.firstSector() % 8).isZero();
      assertThat(range.sectors() % 8).isZero();
      for (long s = range.firstSector(); s < range.endSector(); s += 8) {
        physical.add(s / 8);
      }
    }
    double waiting = numbers(worn).get("197").value();
    // Two sectors that wait may lie in one physical sector of eight.
    assertThat((double) physical.size()).isBetween(waiting * 0.5, waiting);
    assertThat(result.end()).isEqualTo(ScannedSurface.End.COMPLETE);
  }

  @Test
  void outerTracksAreFasterThanInnerOnes() throws IOException {
    ScannedSurface result = pass(drive("bad-bridge"));

    Zone outer = result.zones().get(10);
    Zone inner = result.zones().get(result.zones().size() - 10);
    // The model's inner speed is 48 % of the outer one.
    assertThat((double) inner.p50Nanos() / outer.p50Nanos()).isBetween(1.8, 2.3);
    assertThat(result.bad()).isEmpty();
  }

  @Test
  void flashIsAsFastEverywhereAndLosesWholePages() throws IOException {
    MachineUnderTest.Drive worn = drive("worn-flash");

    ScannedSurface result = pass(worn);

    double lost = numbers(worn).get("mediaAndDataIntegrityErrors").value();
    assertThat(lost).isPositive();
    assertThat((double) result.badSectors()).isEqualTo(8 * lost); // pages of 4,096 bytes
    assertThat(result.slowZones()).isEmpty();
  }

  @Test
  void aSoundDriveIsReadWhole() throws IOException {
    ScannedSurface result = pass(drive("sound-drive"));

    assertThat(result.bad()).isEmpty();
    assertThat(result.bytesRead()).isEqualTo(result.source().sizeBytes());
  }

  private static final class Quiet implements SurfaceScan.Listener {
    @Override
    public void progress(Progress progress) {}

    @Override
    public void checkpoint() {}
  }
}

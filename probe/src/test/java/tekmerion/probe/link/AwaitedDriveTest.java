package tekmerion.probe.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.BlockSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.ReadResult;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.SurfaceScanResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.sim.SimMachines;

/** A drive that is pulled in the middle of a surface scan, and what may come in its place. */
class AwaitedDriveTest extends RunBench {
  private static final MachineUnderTest SOUND = sim("sound-drive");
  private static final MachineUnderTest WORN = sim("worn-disk");

  private volatile List<MachineUnderTest.Drive> there;
  private final AtomicInteger readsUntilItGoes = new AtomicInteger(40);

  private static MachineUnderTest sim(String name) {
    return new SimMachines().open("sim:" + name + ",0,0").orElseThrow();
  }

  /** A small drive that goes away after some reads. */
  private final class Pulled implements BlockSource {
    @Override
    public Identity identity() {
      return new Identity("pulled", 64 << 20, 512, 512, true);
    }

    @Override
    public ReadResult read(long offset, int length) {
      if (readsUntilItGoes.decrementAndGet() == 0) {
        there = List.of();
        return new ReadResult.Gone("no such device");
      }
      return ReadResult.data(new byte[0], 1_000_000);
    }

    @Override
    public void close() {
      // nothing is open
    }
  }

  private MachineUnderTest.Drive drive(MachineUnderTest of) {
    MachineUnderTest.Drive d = of.drives().get(0);
    return new MachineUnderTest.Drive(
        d.key(),
        d.slot(),
        d.pages(),
        Optional.of(Pulled::new),
        d.selfTests(),
        d.bytes(),
        d.writer());
  }

  @BeforeEach
  void begin() {
    there = List.of(drive(SOUND));
    on(
        new MachineUnderTest() {
          @Override
          public Description describe() {
            return SOUND.describe();
          }

          @Override
          public List<Drive> drives() {
            return there;
          }
        });
  }

  private UUID started() throws InterruptedException {
    UUID id = UUID.randomUUID();
    host.accept(
        new ToProbe.StartRun(
            id, "drive-a", RunKind.SURFACE_SCAN, false, DataStatus.NOT_WANTED, null));
    for (int i = 0; told.stream().noneMatch(ToServer.RunWaits.class::isInstance); i++) {
      assertThat(i).as("it does not wait").isLessThan(1200);
      Thread.sleep(50);
    }
    return id;
  }

  @Test
  void theRunGoesOnWhenTheSameDriveIsBackAndLosesNothing() throws Exception {
    UUID id = started();
    there = List.of(drive(WORN)); // another one in its place
    Thread.sleep(2_500);
    assertThat(outbox.isAnswered(id)).isFalse();
    there = List.of(drive(SOUND));

    LinkEvent.RunEnded end = end(id);

    assertThat(end.end()).as(end.why()).isEqualTo(LinkEvent.End.COMPLETE);
    assertThat(((SurfaceScanResult) end.result()).shareRead()).isEqualTo(1);
    assertThat(((SurfaceScanResult) end.result()).bytesRead()).isEqualTo(64 << 20);
    assertThat(((SurfaceScanResult) end.result()).bad()).isEmpty();
  }

  @Test
  void aRunThatWaitsCanBeEndedWithWhatItFound() throws Exception {
    UUID id = started();

    host.accept(new ToProbe.StopRun(id, "drive-a", RunKind.SURFACE_SCAN, false));

    LinkEvent.RunEnded end = end(id);
    assertThat(end.end()).isEqualTo(LinkEvent.End.CANCELLED);
    assertThat(((SurfaceScanResult) end.result()).shareRead())
        .isBetween(0.3, 0.7); // 39 of 64 blocks and 8 of a sample
  }

  @Test
  void aPausedOneWaitsAnewWhenItIsToGoOn() throws Exception {
    UUID id = started();
    host.accept(new ToProbe.StopRun(id, "drive-a", RunKind.SURFACE_SCAN, true));
    told.clear();
    host.accept(
        new ToProbe.StartRun(
            id, "drive-a", RunKind.SURFACE_SCAN, false, DataStatus.NOT_WANTED, null));
    there = List.of(drive(SOUND));

    assertThat(end(id).end()).isEqualTo(LinkEvent.End.COMPLETE);
  }
}

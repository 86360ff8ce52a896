package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.util.Optional;
import java.util.Random;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.DriveWriter;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.EraseResult;
import tekmerion.link.LinkEvent.End;

/** Writes a drive over with zeros, once, and reads back random places of it. */
final class EraseTask extends PartTask {
  private static final int CHUNK = 4 << 20;
  private static final int LOOK = 4_096;
  private static final int LOOKS = 3_000;
  private static final long TELL_NANOS = 1_000_000_000L;

  private static final long ASK_AGAIN_MS = 1_000;

  private final MachineUnderTest.Drive drive;
  private final Releases releases;
  private long toldAt;

  EraseTask(Job job, MachineUnderTest.Drive drive, Releases releases) {
    super(job);
    this.drive = drive;
    this.releases = releases;
  }

  @Override
  Outcome carryOut() throws InterruptedException {
    Releases.Lease lease;
    try {
      lease = releases.toWrite(command(), drive);
    } catch (NoReleaseException e) {
      return new Outcome(End.COULD_NOT_RUN, say("probe.refused", "why", Why.of(e)), null);
    }
    try (DriveWriter writer = drive.writer().orElseThrow().open()) {
      return erase(writer, lease);
    } catch (IOException e) {
      return new Outcome(
          End.COULD_NOT_RUN, say("probe.it-cannot-be-opened", "why", Why.of(e)), null);
    }
  }

  private Outcome erase(DriveWriter writer, Releases.Lease lease)
      throws IOException, InterruptedException {
    long size = lease.drive().sizeBytes();
    byte[] zeros = new byte[CHUNK];
    long written = 0;
    long refused = 0;
    for (long at = 0; at < size; at += CHUNK) {
      Optional<String> stop = stop(lease);
      if (stop.isPresent()) {
        writer.flush();
        return new Outcome(
            End.CANCELLED,
            say("probe.it-is-erased-in-part", "why", stop.get()),
            note(say("probe.phase-ended"), size, written, refused));
      }
      int length = (int) Math.min(CHUNK, size - at);
      try {
        writer.write(at, length == CHUNK ? zeros : new byte[length]);
        written += length;
      } catch (IOException e) {
        if (!WhoIsIt.seen(drive).equals(Optional.of(lease.drive()))) {
          return new Outcome(
              End.COULD_NOT_RUN,
              say("probe.the-drive-went-away-erased-in-part", "why", Why.of(e)),
              note(say("probe.phase-ended"), size, written, refused));
        }
        refused += length;
      }
      if (System.nanoTime() - toldAt >= TELL_NANOS) {
        toldAt = System.nanoTime();
        tell(0.95 * at / size, note(say("probe.writes-zeros"), size, written, refused));
      }
    }
    writer.flush();
    return new Outcome(End.COMPLETE, "", readBack(size, written, refused));
  }

  /** Why nothing more may be written; waits while only the server's answer is missing. */
  private Optional<String> stop(Releases.Lease lease) throws InterruptedException {
    while (!isStopped()) {
      try {
        lease.mustHold();
        return Optional.empty();
      } catch (NoReleaseException e) {
        if (!e.mayCome()) {
          return Optional.of(say("probe.stopped-by-the-probe", "why", Why.of(e)));
        }
        Thread.sleep(ASK_AGAIN_MS);
      }
    }
    return Optional.of(say("probe.ended-by-a-technician"));
  }

  private static EraseResult note(String phase, long size, long written, long refused) {
    return new EraseResult(phase, size, written, refused, 0, 0, 0, null);
  }

  /** First, last, and random places between: with n of n zero at most 3/n of it is not, 95 %. */
  private EraseResult readBack(long size, long written, long refused) throws IOException {
    Random random = new Random(size ^ command().requestId().hashCode());
    int looked = 0;
    int notZero = 0;
    int unreadable = 0;
    try (ByteSource bytes = drive.bytes().orElseThrow().open()) {
      int length = (int) Math.min(LOOK, size);
      long places = size / length;
      for (int i = 0; i < LOOKS && !isStopped(); i++) {
        long place = i == 0 ? 0 : i == 1 ? places - 1 : (long) (random.nextDouble() * places);
        Optional<byte[]> got = bytes.bytes(place * length, length);
        looked++;
        unreadable += got.isEmpty() ? 1 : 0;
        notZero += got.filter(EraseTask::isNotZero).isPresent() ? 1 : 0;
      }
    }
    int bad = notZero + unreadable;
    double most =
        bad == 0 ? 3.0 / Math.max(3, looked) : Math.min(1, (bad + 2 * Math.sqrt(bad) + 3) / looked);
    return new EraseResult(
        say("probe.read-back"), size, written, refused, looked, notZero, unreadable, most);
  }

  private static boolean isNotZero(byte[] bytes) {
    for (byte b : bytes) {
      if (b != 0) {
        return true;
      }
    }
    return false;
  }
}

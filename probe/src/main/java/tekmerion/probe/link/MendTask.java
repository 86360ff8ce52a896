package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import tekmerion.core.files.InUse;
import tekmerion.core.mend.Mending;
import tekmerion.core.mend.Piece;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.DriveWriter;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.survey.Survey;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.MendResult;
import tekmerion.link.RunKind;
import tekmerion.probe.copy.CopyFolder;
import tekmerion.probe.copy.KeptMending;

/**
 * Puts damaged boot sectors, superblocks and tables back from their copies, or takes the last such
 * mending back. What stands there is kept first; what was written is read again. It takes a moment
 * and is not ended half way.
 */
final class MendTask extends PartTask {
  private final MachineUnderTest.Drive drive;
  private final Releases releases;
  private final Where where;
  private final Job job;
  private Releases.Lease lease;

  interface Where {
    CopyFolder open() throws IOException;
  }

  /**
   * @param where what stood there is kept
   */
  MendTask(Job job, MachineUnderTest.Drive drive, Releases releases, Where where) {
    super(job);
    this.job = job;
    this.drive = drive;
    this.releases = releases;
    this.where = where;
  }

  @Override
  Outcome carryOut() throws InterruptedException {
    try {
      lease = releases.toWrite(command(), drive);
    } catch (NoReleaseException e) {
      return couldNot(say("probe.refused", "why", Why.of(e)));
    }
    try {
      CopyFolder folder = where.open();
      return command().run() == RunKind.MEND ? mend(folder) : takeBack(folder);
    } catch (IOException e) {
      return couldNot(say("probe.nothing-was-written", "why", Why.of(e)));
    }
  }

  private static Outcome couldNot(String why) {
    return new Outcome(End.COULD_NOT_RUN, why, null);
  }

  private Outcome mend(CopyFolder folder) throws IOException, InterruptedException {
    Mending mending;
    try (ByteSource source = drive.bytes().orElseThrow().open()) {
      mending = Mending.of(source, Survey.of(source, Survey.READ_BY_MOST));
    }
    if (mending.pieces().isEmpty()) {
      return couldNot(
          mending.left().isEmpty()
              ? say("probe.nothing-damaged-has-a-copy")
              : String.join(" ", mending.left()));
    }
    KeptMending.keep(folder, mending.pieces(), job.clock().instant());
    return write(folder, mending.pieces(), mending.left(), () -> {});
  }

  private Outcome takeBack(CopyFolder folder) throws IOException, InterruptedException {
    Optional<KeptMending> kept = KeptMending.last(folder);
    if (kept.isEmpty()) {
      return couldNot(say("probe.no-mending-is-kept-here"));
    }
    List<Piece> back = new ArrayList<>();
    try (ByteSource source = drive.bytes().orElseThrow().open()) {
      for (Piece piece : kept.get().pieces()) {
        byte[] now = source.bytes(piece.offset(), piece.after().length).orElse(new byte[0]);
        // A mending that broke off wrote the first of them only.
        if (!Arrays.equals(now, piece.before())) {
          if (!Arrays.equals(now, piece.after())) {
            return couldNot(say("probe.something-else-stands-there", "byte", piece.offset()));
          }
          back.add(piece.back());
        }
      }
    }
    Collections.reverse(back);
    if (back.isEmpty()) {
      kept.get().takenBack();
      return couldNot(say("probe.it-is-as-it-was-before"));
    }
    return write(folder, back, List.of(), kept.get()::takenBack);
  }

  private interface Then {
    void run() throws IOException;
  }

  private Outcome write(CopyFolder folder, List<Piece> pieces, List<String> left, Then then)
      throws IOException, InterruptedException {
    String refused = "";
    try (DriveWriter writer = drive.writer().orElseThrow().open()) {
      for (Piece piece : pieces) {
        lease.mustHold();
        writer.write(piece.offset(), piece.after());
      }
      writer.flush();
    } catch (NoReleaseException e) {
      refused = say("probe.stopped-and-can-be-taken-back", "why", Why.of(e));
    } catch (IOException e) {
      refused = say("probe.not-all-was-taken", "why", Why.of(e));
    }
    int written = 0;
    String why;
    String contentAfter;
    try (ByteSource source = drive.bytes().orElseThrow().open()) {
      for (Piece piece : pieces) {
        byte[] now = source.bytes(piece.offset(), piece.after().length).orElse(new byte[0]);
        written += Arrays.equals(now, piece.after()) ? 1 : 0;
      }
      InUse after = InUse.of(source);
      why = after.survey().reason().words();
      contentAfter = DataNotes.of(after).contentSha();
    }
    if (written == pieces.size()) {
      then.run();
    }
    List<MendResult.PieceNote> notes =
        pieces.stream()
            .limit(MendResult.MAX_PIECES)
            .map(p -> new MendResult.PieceNote(p.what(), p.offset(), p.after().length))
            .toList();
    List<String> leftNotes = left.stream().limit(MendResult.MAX_PIECES).toList();
    return new Outcome(
        End.COMPLETE,
        refused,
        new MendResult(
            say("probe.read-back"),
            notes,
            Math.min(written, notes.size()),
            leftNotes,
            folder.shown(),
            why,
            contentAfter));
  }
}

package tekmerion.probe.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import tekmerion.core.files.FileBody;
import tekmerion.core.files.FoundFile;
import tekmerion.core.files.InUse;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.ByteSource;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.State;
import tekmerion.link.CarveResult;
import tekmerion.link.CopyErasedResult;
import tekmerion.link.CopyOrder;
import tekmerion.link.FileCopyResult;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.RescueResult;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyResult;
import tekmerion.link.ToProbe;
import tekmerion.words.Words;

/** From a survey to verified copies, on simulated disks with simulated damage. */
class DataRunsTest extends RunBench {

  @Test
  void saysWhyAnOutsideDiskCannotBeOpenedAndWhatIsOnIt() throws Exception {
    on("outside-disk");

    SurveyResult found = (SurveyResult) run(RunKind.SURVEY, null).result();

    assertThat(found.reason()).isEqualTo("damaged-boot-sector");
    SurveyResult.VolumeNote volume = found.volumes().get(0);
    assertThat(volume.content()).isEqualTo("exFAT");
    assertThat(volume.damage().get(0).backupOffset()).isEqualTo((2048 + 12) * 512);
    assertThat(volume.files()).isEqualTo(60 + 6 + 2);
    assertThat(volume.folders())
        .extracting(SurveyResult.FolderNote::path)
        .containsExactly("", "Members", "Recordings", "Recordings/2026 summer", "Scores");
    assertThat(volume.folders()).allMatch(SurveyResult.FolderNote::proposed);
  }

  @Test
  void copiesWhatIsInUseOfAFailingDiskAndVerifiesIt() throws Exception {
    on("worn-disk");
    CopyOrder image = new CopyOrder(JOB, null, List.of());

    RescueResult copied = (RescueResult) run(RunKind.RESCUE_IN_USE, image).result();

    assertThat(copied.inUseOnly()).isTrue();
    // 31 files of the system with 27 MB, 40 pictures with 87 MB, the order book and the like.
    assertThat(copied.wantedBytes()).isBetween(118_000_000L, 126_000_000L);
    assertThat(copied.lostBytes()).isPositive();
    assertThat(copied.openBytes()).isZero();
    assertThat(copied.readBytes() + copied.lostBytes()).isEqualTo(copied.wantedBytes());
    assertThat(copied.lostFiles())
        .extracting(RescueResult.LostFile::path)
        .contains(
            "Users/quay/Order book/2025 whole year.pdf", "Users/quay/Pictures/opening day.jpg");

    RescueResult verified = (RescueResult) run(RunKind.VERIFY_IMAGE, image).result();
    assertThat(verified.verified()).isTrue();
    assertThat(verified.sums()).isEqualTo(copied.sums());

    CopyOrder files = new CopyOrder(JOB, 1, List.of("Users/quay"));
    FileCopyResult out = (FileCopyResult) run(RunKind.FILE_COPY, files).result();
    assertThat(out.fromImage()).isTrue();
    assertThat(out.files()).isEqualTo(10 + 40 + 2 + 1);
    assertThat(out.failed())
        .extracting(FileCopyResult.FailedFile::path)
        .containsExactlyInAnyOrderElementsOf(
            copied.lostFiles().stream().map(RescueResult.LostFile::path).toList());
    assertThat(out.verifiedFiles()).isEqualTo(out.files() - out.failedInAll());
    areWhatIsOnTheDisk();
  }

  /** Without its folders: pictures by their whole structure, each with a small picture of it. */
  @Test
  void findsFilesByTheirContentInTheImage() throws Exception {
    on("worn-disk");
    CopyOrder image = new CopyOrder(JOB, null, List.of());
    assertThat(Words.read(run(RunKind.CARVE, image).why())).contains("make one first");
    run(RunKind.RESCUE_IN_USE, image);

    CarveResult found = (CarveResult) run(RunKind.CARVE, image).result();

    // Forty cakes; of the opening day one sector is lost, in a comment that its decoder skips.
    assertThat(found.sorts())
        .extracting(CarveResult.CarvedSort::extension, CarveResult.CarvedSort::files)
        .containsExactly(tuple("jpg", 40L));
    assertThat(found.failed()).isEqualTo(1);
    assertThat(found.examples())
        .hasSize(24)
        .allMatch(e -> e.preview() != null && e.preview().length() > 1_000);
    List<String> carved = new ArrayList<>();
    try (Stream<Path> list = Files.list(folder.resolve("copies/J-2291/drive-a/files-by-content"))) {
      for (Path path : list.toList()) {
        carved.add(sha256(Files.readAllBytes(path)));
      }
    }
    List<String> cakes = new ArrayList<>();
    try (ByteSource disk = machine.drives().get(0).bytes().orElseThrow().open()) {
      for (FoundFile file : InUse.of(disk).volumes().get(0).list().files()) {
        if (file.path().contains("/cake ")) {
          ByteArrayOutputStream bytes = new ByteArrayOutputStream();
          FileBody.read(disk, file, (b, n) -> bytes.write(b, 0, n));
          cakes.add(sha256(bytes.toByteArray()));
        }
      }
    }
    assertThat(carved).hasSize(41).containsAll(cakes);
  }

  private static String sha256(byte[] bytes) throws Exception {
    return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
  }

  /** Byte for byte, read from the disk itself; but for the bad places, which are zero. */
  private void areWhatIsOnTheDisk() throws IOException {
    Path root = folder.resolve("copies/J-2291/drive-a/files-1");
    try (ByteSource disk = machine.drives().get(0).bytes().orElseThrow().open()) {
      for (FoundFile file : InUse.of(disk).volumes().get(0).list().files()) {
        if (!file.folder() && file.path().startsWith("Users/")) {
          byte[] copy = Files.readAllBytes(root.resolve(file.path()));
          int[] at = {0};
          FileBody.read(
              disk,
              file,
              (bytes, n) -> {
                assertThat(Arrays.equals(bytes, 0, n, copy, at[0], at[0] + n)).isTrue();
                at[0] += n;
              });
          assertThat(at[0]).isEqualTo(copy.length);
        }
      }
    }
  }

  @Test
  void noticesThatAnImageIsNotWhatWasRead() throws Exception {
    on("sound-drive");
    CopyOrder image = new CopyOrder(JOB, null, List.of());
    run(RunKind.RESCUE_IN_USE, image);
    try (RandomAccessFile file =
        new RandomAccessFile(folder.resolve("copies/J-2291/drive-a/drive.img").toFile(), "rw")) {
      file.seek(2048 * 512 + 4 * 4096 + 100);
      file.write(file.read() ^ 1);
    }

    RescueResult verified = (RescueResult) run(RunKind.VERIFY_IMAGE, image).result();

    assertThat(verified.verified()).isFalse();
    assertThat(verified.copyCells()).contains("!");
  }

  /** Its zeros reach the disk before its name goes: seen through a second name of the image. */
  @Test
  void writesACopyOverBeforeItIsDeleted() throws Exception {
    on("sound-drive");
    CopyOrder image = new CopyOrder(JOB, null, List.of());
    run(RunKind.RESCUE_IN_USE, image);
    Path second =
        Files.createLink(
            folder.resolve("second-name"), folder.resolve("copies/J-2291/drive-a/drive.img"));
    assertThat(isZero(second)).isFalse();

    assertThat(Words.read(run(RunKind.ERASE_COPY, image).why()))
        .startsWith("refused by the probe: ");
    released(RunKind.ERASE_COPY, DataStatus.WANTED);
    CopyErasedResult erased = (CopyErasedResult) run(RunKind.ERASE_COPY, image).result();

    assertThat(erased.files()).isEqualTo(3); // image, map, and whose it is
    assertThat(erased.left()).isZero();
    assertThat(isZero(second)).isTrue();
    assertThat(folder.resolve("copies/J-2291/drive-a")).doesNotExist();
    assertThat(Words.read(run(RunKind.ERASE_COPY, image).why()))
        .isEqualTo("there is no copy of it here");
  }

  private static boolean isZero(Path image) throws IOException {
    byte[] begin = new byte[64 << 20];
    try (RandomAccessFile file = new RandomAccessFile(image.toFile(), "r")) {
      file.readFully(begin);
    }
    return Arrays.equals(begin, new byte[begin.length]);
  }

  @Test
  void aCopyIsLeftAndGoneOnWith() throws Exception {
    on("worn-disk");
    UUID id = UUID.randomUUID();
    ToProbe.StartRun start =
        new ToProbe.StartRun(
            id,
            "drive-a",
            RunKind.RESCUE_IN_USE,
            true,
            DataStatus.WANTED,
            new CopyOrder(JOB, null, List.of()));
    host.accept(start);
    while (told.isEmpty()) {
      Thread.sleep(5);
    }
    host.accept(new ToProbe.StopRun(id, "drive-a", RunKind.RESCUE_IN_USE, true));
    Thread.sleep(300);
    assertThat(outbox.waiting(1, 10)).isEmpty();

    host.accept(start);

    assertThat(end(id).end()).isEqualTo(End.COMPLETE);
  }

  /** A loose cable made a map say that a mebibyte is lost which the drive gives. */
  @Test
  void theSameCopyOnceMoreTriesWhatItLost() throws Exception {
    on("sound-drive");
    CopyOrder image = new CopyOrder(JOB, null, List.of());
    RescueResult whole = (RescueResult) run(RunKind.RESCUE_IN_USE, image).result();
    assertThat(whole.lostBytes()).isZero();
    Path file = folder.resolve("copies/J-2291/drive-a/drive.map");
    KeptRescue kept = KeptRescue.parse(Files.readString(file));
    RescueMap.Stretch read =
        kept.map().stretches().stream()
            .filter(r -> r.state() == State.READ && r.bytes() > 1 << 20)
            .findFirst()
            .orElseThrow();
    kept.map().set(read.from(), read.from() + (1 << 20), State.UNANSWERED);
    Files.writeString(file, kept.text());

    RescueResult tried = (RescueResult) run(RunKind.RESCUE_IN_USE, image).result();

    assertThat(tried.lostBytes()).isZero();
    assertThat(tried.readBytes()).isEqualTo(whole.readBytes());
  }

  @Test
  void keepsTheFolderOfOneDriveFromAnother() throws Exception {
    on("sound-drive");
    CopyOrder image = new CopyOrder(JOB, null, List.of());
    run(RunKind.RESCUE_IN_USE, image);
    host.close();
    on("outside-disk");

    LinkEvent.RunEnded refused = run(RunKind.RESCUE_IN_USE, image);

    assertThat(refused.end()).isEqualTo(End.COULD_NOT_RUN);
    assertThat(Words.read(refused.why()))
        .contains("holds the copy of another drive")
        .contains("Q24F-90311-K");
    try (Stream<Path> jobs = Files.list(folder.resolve("copies"))) {
      assertThat(jobs).hasSize(1);
    }
  }
}

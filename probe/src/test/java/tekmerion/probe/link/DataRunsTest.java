package tekmerion.probe.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.files.FileBody;
import tekmerion.core.files.FoundFile;
import tekmerion.core.files.InUse;
import tekmerion.core.gate.Stance;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.DriveWriter;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.CarveFinding;
import tekmerion.link.CopyErasedFinding;
import tekmerion.link.CopyOrder;
import tekmerion.link.EraseFinding;
import tekmerion.link.FilesFinding;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.MendFinding;
import tekmerion.link.Release;
import tekmerion.link.RescueFinding;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyFinding;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.outbox.Outbox;
import tekmerion.sim.SimMachines;

/** From a survey to verified copies, on simulated disks with simulated damage. */
class DataRunsTest {
  private static final String JOB = "J-2291";

  @TempDir Path folder;
  private Outbox outbox;
  private RunHost host;
  private MachineUnderTest machine;
  private final ConcurrentLinkedQueue<ToServer> told = new ConcurrentLinkedQueue<>();

  @BeforeEach
  void open() {
    outbox = Outbox.open(folder.resolve("data"));
  }

  @AfterEach
  void close() {
    host.close();
    outbox.close();
  }

  private void on(String name) {
    machine = new SimMachines().open("sim:" + name + ",0,6000").orElseThrow();
    host =
        new RunHost(
            machine,
            outbox,
            folder.resolve("data"),
            folder.resolve("copies"),
            Clock.systemUTC(),
            told::add,
            () -> {});
  }

  private LinkEvent.RunEnded run(RunKind kind, CopyOrder order) throws Exception {
    UUID id = UUID.randomUUID();
    host.accept(new ToProbe.StartRun(id, "drive-a", kind, true, Stance.WANTED, order));
    return end(id);
  }

  private LinkEvent.RunEnded end(UUID id) throws InterruptedException {
    long until = System.nanoTime() + 60_000_000_000L;
    while (System.nanoTime() < until) {
      for (var entry : outbox.waiting(1, 100)) {
        LinkEvent event = LinkCodec.decode(entry.body(), LinkEvent.class);
        if (event.requestId().equals(id)) {
          return (LinkEvent.RunEnded) event;
        }
      }
      Thread.sleep(20);
    }
    throw new AssertionError("the run did not end");
  }

  @Test
  void saysWhyAnOutsideDiskCannotBeOpenedAndWhatIsOnIt() throws Exception {
    on("outside-disk");

    SurveyFinding found = (SurveyFinding) run(RunKind.SURVEY, null).found();

    assertThat(found.reason()).isEqualTo("damaged-boot-sector");
    SurveyFinding.VolumeNote volume = found.volumes().get(0);
    assertThat(volume.content()).isEqualTo("exFAT");
    assertThat(volume.damage().get(0).backupOffset()).isEqualTo((2048 + 12) * 512);
    assertThat(volume.files()).isEqualTo(60 + 6 + 2);
    assertThat(volume.folders())
        .extracting(SurveyFinding.FolderNote::path)
        .containsExactly("", "Members", "Recordings", "Recordings/2026 summer", "Scores");
    assertThat(volume.folders()).allMatch(SurveyFinding.FolderNote::proposed);
  }

  @Test
  void copiesWhatIsInUseOfAFailingDiskAndVerifiesIt() throws Exception {
    on("worn-disk");
    CopyOrder image = new CopyOrder(JOB, null, List.of());

    RescueFinding copied = (RescueFinding) run(RunKind.RESCUE_IN_USE, image).found();

    assertThat(copied.inUseOnly()).isTrue();
    // 31 files of the system with 27 MB, 40 pictures with 87 MB, the order book and the like.
    assertThat(copied.wantedBytes()).isBetween(118_000_000L, 126_000_000L);
    assertThat(copied.lostBytes()).isPositive();
    assertThat(copied.openBytes()).isZero();
    assertThat(copied.readBytes() + copied.lostBytes()).isEqualTo(copied.wantedBytes());
    assertThat(copied.lostFiles())
        .extracting(RescueFinding.LostFile::path)
        .contains(
            "Users/quay/Order book/2025 whole year.pdf", "Users/quay/Pictures/opening day.jpg");

    RescueFinding verified = (RescueFinding) run(RunKind.VERIFY_IMAGE, image).found();
    assertThat(verified.verified()).isTrue();
    assertThat(verified.sums()).isEqualTo(copied.sums());

    CopyOrder files = new CopyOrder(JOB, 1, List.of("Users/quay"));
    FilesFinding out = (FilesFinding) run(RunKind.FILE_COPY, files).found();
    assertThat(out.fromImage()).isTrue();
    assertThat(out.files()).isEqualTo(10 + 40 + 2 + 1);
    assertThat(out.failed())
        .extracting(FilesFinding.FailedFile::path)
        .containsExactlyInAnyOrderElementsOf(
            copied.lostFiles().stream().map(RescueFinding.LostFile::path).toList());
    assertThat(out.verifiedFiles()).isEqualTo(out.files() - out.failedInAll());
    areWhatIsOnTheDisk();
  }

  /** Without its folders: pictures by their whole structure, each with a small picture of it. */
  @Test
  void findsFilesByTheirContentInTheImage() throws Exception {
    on("worn-disk");
    CopyOrder image = new CopyOrder(JOB, null, List.of());
    assertThat(run(RunKind.CARVE, image).why()).contains("make one first");
    run(RunKind.RESCUE_IN_USE, image);

    CarveFinding found = (CarveFinding) run(RunKind.CARVE, image).found();

    // Forty cakes; of the opening day one sector is lost, in a comment that its decoder skips.
    assertThat(found.sorts())
        .extracting(CarveFinding.CarvedSort::extension, CarveFinding.CarvedSort::files)
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

    RescueFinding verified = (RescueFinding) run(RunKind.VERIFY_IMAGE, image).found();

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

    CopyErasedFinding erased = (CopyErasedFinding) run(RunKind.ERASE_COPY, image).found();

    assertThat(erased.files()).isEqualTo(3); // image, map, and whose it is
    assertThat(erased.left()).isZero();
    assertThat(isZero(second)).isTrue();
    assertThat(folder.resolve("copies/J-2291/drive-a")).doesNotExist();
    assertThat(run(RunKind.ERASE_COPY, image).why()).isEqualTo("there is no copy of it here");
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
            Stance.WANTED,
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

  private static final byte[] KEY = Release.key("a token");

  private static final long TB = 1_953_525_168L * 512; // IDEMA LBA1-03 for 1,000 GB
  private static final long GB_240 = 468_862_128L * 512;

  private LinkEvent.RunEnded erase(Release release) throws Exception {
    host.accept(
        new ToProbe.StartRun(
            release.run(), "drive-a", RunKind.ERASE, false, release.stance(), null, release));
    return end(release.run());
  }

  private static Release release(String model, String serial, long size, Stance stance) {
    Instant until = Instant.now().plusSeconds(60);
    return Release.of(
        UUID.randomUUID(), RunKind.ERASE, "drive-a", model, serial, size, stance, until, KEY);
  }

  @Test
  void erasesTheDriveOfItsReleaseAndReadsBackWhatCameOfIt() throws Exception {
    on("sound-drive");
    outbox.keepIdentity("token", "a token");

    LinkEvent.RunEnded end = erase(release("QUAY-240F", "Q24F-90311-K", GB_240, Stance.NOT_WANTED));

    EraseFinding found = (EraseFinding) end.found();
    assertThat(end.end()).as(end.why()).isEqualTo(End.COMPLETE);
    assertThat(found.allZero()).isTrue();
    assertThat(found.writtenBytes()).isEqualTo(GB_240);
    assertThat(found.lookedAt()).isEqualTo(3_000);
    assertThat(found.notErasedAtMost()).isEqualTo(0.001); // the rule of three: 3 of 3,000
    SurveyFinding after = (SurveyFinding) run(RunKind.SURVEY, null).found();
    assertThat(after.reason()).isEqualTo("blank");
  }

  /** What a failing disk does not take is told, not passed over. */
  @Test
  void saysWhatADriveDidNotTake() throws Exception {
    on("worn-disk");
    outbox.keepIdentity("token", "a token");

    EraseFinding found =
        (EraseFinding)
            erase(release("HELM-1000S", "OS7K-44019-B", TB, Stance.COPY_VERIFIED)).found();

    assertThat(found.allZero()).isFalse();
    assertThat(found.refusedBytes()).isPositive();
    assertThat(found.writtenBytes() + found.refusedBytes()).isEqualTo(TB);
  }

  @Test
  void writesNothingWithoutAReleaseForJustThisDrive() throws Exception {
    on("sound-drive");
    outbox.keepIdentity("token", "a token");
    Release good = release("QUAY-240F", "Q24F-90311-K", GB_240, Stance.NOT_WANTED);
    List<Release> wrong =
        List.of(
            release("HELM-1000S", "OS7K-44019-B", TB, Stance.NOT_WANTED), // of another drive
            release("QUAY-240F", "Q24F-90311-K", TB, Stance.NOT_WANTED),
            release("QUAY-240F", "Q24F-90311-K", GB_240, Stance.WANTED),
            Release.of(
                UUID.randomUUID(),
                RunKind.ERASE,
                "drive-a",
                "QUAY-240F",
                "Q24F-90311-K",
                GB_240,
                Stance.NOT_WANTED,
                Instant.now().minusSeconds(1),
                KEY),
            Release.of(
                UUID.randomUUID(),
                RunKind.ERASE,
                "drive-a",
                "QUAY-240F",
                "Q24F-90311-K",
                GB_240,
                Stance.NOT_WANTED,
                good.until(),
                Release.key("somebody else's token")));

    for (Release release : wrong) {
      LinkEvent.RunEnded end = erase(release);
      assertThat(end.end()).isEqualTo(End.COULD_NOT_RUN);
      assertThat(end.why()).startsWith("refused by the probe: ");
    }
    UUID replayed = UUID.randomUUID();
    host.accept(
        new ToProbe.StartRun(
            replayed, "drive-a", RunKind.ERASE, false, Stance.NOT_WANTED, null, good));
    assertThat(end(replayed).why()).contains("the release is for something else");
    SurveyFinding after = (SurveyFinding) run(RunKind.SURVEY, null).found();
    assertThat(after.reason()).isEqualTo("healthy");
  }

  @Test
  void neverWritesToWhatTheRunningSystemLiesOn() throws Exception {
    MachineUnderTest bench = new SimMachines().open("sim:sound-drive,0,6000").orElseThrow();
    MachineUnderTest.Drive d = bench.drives().get(0);
    MachineUnderTest.Drive own =
        new MachineUnderTest.Drive(
            d.key(),
            d.slot(),
            d.pages(),
            d.surface(),
            d.selfTests(),
            d.bytes(),
            Optional.of(
                new MachineUnderTest.WriterOpener() {
                  @Override
                  public Optional<String> offLimits() {
                    return Optional.of("the running system lies on it");
                  }

                  @Override
                  public DriveWriter open() {
                    throw new AssertionError("opened for writing");
                  }
                }));
    on("sound-drive");
    host.close();
    outbox.keepIdentity("token", "a token");
    host =
        new RunHost(
            new MachineUnderTest() {
              @Override
              public Description describe() {
                return bench.describe();
              }

              @Override
              public List<Drive> drives() {
                return List.of(own);
              }
            },
            outbox,
            folder.resolve("data"),
            folder.resolve("copies"),
            Clock.systemUTC(),
            told::add,
            () -> {});

    assertThat(erase(release("QUAY-240F", "Q24F-90311-K", GB_240, Stance.NOT_WANTED)).why())
        .isEqualTo("refused by the probe: the running system lies on it");
  }

  private LinkEvent.RunEnded mend(RunKind kind, RunKind releasedFor) throws Exception {
    DriveIdentity id = WhoIsIt.ask(machine.drives().get(0)).orElseThrow();
    Release release =
        Release.of(
            UUID.randomUUID(),
            releasedFor,
            "drive-a",
            id.model(),
            id.serial(),
            id.capacityBytes().getAsLong(),
            Stance.COPY_VERIFIED,
            Instant.now().plusSeconds(60),
            KEY);
    host.accept(
        new ToProbe.StartRun(
            release.run(),
            "drive-a",
            kind,
            false,
            release.stance(),
            new CopyOrder(JOB, null, List.of()),
            release));
    return end(release.run());
  }

  private byte[] beginning() throws IOException {
    try (ByteSource disk = machine.drives().get(0).bytes().orElseThrow().open()) {
      return disk.read(0, 4 << 20).orElseThrow();
    }
  }

  @Test
  void putsABootSectorBackFromItsCopyAndTakesThatBack() throws Exception {
    on("outside-disk");
    outbox.keepIdentity("token", "a token");
    byte[] before = beginning();
    assertThat(mend(RunKind.MEND, RunKind.ERASE).why())
        .isEqualTo("refused by the probe: the release is for something else");
    assertThat(mend(RunKind.TAKE_BACK, RunKind.TAKE_BACK).why()).contains("no mending");
    assertThat(beginning()).isEqualTo(before);

    LinkEvent.RunEnded mended = mend(RunKind.MEND, RunKind.MEND);

    MendFinding found = (MendFinding) mended.found();
    assertThat(mended.end()).as(mended.why()).isEqualTo(End.COMPLETE);
    assertThat(found.whole()).isTrue();
    assertThat(found.pieces())
        .extracting(MendFinding.PieceNote::offset)
        .containsExactly(2048L * 512); // where the partition begins
    SurveyFinding after = (SurveyFinding) run(RunKind.SURVEY, null).found();
    assertThat(after.reason()).isEqualTo("healthy");
    assertThat(mend(RunKind.MEND, RunKind.MEND).why()).contains("nothing here is damaged");

    MendFinding back = (MendFinding) mend(RunKind.TAKE_BACK, RunKind.TAKE_BACK).found();

    assertThat(back.whole()).isTrue();
    assertThat(beginning()).isEqualTo(before);
    assertThat(mend(RunKind.TAKE_BACK, RunKind.TAKE_BACK).why()).contains("no mending");
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
    assertThat(refused.why()).contains("holds the copy of another drive").contains("Q24F-90311-K");
    try (Stream<Path> jobs = Files.list(folder.resolve("copies"))) {
      assertThat(jobs).hasSize(1);
    }
  }
}

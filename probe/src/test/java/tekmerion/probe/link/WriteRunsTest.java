package tekmerion.probe.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.DriveWriter;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.ReadResult;
import tekmerion.link.CopyOrder;
import tekmerion.link.DriveSeen;
import tekmerion.link.EraseResult;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.MendResult;
import tekmerion.link.Release;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.sim.SimMachines;
import tekmerion.words.Words;

/**
 * What is written to a drive: only with a release for just this, and only what can be undone or was
 * given up.
 */
class WriteRunsTest extends RunBench {
  private static final long TB = 1_953_525_168L * 512; // IDEMA LBA1-03 for 1,000 GB
  private static final long GB_240 = 468_862_128L * 512;

  private LinkEvent.RunEnded erase() throws Exception {
    UUID id = UUID.randomUUID();
    host.accept(
        new ToProbe.StartRun(id, "drive-a", RunKind.ERASE, false, DataStatus.NOT_WANTED, null));
    return end(id);
  }

  @Test
  void erasesTheDriveOfItsReleaseAndReadsBackWhatCameOfIt() throws Exception {
    on("sound-drive");
    released(RunKind.ERASE, DataStatus.NOT_WANTED);

    LinkEvent.RunEnded end = erase();

    EraseResult found = (EraseResult) end.result();
    assertThat(end.end()).as(end.why()).isEqualTo(End.COMPLETE);
    assertThat(end.drive()).isEqualTo(new DriveSeen("QUAY-240F", "Q24F-90311-K", GB_240));
    assertThat(found.allZero()).isTrue();
    assertThat(found.writtenBytes()).isEqualTo(GB_240);
    assertThat(found.lookedAt()).isEqualTo(3_000);
    assertThat(found.notErasedAtMost()).isEqualTo(0.001); // the rule of three: 3 of 3,000
    SurveyResult after = (SurveyResult) run(RunKind.SURVEY, null).result();
    assertThat(after.reason()).isEqualTo("blank");
  }

  /** What a failing disk does not take is told, not passed over. */
  @Test
  void saysWhatADriveDidNotTake() throws Exception {
    on("worn-disk");
    released(RunKind.ERASE, DataStatus.COPY_VERIFIED);

    EraseResult found = (EraseResult) erase().result();

    assertThat(found.allZero()).isFalse();
    assertThat(found.refusedBytes()).isPositive();
    assertThat(found.writtenBytes() + found.refusedBytes()).isEqualTo(TB);
  }

  private static Release changed(Release r, UUID run, RunKind kind, String key, DriveSeen drive) {
    return Release.of(
        run, kind, key, drive, r.status(), r.content(), r.nonce(), r.validForMs(), KEY);
  }

  /** Each is signed by the server, for something else; or by somebody else. */
  @Test
  void writesNothingWithoutAReleaseForJustThis() throws Exception {
    on("sound-drive");
    released(RunKind.ERASE, DataStatus.NOT_WANTED);
    DriveSeen other = new DriveSeen("HELM-1000S", "OS7K-44019-B", TB);
    DriveSeen larger = new DriveSeen("QUAY-240F", "Q24F-90311-K", TB);
    UUID another = UUID.randomUUID();
    List<UnaryOperator<Release>> wrong =
        List.of(
            r -> changed(r, another, r.kind(), "drive-a", r.drive()),
            r -> changed(r, r.run(), RunKind.MEND, "drive-a", r.drive()),
            r -> changed(r, r.run(), r.kind(), "drive-b", r.drive()),
            r -> changed(r, r.run(), r.kind(), "drive-a", other),
            r -> changed(r, r.run(), r.kind(), "drive-a", larger),
            r ->
                Release.of(
                    r.run(),
                    r.kind(),
                    "drive-a",
                    r.drive(),
                    DataStatus.WANTED,
                    null,
                    r.nonce(),
                    15_000,
                    KEY),
            r ->
                Release.of(
                    r.run(),
                    r.kind(),
                    "drive-a",
                    r.drive(),
                    r.status(),
                    null,
                    r.nonce(),
                    15_000,
                    Release.key(new byte[32], another)));
    for (UnaryOperator<Release> mistake : wrong) {
      desk =
          asked ->
              new ToProbe.ReleaseGiven(
                  mistake.apply(release(asked, RunKind.ERASE, DataStatus.NOT_WANTED)));
      LinkEvent.RunEnded end = erase();
      assertThat(end.end()).isEqualTo(End.COULD_NOT_RUN);
      assertThat(Words.read(end.why())).startsWith("refused by the probe: ");
    }
    desk = asked -> new ToProbe.ReleaseRefused(asked.requestId(), asked.nonce(), "It is wanted.");
    assertThat(Words.read(erase().why())).isEqualTo("refused by the probe: It is wanted.");
    SurveyResult after = (SurveyResult) run(RunKind.SURVEY, null).result();
    assertThat(after.reason()).isEqualTo("healthy");
  }

  /** What was copied is not what is there any more: found by the probe's own eyes. */
  @Test
  void writesNothingToADriveThatHoldsSomethingElseThanWasSurveyed() throws Exception {
    on("sound-drive");
    released(RunKind.ERASE, DataStatus.COPY_VERIFIED);
    SurveyResult found = (SurveyResult) run(RunKind.SURVEY, null).result();
    desk = asked -> new ToProbe.ReleaseGiven(holding(asked, "0".repeat(64)));
    assertThat(Words.read(erase().why())).contains("does not hold any more what was surveyed");
    assertThat(((SurveyResult) run(RunKind.SURVEY, null).result()).contentSha())
        .isEqualTo(found.contentSha());

    desk = asked -> new ToProbe.ReleaseGiven(holding(asked, found.contentSha()));
    assertThat(erase().end()).isEqualTo(End.COMPLETE);
  }

  private static Release holding(ToServer.ReleaseAsked asked, String content) {
    return Release.of(
        asked.requestId(),
        RunKind.ERASE,
        "drive-a",
        asked.drive(),
        DataStatus.COPY_VERIFIED,
        content,
        asked.nonce(),
        15_000,
        KEY);
  }

  /** An answer that was recorded once is none to a later question: its nonce is another one. */
  @Test
  void aReleaseIsGoodForOneQuestionOnly() throws Exception {
    on("sound-drive");
    released(RunKind.ERASE, DataStatus.NOT_WANTED);
    List<Release> recorded = new CopyOnWriteArrayList<>();
    desk =
        asked -> {
          recorded.add(release(asked, RunKind.ERASE, DataStatus.NOT_WANTED));
          return new ToProbe.ReleaseRefused(asked.requestId(), asked.nonce(), "no");
        };
    erase();
    desk =
        asked -> {
          Release old = recorded.get(0);
          host.accept(new ToProbe.ReleaseGiven(old)); // nobody asked this any more
          return new ToProbe.ReleaseRefused(asked.requestId(), asked.nonce(), "still no");
        };
    assertThat(Words.read(erase().why())).isEqualTo("refused by the probe: still no");
    SurveyResult after = (SurveyResult) run(RunKind.SURVEY, null).result();
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
    on(having(bench, own));
    released(RunKind.ERASE, DataStatus.NOT_WANTED);

    assertThat(Words.read(erase().why()))
        .isEqualTo("refused by the probe: the running system lies on it");
  }

  private LinkEvent.RunEnded mend(RunKind kind, RunKind releasedFor) throws Exception {
    released(releasedFor, DataStatus.COPY_VERIFIED);
    UUID id = UUID.randomUUID();
    host.accept(
        new ToProbe.StartRun(
            id,
            "drive-a",
            kind,
            false,
            DataStatus.COPY_VERIFIED,
            new CopyOrder(JOB, null, List.of())));
    return end(id);
  }

  private byte[] beginning() throws IOException {
    try (ByteSource disk = machine.drives().get(0).bytes().orElseThrow().open()) {
      return disk.bytes(0, 4 << 20).orElseThrow();
    }
  }

  @Test
  void putsABootSectorBackFromItsCopyAndTakesThatBack() throws Exception {
    on("outside-disk");
    byte[] before = beginning();
    assertThat(Words.read(mend(RunKind.MEND, RunKind.ERASE).why()))
        .isEqualTo("refused by the probe: the release is for something else");
    assertThat(Words.read(mend(RunKind.TAKE_BACK, RunKind.TAKE_BACK).why())).contains("no mending");
    assertThat(beginning()).isEqualTo(before);

    LinkEvent.RunEnded mended = mend(RunKind.MEND, RunKind.MEND);

    MendResult found = (MendResult) mended.result();
    assertThat(mended.end()).as(mended.why()).isEqualTo(End.COMPLETE);
    assertThat(found.whole()).isTrue();
    assertThat(found.pieces())
        .extracting(MendResult.PieceNote::offset)
        .containsExactly(2048L * 512); // where the partition begins
    SurveyResult after = (SurveyResult) run(RunKind.SURVEY, null).result();
    assertThat(after.reason()).isEqualTo("healthy");
    assertThat(Words.read(mend(RunKind.MEND, RunKind.MEND).why()))
        .contains("nothing here is damaged");

    MendResult back = (MendResult) mend(RunKind.TAKE_BACK, RunKind.TAKE_BACK).result();

    assertThat(back.whole()).isTrue();
    assertThat(beginning()).isEqualTo(before);
    assertThat(Words.read(mend(RunKind.TAKE_BACK, RunKind.TAKE_BACK).why())).contains("no mending");
  }

  private static MachineUnderTest having(MachineUnderTest bench, MachineUnderTest.Drive drive) {
    return new MachineUnderTest() {
      @Override
      public Description describe() {
        return bench.describe();
      }

      @Override
      public List<Drive> drives() {
        return List.of(drive);
      }
    };
  }

  /** A drive as it tells of itself, whose bytes are these; the rest of it is zero. */
  private static final class Cut implements ByteSource {
    private final TreeMap<Long, byte[]> sectors = new TreeMap<>();
    private int writesLeft = Integer.MAX_VALUE;

    void put(long offset, byte[] bytes) {
      for (int i = 0; i < bytes.length; i += 512) {
        sectors.put(offset + i, Arrays.copyOfRange(bytes, i, i + 512));
      }
    }

    @Override
    public long sizeBytes() {
      return GB_240;
    }

    @Override
    public int sectorBytes() {
      return 512;
    }

    @Override
    public ReadResult read(long offset, int length) {
      long from = offset / 512 * 512;
      byte[] whole = new byte[(int) (offset - from) + length + 512];
      sectors
          .subMap(from, offset + length)
          .forEach((at, s) -> System.arraycopy(s, 0, whole, (int) (at - from), 512));
      return ReadResult.data(
          Arrays.copyOfRange(whole, (int) (offset - from), (int) (offset - from) + length), 0);
    }

    @Override
    public void close() {
      // stays as it is
    }

    MachineUnderTest.WriterOpener writer() {
      return new MachineUnderTest.WriterOpener() {
        @Override
        public Optional<String> offLimits() {
          return Optional.empty();
        }

        @Override
        public DriveWriter open() {
          return new DriveWriter() {
            @Override
            public void write(long offset, byte[] bytes) throws IOException {
              if (writesLeft-- <= 0) {
                throw new IOException("its cable fell out");
              }
              put(offset, bytes);
            }

            @Override
            public void flush() {
              // at once
            }

            @Override
            public void close() {
              // nothing is open
            }
          };
        }
      };
    }
  }

  /**
   * A GPT by sfdisk, moved onto a drive of another size by what mends it; then its beginning gone.
   */
  private Cut withLostTable() throws Exception {
    Path file = folder.resolve("table.img");
    try (RandomAccessFile sparse = new RandomAccessFile(file.toFile(), "rw")) {
      sparse.setLength(GB_240);
    }
    Process sfdisk =
        new ProcessBuilder("/usr/sbin/sfdisk", "-q", file.toString())
            .redirectErrorStream(true)
            .start();
    sfdisk.getOutputStream().write("label: gpt\nstart=2048, size=8192\n".getBytes());
    sfdisk.getOutputStream().close();
    assertThat(sfdisk.waitFor()).isZero();
    Cut drive = new Cut();
    try (RandomAccessFile table = new RandomAccessFile(file.toFile(), "r")) {
      byte[] copy = new byte[33 * 512];
      table.seek(GB_240 - copy.length);
      table.readFully(copy);
      drive.put(GB_240 - copy.length, copy);
    }
    return drive;
  }

  private void onDrive(Cut drive) {
    MachineUnderTest bench = new SimMachines().open("sim:sound-drive,0,6000").orElseThrow();
    MachineUnderTest.Drive d = bench.drives().get(0);
    on(
        having(
            bench,
            new MachineUnderTest.Drive(
                d.key(),
                d.slot(),
                d.pages(),
                d.surface(),
                d.selfTests(),
                Optional.of(() -> drive),
                Optional.of(drive.writer()))));
  }

  /**
   * The second of two pieces is refused: what was written and what was not are told, and undone.
   */
  @Test
  void aMendingThatBrokeOffSaysSoAndIsTakenBack() throws Exception {
    Cut drive = withLostTable();
    onDrive(drive);
    TreeMap<Long, byte[]> before = new TreeMap<>(drive.sectors);
    drive.writesLeft = 1;

    LinkEvent.RunEnded broke = mend(RunKind.MEND, RunKind.MEND);

    MendResult found = (MendResult) broke.result();
    assertThat(found.pieces()).hasSize(2); // header with its list; protective MBR
    assertThat(found.written()).isEqualTo(1);
    assertThat(found.whole()).isFalse();
    assertThat(Words.read(broke.why()))
        .contains("its cable fell out")
        .contains("can be taken back");
    assertThat(found.keptIn()).isEqualTo("J-2291/drive-a");

    drive.writesLeft = Integer.MAX_VALUE;
    MendResult back = (MendResult) mend(RunKind.TAKE_BACK, RunKind.TAKE_BACK).result();

    assertThat(back.whole()).isTrue();
    assertThat(drive.bytes(0, 1 << 20)).contains(new byte[1 << 20]);
    assertThat(drive.sectors.tailMap(1L << 20)).hasSameSizeAs(before);
  }

  /** Between mending and taking back somebody wrote there: that is not written over. */
  @Test
  void nothingIsTakenBackOverWhatSomebodyWroteSince() throws Exception {
    Cut drive = withLostTable();
    onDrive(drive);
    assertThat(((MendResult) mend(RunKind.MEND, RunKind.MEND).result()).whole()).isTrue();
    byte[] theirs = new byte[512];
    theirs[9] = 7;
    drive.put(0, theirs);

    LinkEvent.RunEnded refused = mend(RunKind.TAKE_BACK, RunKind.TAKE_BACK);

    assertThat(refused.end()).isEqualTo(End.COULD_NOT_RUN);
    assertThat(Words.read(refused.why()))
        .contains("nothing was written: at byte 0 stands something else");
    assertThat(drive.bytes(0, 512)).contains(theirs);
  }
}

package tekmerion.link;

import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.time.Instant;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.params.provider.Arguments;
import tekmerion.core.page.RawPage;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;

/** One message of every kind that goes over the bench link, with every field filled. */
final class Messages {
  private Messages() {}

  static final UUID ID = UUID.fromString("3f1d6a52-6c83-4e2b-9a5e-0c52e7d61b11");
  static final String NONCE = "0123456789abcdef".repeat(2);
  static final String SHA = "ab".repeat(32);
  static final DriveSeen DISK = disk("HELM-1000S", "19-B", 9);
  static final byte[] KEY = Release.key(new byte[32], ID);
  static final Instant NOON = Instant.parse("2026-11-23T12:00:00Z");
  static final MachineNote MACHINE =
      new MachineNote(
          "Ostrel",
          "17",
          "",
          "bench",
          List.of(new MachineNote.DriveNote("drive-a", "Drive A")),
          List.of(RunKind.BOARD, MachineNote.MEMORY));

  static DriveSeen disk(String model, String serial, long bytes) {
    return new DriveSeen(model, serial, bytes);
  }

  static PageNote page(PageAnswer answer) {
    return PageNote.of(PageKind.ATA_SMART, answer);
  }

  static final ToServer.Event READ =
      new ToServer.Event(
          7,
          new LinkEvent.PartRead(
              ID,
              ID,
              "drive-a",
              NOON,
              List.of(
                  page(new PageAnswer.Got(new RawPage(new byte[] {1, 2, 3}))),
                  PageNote.of(PageKind.ATA_IDENTIFY, new PageAnswer.NotReported("no such page")),
                  PageNote.of(PageKind.ATA_THRESHOLDS, new PageAnswer.CouldNotRun("timed out")))));

  static final SurfaceScanResult SURFACE =
      new SurfaceScanResult(
          1_000_204_886_016L,
          512,
          1_000,
          0.61,
          610_000_000_000L,
          1_000,
          2,
          0.0063,
          List.of(new SurfaceScanResult.ZoneNote(3, 6_100, 9_000, 14_000, 1, 2)),
          List.of(4),
          List.of(new SurfaceScanResult.BadNote(5_900_000, 2)));

  static final RunResult MARCH =
      new MemoryTestResult(
          "March SS",
          List.of("MATS+"),
          1L << 30,
          "1,024 of 8,192 MiB",
          1,
          4,
          Collections.nCopies(64, 2),
          Map.of("stuck-at", 1),
          List.of(new MemoryTestResult.FaultStretch(5, 9, 2)),
          "1 faulty bit",
          null);

  static final RunResult DISCHARGE =
      new DischargeResult(
          List.of(Arrays.asList(0.0, 12.1, 1.2, null), List.of(5.0, 12.0, 1.3, 31.2)),
          5,
          new DischargeResult.MeasuredRange(2.1, 2.0, 2.2),
          null,
          null,
          0,
          1,
          40,
          true,
          4.4,
          null,
          0.98,
          null,
          3.1);

  static final RunResult CHARGE =
      new ChargeResult(
          List.of(List.of(0.0, 12.1, -1.8, 24.0), Arrays.asList(5.0, 12.0, 0.3, null)),
          1,
          1.8,
          0.3,
          "normal",
          4.4,
          null);

  static final RunResult LOAD =
      new LoadResult(
          1,
          Map.of("cpu", List.of(0.2, 0.3)),
          List.of(new LoadResult.ProgramAtWork("indexer", 0.4, null)),
          Map.of("sda", new LoadResult.DriveAtWork(0.97, 3.1, 44.0, 1e6)),
          0.4,
          null,
          List.of(50L, 400L, 2_000L));

  static final SurveyResult SURVEY =
      new SurveyResult(
          1L << 40,
          "mbr",
          "damaged-boot-sector",
          "The boot sector is damaged",
          "Image it first",
          0,
          List.of(
              new SurveyResult.VolumeNote(
                  1,
                  "",
                  1 << 20,
                  1L << 39,
                  "exFAT",
                  false,
                  "CHOIR",
                  null,
                  null,
                  List.of(new SurveyResult.DamageNote("lost", 1 << 20, 512, 6144L)),
                  true,
                  2,
                  700,
                  List.of(new SurveyResult.FolderNote("", 2, 700, true)),
                  List.of())),
          List.of());

  static final RescueResult RESCUE =
      new RescueResult(
          "sector by sector",
          true,
          "+.?/-",
          "+ !==",
          1L << 40,
          5_000,
          3_000,
          512,
          1_024,
          List.of(new RescueResult.LostFile("a/b.pdf", 900, 512)),
          1L,
          0.99,
          "5e",
          null,
          "J-2291/drive-a");

  static final FileCopyResult FILES =
      new FileCopyResult(
          true,
          List.of("Scores"),
          3,
          900,
          1,
          300,
          List.of(new FileCopyResult.FailedFile("Scores/x.pdf", 300, true, "12 bytes")),
          1,
          "Scores/y.pdf",
          "J-2291/drive-a");

  static ToServer.Event ended(RunKind kind, RunResult found) {
    return new ToServer.Event(
        9,
        new LinkEvent.RunEnded(
            ID,
            kind.partKey().orElse("drive-a"),
            kind,
            NOON,
            NOON.plusSeconds(60),
            LinkEvent.End.COMPLETE,
            "",
            found));
  }

  private static final Enrolment.Granted GRANTED =
      new Enrolment.Granted(ID.toString(), "t".repeat(43), "bay 1", "0".repeat(64));

  static Stream<Arguments> messages() {
    return Stream.of(
        arguments(
            "to-server",
            ToServer.class,
            new ToServer.Hello(BenchLink.PROTOCOL, "0.1.0", MACHINE, 6)),
        arguments("to-server", ToServer.class, READ),
        arguments(
            "to-server",
            ToServer.class,
            new ToServer.Event(8, new LinkEvent.CommandRefused(ID, NOON, "no such drive"))),
        arguments("to-server", ToServer.class, new ToServer.Progress(ID, 1, 3, "reading")),
        arguments("to-probe", ToProbe.class, new ToProbe.Welcome(BenchLink.PROTOCOL, "bay 1", 6)),
        arguments("to-probe", ToProbe.class, new ToProbe.Acknowledge(7)),
        arguments("to-probe", ToProbe.class, new ToProbe.Resend(4)),
        arguments("to-probe", ToProbe.class, new ToProbe.ReadPart(ID, "drive-a")),
        arguments(
            "to-probe",
            ToProbe.class,
            new ToProbe.StartRun(
                ID, "drive-a", RunKind.SURFACE_SCAN, true, DataStatus.WANTED, null)),
        arguments(
            "to-probe",
            ToProbe.class,
            new ToProbe.StopRun(ID, "drive-a", RunKind.SURFACE_SCAN, true)),
        arguments(
            "to-server",
            ToServer.class,
            new ToServer.RunProgress(ID, 0.61, 4_000, 720, 610_000_000_000L, SURFACE)),
        arguments(
            "to-server",
            ToServer.class,
            new ToServer.RunProgress(
                ID,
                0.5,
                60,
                9,
                -1,
                new CarveResult(
                    1 << 20,
                    2 << 20,
                    List.of(new CarveResult.CarvedSort("jpg", 2, 4_321_000)),
                    List.of(
                        new CarveResult.CarvedExample(
                            "00000001048576.jpg", "jpg", 2_100_000, "every segment", "/9j/4A=="),
                        new CarveResult.CarvedExample("00000009.pdf", "pdf", 9, "its table", null)),
                    0,
                    "J-2291/drive-a/files-by-content"))),
        arguments(
            "to-server",
            ToServer.class,
            new ToServer.Event(
                7,
                new LinkEvent.RunEnded(
                    ID,
                    "drive-a",
                    RunKind.SURFACE_SCAN,
                    Instant.parse("2026-11-20T10:00:00Z"),
                    Instant.parse("2026-11-20T11:00:00Z"),
                    LinkEvent.End.STOPPED_BY_RULE,
                    "more than 200 sectors cannot be read",
                    SURFACE))),
        arguments(
            "to-server",
            ToServer.class,
            new ToServer.Event(
                8,
                new LinkEvent.RunEnded(
                    ID,
                    "drive-a",
                    RunKind.SELF_TEST_SHORT,
                    Instant.parse("2026-11-20T10:00:00Z"),
                    Instant.parse("2026-11-20T10:02:00Z"),
                    LinkEvent.End.COMPLETE,
                    "",
                    new SelfTestResult(false, "failed at sector 99", 99L)))),
        arguments("to-server", ToServer.class, new ToServer.RunProgress(ID, 0.4, -1, 0, -1, MARCH)),
        arguments("to-server", ToServer.class, ended(RunKind.MEMORY_TEST, MARCH)),
        arguments("to-server", ToServer.class, ended(RunKind.DISCHARGE, DISCHARGE)),
        arguments("to-server", ToServer.class, ended(RunKind.CHARGE, CHARGE)),
        arguments("to-server", ToServer.class, ended(RunKind.LOAD_SAMPLE, LOAD)),
        arguments("to-server", ToServer.class, ended(RunKind.SURVEY, SURVEY)),
        arguments("to-server", ToServer.class, ended(RunKind.RESCUE_IN_USE, RESCUE)),
        arguments("to-server", ToServer.class, ended(RunKind.FILE_COPY, FILES)),
        arguments(
            "to-server",
            ToServer.class,
            ended(RunKind.ERASE_COPY, new CopyErasedResult("J-1/drive-a", 3, 900, 0))),
        arguments(
            "to-server",
            ToServer.class,
            ended(RunKind.ERASE, new EraseResult("read back", 9, 8, 1, 5, 0, 1, 0.4))),
        arguments(
            "to-server",
            ToServer.class,
            new ToServer.Event(
                7,
                new LinkEvent.RunEnded(
                    ID,
                    "drive-a",
                    RunKind.MEND,
                    NOON,
                    NOON,
                    LinkEvent.End.COMPLETE,
                    "",
                    new MendResult(
                        "read back",
                        List.of(
                            new MendResult.PieceNote("The boot sector is lost", 1_048_576, 512)),
                        1,
                        List.of(),
                        "J-2291/drive-a",
                        "Its tables and file systems are sound",
                        null)))),
        arguments(
            "to-probe",
            ToProbe.class,
            new ToProbe.ReleaseGiven(
                Release.of(
                    ID,
                    RunKind.ERASE,
                    "drive-a",
                    DISK,
                    DataStatus.NOT_WANTED,
                    null,
                    NONCE,
                    15_000,
                    KEY))),
        arguments(
            "to-probe", ToProbe.class, new ToProbe.ReleaseRefused(ID, NONCE, "It is wanted.")),
        arguments("to-server", ToServer.class, new ToServer.ReleaseAsked(ID, NONCE, DISK)),
        arguments(
            "to-probe",
            ToProbe.class,
            new ToProbe.StartRun(
                ID,
                "drive-a",
                RunKind.FILE_COPY,
                true,
                DataStatus.WANTED,
                new CopyOrder("J-2291", 1, List.of("Scores", "")))),
        arguments(
            "enrolment-request",
            Enrolment.Request.class,
            new Enrolment.Request("K7QX-4M2P", "0.1.0", ID, MACHINE)),
        arguments("enrolment-granted", Enrolment.Granted.class, GRANTED),
        arguments(
            "knock-request",
            Knock.Request.class,
            new Knock.Request("ab".repeat(32), "0.1.0", ID, MACHINE)),
        arguments("knock-heard", Knock.Heard.class, new Knock.Heard(ID, "cd".repeat(32))),
        arguments("knock-opening", Knock.Opening.class, new Knock.Opening("ef".repeat(32))),
        arguments(
            "knock-answer", Knock.Answer.class, new Knock.Answer(Knock.KnockStage.LET_IN, GRANTED)),
        arguments(
            "knock-answer", Knock.Answer.class, new Knock.Answer(Knock.KnockStage.WAITS, null)));
  }
}

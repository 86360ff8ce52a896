package tekmerion.core.weigh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.decision.Course;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.core.weigh.Weighing.Part;

/** On what ships: the order of work is nowhere written, so it is tested where it comes out. */
class NextMovesTest {
  private static final List<Part> DRIVE = List.of(new Part("drive-a", "drive", "drive A"));

  private static Finding seen(String id, String level) {
    return new Finding(id, Finding.MACHINE, level, id, Finding.Basis.intake());
  }

  private static Finding ofDrive(String id, String level) {
    return new Finding(id, "drive-a", level, id, Finding.Basis.intake());
  }

  private static Advice advice(
      String family, DataStatus dataStatus, String decisive, Finding... findings) {
    return NextMoves.of(
        KnowHow.shipped(),
        List.of(family),
        DRIVE,
        List.of(findings),
        NextMoves.Situation.assumed(dataStatus, Optional.ofNullable(decisive), Set.of(), true));
  }

  private static Optional<Ranked> of(Advice advice, String move) {
    return advice.moves().stream().filter(r -> r.move().id().equals(move)).findFirst();
  }

  @ParameterizedTest(name = "{0}, gets to {1}: {2}")
  @CsvSource({
    "error-screen, desktop, read-drive",
    "mount-failure, firmware, read-drive",
    "not-readable, desktop, read-drive",
    "slow, desktop, read-drive",
    "stutter, desktop, latency-sample",
    "battery, desktop, battery-report",
    "dead, nothing, light-fan-beep"
  })
  void theFirstMoveIsAGentleOneThatFitsTheComplaint(String family, String bootStage, String move) {
    Advice advice = advice(family, DataStatus.WANTED, null, seen("boot-stage", bootStage));

    assertThat(advice.moves().get(0).move().id()).isEqualTo(move);
    assertThat(advice.moves().get(0).move().invasiveness())
        .isLessThanOrEqualTo(Invasiveness.NO_TOOLS);
  }

  /** All of it is what the owner said: likely, but nobody has looked. */
  @Test
  void aPartIsNotToBeReplacedBeforeSomebodyHasLooked() {
    List<Finding> told =
        List.of(
            said("kind", "laptop"),
            said("runs-on", "only-with-adapter"),
            said("charge-lasts", "minutes"));
    Advice heard = advice("battery", DataStatus.NOT_WANTED, null, told.toArray(Finding[]::new));
    List<Finding> seen = new ArrayList<>(told);
    seen.add(
        new Finding("battery.health", Finding.MACHINE, "spent", "report", Finding.Basis.move()));
    Advice looked = advice("battery", DataStatus.NOT_WANTED, null, seen.toArray(Finding[]::new));

    assertThat(heard.plans().get(0).courses()).contains(Course.REPLACE_PART);
    assertThat(heard.mayBeSigned()).isFalse();
    assertThat(heard.enough()).isFalse();
    assertThat(looked.mayBeSigned()).isTrue();
  }

  private static Finding said(String finding, String level) {
    return new Finding(finding, Finding.MACHINE, level, finding, Finding.Basis.intake());
  }

  @Test
  void itIsEnoughWhenNoMoveThatCanBeMadeGainsItsMinutes() {
    Advice open = advice("battery", DataStatus.WANTED, null, seen("boot-stage", "desktop"));
    Set<String> done = new HashSet<>();
    open.moves().stream().filter(r -> r.lock().isEmpty()).forEach(r -> done.add(r.id()));
    Advice after =
        NextMoves.of(
            KnowHow.shipped(),
            List.of("battery"),
            DRIVE,
            List.of(seen("boot-stage", "desktop")),
            NextMoves.Situation.assumed(DataStatus.WANTED, Optional.empty(), done, true));

    assertThat(open.enough()).isFalse();
    assertThat(after.moves()).isNotEmpty().allSatisfy(r -> assertThat(r.lock()).isPresent());
    assertThat(after.enough()).isTrue();
  }

  /** Its owner heard clicks: that locks long runs, and only listening opens them. */
  @Test
  void whatOpensALockIsOfferedHoweverLittleItTells() {
    Finding[] settled = {
      seen("noise.clicks", "clicks"),
      ofDrive("drive.self-test", "failed"),
      ofDrive("drive.pending-sectors", "many"),
      ofDrive("drive.surface", "many-unreadable"),
    };
    Finding[] unheard = Arrays.copyOfRange(settled, 1, settled.length);

    assertThat(of(advice("not-readable", DataStatus.WANTED, null, unheard), "drive-listen"))
        .as("by itself it is not worth its minutes")
        .isEmpty();
    assertThat(
            of(advice("not-readable", DataStatus.WANTED, null, settled), "drive-listen")
                .orElseThrow()
                .why())
        .startsWith("Long tests of this part stay locked until this move is made.");
  }

  /** Half a reset leaves neither the old system nor a new one: the gentler rungs are behind it. */
  @Test
  void afterAResetThatFailedComesTheCleanInstallWithWhatThatPresupposes() {
    Finding[] failed = {seen("boot-stage", "recovery"), seen("cure.reset-keeping", "failed")};
    Advice suspect = advice("restart-loop", DataStatus.COPY_VERIFIED, null, failed);

    // A drive makes a reset fail eighteen times as often as chance does: it is looked at first.
    assertThat(of(suspect, "clean-install").orElseThrow().lock().orElseThrow().reason())
        .containsIgnoringCase("drive");

    Finding[] sound = {
      failed[0],
      failed[1],
      ofDrive("drive.self-test", "passed"),
      ofDrive("drive.surface", "clean"),
      ofDrive("drive.pending-sectors", "none"),
      ofDrive("drive.reallocated", "none"),
      ofDrive("drive.uncorrectable", "none"),
    };
    Ranked next = advice("restart-loop", DataStatus.COPY_VERIFIED, null, sound).moves().get(0);
    assertThat(next.move().id()).isEqualTo("clean-install");
    assertThat(next.why())
        .startsWith("“Reset the system, keeping files” broke off. This move comes next.")
        .contains("a verified copy, or data that nobody wants")
        .contains("hardware that is not under suspicion");

    Ranked wanted =
        of(advice("restart-loop", DataStatus.WANTED, null, sound), "clean-install").orElseThrow();
    assertThat(wanted.lock().orElseThrow().reason()).contains("the data on drive A is wanted");
  }

  @Test
  void onceItIsMendedTheComplaintIsNotTriedOnOtherThings() {
    Finding rolledBack = seen("cure.roll-back", "gone");
    Advice before =
        advice("error-screen", DataStatus.COPY_VERIFIED, null, seen("boot-stage", "desktop"));
    Advice after =
        advice(
            "error-screen",
            DataStatus.COPY_VERIFIED,
            null,
            seen("boot-stage", "desktop"),
            rolledBack);
    Advice back =
        advice(
            "error-screen",
            DataStatus.COPY_VERIFIED,
            null,
            seen("boot-stage", "desktop"),
            seen("cure.roll-back", "same"));

    assertThat(of(before, "bench-start")).isPresent();
    assertThat(after.moves())
        .isNotEmpty()
        .allSatisfy(
            r -> assertThat(r.move().tells()).allSatisfy(t -> assertThat(t.complaint()).isNull()));
    assertThat(of(back, "bench-start")).isPresent();
  }

  @Test
  void nothingThatWritesIsOpenBeforeTheDataIsSafe() {
    for (DataStatus dataStatus :
        List.of(DataStatus.NOT_ASKED, DataStatus.WANTED, DataStatus.COPIED)) {
      Advice advice = advice("restart-loop", dataStatus, null, seen("boot-stage", "recovery"));

      assertThat(advice.moves())
          .filteredOn(r -> r.move().invasiveness().endangersData())
          .isNotEmpty()
          .allSatisfy(r -> assertThat(r.lock()).isPresent());
    }
  }

  @Test
  void softwareWaitsForSuspectHardware() {
    Finding[] failing = {seen("boot-stage", "recovery"), ofDrive("drive.pending-sectors", "many")};
    Finding[] sound = {
      seen("boot-stage", "recovery"),
      seen("restart.after", "same"),
      ofDrive("drive.report", "sound"),
      ofDrive("drive.pending-sectors", "none"),
      ofDrive("drive.reallocated", "none"),
      ofDrive("drive.self-test", "passed"),
      ofDrive("drive.surface", "clean"),
      seen("march.errors", "none")
    };

    Ranked waits =
        of(advice("restart-loop", DataStatus.COPY_VERIFIED, null, failing), "roll-back")
            .orElseThrow();
    assertThat(waits.lock().orElseThrow().reason())
        .startsWith("Hardware before software: failing drive");
    assertThat(of(advice("restart-loop", DataStatus.COPY_VERIFIED, null, sound), "roll-back"))
        .hasValueSatisfying(r -> assertThat(r.lock()).isEmpty());
  }

  @Test
  void whatLoadsADriveIsLockedOnceItSurelyFails() {
    Advice advice =
        advice("slow", DataStatus.WANTED, "It refuses every write.", seen("boot-stage", "desktop"));

    assertThat(of(advice, "surface-scan").orElseThrow().lock().orElseThrow().reason())
        .contains("drive A must be spared");
    assertThat(of(advice, "read-drive").orElseThrow().lock()).isEmpty();
  }

  @Test
  void tooLittleReachNamesTheDetour() {
    Ranked records =
        of(
                advice("error-screen", DataStatus.WANTED, null, seen("boot-stage", "firmware")),
                "stop-records")
            .orElseThrow();

    assertThat(records.lock().orElseThrow().opens())
        .isEqualTo("Detour: start it from our boot medium.");
  }

  @Test
  void theCheapestPlanForAFailingDriveSecuresTheDataFirst() {
    Finding[] findings = {seen("boot-stage", "loader"), ofDrive("drive.pending-sectors", "many")};
    Advice wanted = advice("mount-failure", DataStatus.WANTED, null, findings);
    Advice given = advice("mount-failure", DataStatus.NOT_WANTED, null, findings);

    assertThat(wanted.plans().get(0).courses())
        .startsWith(Course.RECOVER_DATA)
        .contains(Course.REPLACE_PART);
    assertThat(given.plans().get(0).courses()).doesNotContain(Course.RECOVER_DATA);
    assertThat(wanted.plans()).hasSizeBetween(2, 3);
    assertThat(wanted.plans().get(1).cost()).isGreaterThanOrEqualTo(wanted.plans().get(0).cost());
  }

  @Test
  void whatPresupposesACopyWaitsForIt() {
    Finding bootStage = seen("boot-stage", "desktop");

    // Changes settings: no gate on writing locks it, but what it presupposes does.
    assertThat(
            of(advice("not-seen", DataStatus.WANTED, null, bootStage), "firmware-renew")
                .orElseThrow()
                .lock()
                .orElseThrow()
                .reason())
        .startsWith("This move is only for a drive with nothing to lose");
    assertThat(of(advice("not-seen", DataStatus.COPY_VERIFIED, null, bootStage), "firmware-renew"))
        .hasValueSatisfying(
            r ->
                assertThat(r.lock().map(l -> l.reason()).orElse("")).doesNotContain("presupposes"));
  }

  @Test
  void aReadingThatGaveAnyFindingWasMade() {
    Advice after =
        advice(
            "slow",
            DataStatus.WANTED,
            null,
            seen("boot-stage", "desktop"),
            ofDrive("drive.report", "sound"));

    assertThat(of(after, "read-drive")).isEmpty();
  }

  @Test
  void onceADriveIsFailingItsDataComesFirst() {
    Finding[] findings = {
      seen("boot-stage", "loader"),
      ofDrive("drive.report", "sound"),
      ofDrive("drive.pending-sectors", "many"),
      ofDrive("drive.reallocated", "some"),
      ofDrive("drive.self-test", "failed"),
      ofDrive("drive.trend", "growing")
    };

    assertThat(
            advice("mount-failure", DataStatus.WANTED, null, findings).moves().get(0).move().id())
        .isEqualTo("rescue-copy");
    assertThat(
            advice("mount-failure", DataStatus.NOT_WANTED, null, findings)
                .moves()
                .get(0)
                .move()
                .id())
        .isNotEqualTo("rescue-copy");
  }

  /** Copying runs a drive for hours at full speed; listening takes a minute. */
  @Test
  void whatItsOwnerHeardClickIsListenedToBeforeItIsCopied() {
    List<Finding> findings = new ArrayList<>();
    findings.add(seen("boot-stage", "loader"));
    findings.add(seen("noise.clicks", "clicks"));
    findings.add(ofDrive("drive.pending-sectors", "many"));
    findings.add(ofDrive("drive.self-test", "failed"));

    Advice before = advice("mount-failure", findings);
    assertThat(before.moves().get(0).move().id()).isEqualTo("drive-listen");
    assertThat(of(before, "rescue-copy").orElseThrow().lock().orElseThrow().opens())
        .contains("listen to drive A");

    findings.add(ofDrive("drive.sound", "normal"));
    assertThat(advice("mount-failure", findings).moves().get(0).move().id())
        .isEqualTo("rescue-copy");
  }

  @Test
  void aLaptopsBatteryIsLookedAtBeforeItIsLoaded() {
    List<Finding> findings = new ArrayList<>();
    findings.add(seen("boot-stage", "desktop"));
    findings.add(seen("kind", "laptop"));

    Advice before = advice("battery", findings);
    assertThat(of(before, "load-steps").orElseThrow().lock()).isPresent();
    assertThat(of(before, "battery-look").orElseThrow().worth())
        .isGreaterThanOrEqualTo(of(before, "load-steps").orElseThrow().worth());

    findings.add(seen("battery.shape", "flat"));
    assertThat(of(advice("battery", findings), "load-steps").orElseThrow().lock()).isEmpty();
  }

  private static Advice advice(String family, List<Finding> findings) {
    return advice(family, DataStatus.WANTED, null, findings.toArray(Finding[]::new));
  }

  @Test
  void whatWasMadeIsNotOfferedAgain() {
    Advice after =
        NextMoves.of(
            KnowHow.shipped(),
            List.of("dead"),
            DRIVE,
            List.of(seen("boot-stage", "nothing")),
            NextMoves.Situation.assumed(
                DataStatus.WANTED, Optional.empty(), Set.of("light-fan-beep@machine"), true));

    assertThat(of(after, "light-fan-beep")).isEmpty();
  }

  /** One swap speaks for the adapter, its voltage against it: the swap is tried once more. */
  @Test
  void whatAPartHangsOnAloneIsLookedAtOnceMore() {
    List<Finding> seen =
        List.of(
            seen("boot-stage", "nothing"),
            seen("kind", "laptop"),
            byHand("power.light", "none"),
            byHand("adapter.voltage", "holds"),
            byHand("socket.contact", "steady"),
            byHand("other-adapter.after", "better"));
    Set<String> done =
        Set.of("light-fan-beep@machine", "adapter-measure@machine", "other-adapter@machine");

    assertThat(of(again(seen, done, false), "other-adapter"))
        .as("where a second look cannot be told from a correction")
        .isEmpty();
    assertThat(of(again(seen, done, true), "other-adapter"))
        .hasValueSatisfying(
            look -> {
              assertThat(look.again()).isTrue();
              assertThat(look.name()).isEqualTo("Once more: try an adapter that is known good");
              assertThat(look.why()).startsWith("The diagnosis rests on one look here.");
            });
    List<Finding> twice = new ArrayList<>(seen);
    twice.add(byHand("other-adapter.after", "better"));
    assertThat(of(again(twice, done, true), "other-adapter"))
        .as("two that agree are enough")
        .isEmpty();
    assertThat(again(twice, done, true).plans().get(0).words()).startsWith("Replace the adapter");
  }

  @Test
  void aProgramIsTakenOutOnceOneWasFound() {
    Finding[] desktop = {seen("boot-stage", "desktop"), byHand("limited.after", "gone")};
    Finding[] found = Arrays.copyOf(desktop, 3);
    found[2] = byHand("load.first", "security");

    assertThat(of(advice("slow", DataStatus.NOT_WANTED, null, desktop), "found-program-out"))
        .isEmpty();
    assertThat(of(advice("slow", DataStatus.NOT_WANTED, null, found), "found-program-out"))
        .isPresent();
  }

  private static Finding byHand(String id, String level) {
    return new Finding(id, Finding.MACHINE, level, id, Finding.Basis.move());
  }

  private static Advice again(List<Finding> seen, Set<String> done, boolean everyLook) {
    NextMoves.Situation once =
        NextMoves.Situation.assumed(DataStatus.WANTED, Optional.empty(), done, true);
    return NextMoves.of(
        KnowHow.shipped(),
        List.of("dead"),
        DRIVE,
        seen,
        new NextMoves.Situation(once.permissions(), done, true, true, everyLook));
  }

  @Test
  void everyLockedMoveSaysWhatOpensIt() {
    List<Ranked> all = new ArrayList<>();
    KnowHow.shipped()
        .families()
        .forEach(f -> all.addAll(advice(f.id(), DataStatus.NOT_ASKED, null).moves()));

    assertThat(all)
        .filteredOn(r -> r.lock().isPresent())
        .allSatisfy(r -> assertThat(r.lock().orElseThrow().opens()).isNotBlank());
    assertThat(all).extracting(r -> r.move().act()).contains(Move.Act.values());
  }

  @Test
  void aCloseCallHangsOnItsLikelihoodsAndAClearOneDoesNot() {
    List<Finding> clear =
        List.of(seen("boot-stage", "loader"), ofDrive("drive.surface", "many-unreadable"));
    List<Finding> close = List.of(seen("boot-stage", "firmware"));
    KnowHow knowHow = KnowHow.shipped();

    assertThat(Sensitivity.of(knowHow, List.of("mount-failure"), DRIVE, clear)).isEmpty();
    assertThat(Sensitivity.of(knowHow, List.of("mount-failure"), DRIVE, close)).isNotEmpty();
    // Halved: the first level takes up what the others lose.
    assertThat(Sensitivity.times(List.of(0.4, 0.4, 0.2), 0.5)).containsExactly(0.7, 0.2, 0.1);
  }
}

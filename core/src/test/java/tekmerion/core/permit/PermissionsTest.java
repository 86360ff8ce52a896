package tekmerion.core.permit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Every situation against every action. What is expected is written out here by hand. */
class PermissionsTest {
  private static final PartIdentity X = new PartIdentity("QUAY-240F", "Q24F-1", 240_057_409_536L);
  private static final PartIdentity Y = new PartIdentity("QUAY-240F", "Q24F-2", 240_057_409_536L);
  private static final DataEvidence VERIFIED = new DataEvidence(true, true, true, List.of(), false);
  private static final DataEvidence COPIED =
      new DataEvidence(true, true, false, DataEvidence.NONE.missing(), false);

  /** A way in which the data on a drive stands, by how it came to that. */
  private enum Data {
    NOT_ASKED,
    WANTED,
    COPIED_NOT_VERIFIED,
    VERIFIED_COPY,
    SIGNED_AWAY,
    SIGNED_AWAY_OF_ANOTHER,
    SAFE_BUT_NOT_IDENTIFIED,
    SAFE_BUT_WANTED_IN_ANOTHER_JOB,
    SAFE_HERE_AND_IN_ANOTHER_JOB;

    boolean isSafe() {
      return this == VERIFIED_COPY || this == SIGNED_AWAY || this == SAFE_HERE_AND_IN_ANOTHER_JOB;
    }
  }

  private static DriveState drive(
      String key, Data data, Optional<String> failing, Optional<String> offLimits) {
    boolean safe = data.name().startsWith("SAFE") || data == Data.VERIFIED_COPY;
    return new DriveState(
        key,
        key,
        data == Data.SAFE_BUT_NOT_IDENTIFIED ? Optional.empty() : Optional.of(X),
        data == Data.NOT_ASKED ? DataStatus.NOT_ASKED : DataStatus.WANTED,
        safe ? VERIFIED : data == Data.COPIED_NOT_VERIFIED ? COPIED : DataEvidence.NONE,
        data == Data.SIGNED_AWAY
            ? List.of(Waiver.ofAll(X))
            : data == Data.SIGNED_AWAY_OF_ANOTHER ? List.of(Waiver.ofAll(Y)) : List.of(),
        data == Data.SAFE_BUT_WANTED_IN_ANOTHER_JOB
            ? List.of(new DriveState.InOtherJob("J-7", DataStatus.WANTED, false))
            : data == Data.SAFE_HERE_AND_IN_ANOTHER_JOB
                ? List.of(new DriveState.InOtherJob("J-7", DataStatus.COPY_VERIFIED, false))
                : List.of(),
        failing,
        offLimits);
  }

  private static final List<Effects> EFFECTS = effects();

  private static List<Effects> effects() {
    List<Effects> all = new ArrayList<>();
    for (Invasiveness invasiveness : Invasiveness.values()) {
      for (int bits = 0; bits < 1 << Load.values().length; bits++) {
        Set<Load> loads = EnumSet.noneOf(Load.class);
        for (Load load : Load.values()) {
          if ((bits >> load.ordinal() & 1) == 1) {
            loads.add(load);
          }
        }
        all.add(new Effects(invasiveness, loads));
      }
    }
    return all;
  }

  /**
   * Two drives, each in 8 ways and failing or not, a battery safe or not, a partEvidence, a proof,
   * what was signed and decided: 8·2·8·2·2·4·4·2·2·2 situations; 48 effects on each of three
   * targets, a write, a decision, a hand-back, an erasing of copies.
   */
  @Test
  void theWholeTable() {
    long rows = 0;
    for (Data first : Data.values()) {
      for (Data second : Data.values()) {
        for (int bits = 0; bits < 16; bits++) {
          boolean firstFails = (bits & 1) != 0;
          boolean secondFails = (bits & 2) != 0;
          boolean swollen = (bits & 4) != 0;
          boolean ended = (bits & 8) != 0;
          Situation at = situation(first, second, firstFails, secondFails, swollen, ended);
          for (Effects effects : EFFECTS) {
            for (String target : List.of("a", "b", Action.WHOLE_MACHINE)) {
              Set<Lock> expected = new TreeSet<>();
              if (ended) {
                expected.add(Lock.JOB_ENDED);
              } else {
                boolean onFirst = !target.equals("b");
                boolean onSecond = !target.equals("a");
                boolean writes =
                    effects.invasiveness() == Invasiveness.WRITES_TO_DRIVE
                        || effects.invasiveness() == Invasiveness.ERASES;
                if (writes && onFirst) {
                  expected.addAll(unsafe(first));
                }
                if (writes && onSecond) {
                  expected.addAll(unsafe(second));
                }
                boolean all = effects.loads().contains(Load.MACHINE);
                boolean works = all || effects.loads().contains(Load.DRIVE);
                if (works && (onFirst || all) && firstFails && isLoaded(first)
                    || works && (onSecond || all) && secondFails && isLoaded(second)) {
                  expected.add(Lock.DRIVE_FAILING);
                }
                if (swollen && effects.loads().contains(Load.BATTERY)) {
                  expected.add(Lock.BATTERY_UNSAFE);
                }
              }
              check(at, new Action.Make(effects, target), expected);
              rows++;
            }
          }
        }
      }
    }
    assertThat(rows).isEqualTo(9L * 9 * 16 * 48 * 3);
  }

  private static Set<Lock> unsafe(Data data) {
    return data.isSafe()
        ? Set.of()
        : switch (data) {
          case SAFE_BUT_NOT_IDENTIFIED -> Set.of(Lock.DRIVE_NOT_IDENTIFIED);
          case SAFE_BUT_WANTED_IN_ANOTHER_JOB -> Set.of(Lock.WANTED_IN_ANOTHER_JOB);
          default -> Set.of(Lock.DATA_NOT_SAFE);
        };
  }

  /** Whose data is safe here may be worked; what another job wants of it is not read to death. */
  private static boolean isLoaded(Data data) {
    return !data.isSafe() && data != Data.SAFE_BUT_WANTED_IN_ANOTHER_JOB;
  }

  private static void check(Situation at, Action action, Set<Lock> expected) {
    Permission answer = Permissions.of(at).of(action);
    if (expected.isEmpty()) {
      assertThat(answer.isOpen()).as("%s in %s", action, at).isTrue();
    } else {
      // A lock that is told is one of those that hold; the table is of those.
      assertThat(answer)
          .as("%s in %s", action, at)
          .isInstanceOfSatisfying(
              Permission.Locked.class,
              locked -> {
                assertThat(expected).contains(locked.lock());
                assertThat(locked.reason()).isNotBlank();
                assertThat(locked.opens()).isNotBlank();
              });
    }
  }

  private static Situation situation(
      Data first,
      Data second,
      boolean firstFails,
      boolean secondFails,
      boolean swollen,
      boolean ended) {
    return new Situation(
        List.of(
            drive("a", first, when(firstFails), Optional.of("")),
            drive("b", second, when(secondFails), Optional.of(""))),
        DataStatus.WANTED,
        swollen ? Optional.of("The battery is swollen.") : Optional.empty(),
        PartEvidence.SEVERAL,
        Proven.NOT_NEEDED,
        false,
        true,
        ended);
  }

  private static Optional<String> when(boolean failing) {
    return failing ? Optional.of("It is out of spares.") : Optional.empty();
  }

  @ParameterizedTest
  @EnumSource(Data.class)
  void aReleaseNeedsSafeDataADecisionAndADriveThatMayBeWrittenTo(Data data) {
    Map<String, Optional<String>> places =
        Map.of(
            "here",
            Optional.of(""),
            "system",
            Optional.of("the system is on it"),
            "no",
            Optional.empty());
    for (boolean decided : new boolean[] {true, false}) {
      for (Invasiveness invasiveness : List.of(Invasiveness.WRITES_TO_DRIVE, Invasiveness.ERASES)) {
        places.forEach(
            (name, offLimits) -> {
              Situation at =
                  new Situation(
                      List.of(drive("a", data, Optional.empty(), offLimits)),
                      DataStatus.WANTED,
                      Optional.empty(),
                      PartEvidence.SEVERAL,
                      Proven.NOT_NEEDED,
                      false,
                      decided,
                      false);
              Set<Lock> expected = new TreeSet<>(unsafe(data));
              if (invasiveness == Invasiveness.ERASES && !decided) {
                expected.add(Lock.NOT_DECIDED);
              }
              if (!name.equals("here")) {
                expected.add(Lock.OFF_LIMITS);
              }
              check(at, new Action.Write(Effects.of(invasiveness), "a", X), expected);
            });
      }
    }
  }

  @Test
  void aDriveThatTookThePlaceOfTheNamedOneIsNotWrittenTo() {
    Situation at = situation(Data.SIGNED_AWAY, Data.WANTED, false, false, false, false);
    check(at, new Action.Write(Effects.of(Invasiveness.ERASES), "a", X), Set.of());
    check(at, new Action.Write(Effects.of(Invasiveness.ERASES), "a", Y), Set.of(Lock.OTHER_DRIVE));
  }

  /** 4 suspicions × 4 proofs × signed or not × old drive said or not. */
  @Test
  void replacingAndHandingBack() {
    for (PartEvidence partEvidence : PartEvidence.values()) {
      for (Proven proven : Proven.values()) {
        for (boolean signed : new boolean[] {true, false}) {
          Situation at =
              new Situation(
                  List.of(),
                  DataStatus.WANTED,
                  Optional.empty(),
                  partEvidence,
                  proven,
                  signed,
                  false,
                  false);
          check(
              at,
              new Action.Decide(Effects.of(Invasiveness.OPENS_CASE), true),
              partEvidence == PartEvidence.ONE_FINDING ? Set.of(Lock.ONE_FINDING_ONLY) : Set.of());
          boolean open = signed || proven == Proven.NOT_NEEDED || proven == Proven.DONE;
          check(at, new Action.HandBack(List.of()), open ? Set.of() : Set.of(Lock.NOT_PROVEN));
          check(
              at, new Action.HandBack(List.of("Replace the drive")), Set.of(Lock.OLD_DRIVE_UNSAID));
        }
      }
    }
  }

  @Test
  void aMachineNoneOfWhoseDrivesIsKnownIsNotWrittenTo() {
    Situation at =
        new Situation(
            List.of(),
            DataStatus.NOT_ASKED,
            Optional.empty(),
            PartEvidence.NONE,
            Proven.NOT_NEEDED,
            false,
            true,
            false);
    for (Invasiveness invasiveness : List.of(Invasiveness.WRITES_TO_DRIVE, Invasiveness.ERASES)) {
      for (Action action :
          List.of(
              new Action.Make(Effects.of(invasiveness), Action.WHOLE_MACHINE),
              new Action.Make(Effects.of(invasiveness), "late"),
              new Action.Write(Effects.of(invasiveness), "late", X),
              new Action.Decide(Effects.of(invasiveness), false))) {
        check(at, action, Set.of(Lock.DRIVE_NOT_IDENTIFIED));
      }
    }
  }

  /** What is destroyed is gone for good: it asks what erasing asks, of that very drive. */
  @ParameterizedTest
  @EnumSource(Data.class)
  void aDriveIsScrappedOnceItsDataIsSafe(Data data) {
    Situation at = situation(Data.SIGNED_AWAY, Data.SIGNED_AWAY, false, false, false, false);
    DriveState old = drive("a", data, Optional.empty(), Optional.empty());

    check(at, new Action.Scrap(old), unsafe(data));
  }

  /** The copy may be all there is: while the job goes on, and once we wrote to the drive. */
  @Test
  void aCopyGoesWhenItIsNotTheOnlyOneOrItsOwnerSigned() {
    for (boolean ended : new boolean[] {true, false}) {
      for (boolean written : new boolean[] {true, false}) {
        for (Optional<WaiverScope> signed :
            List.of(
                Optional.<WaiverScope>empty(),
                Optional.of(WaiverScope.ALL_DATA),
                Optional.of(WaiverScope.COPY_RETURNED))) {
          DriveState drive =
              new DriveState(
                  "a",
                  "a",
                  Optional.of(X),
                  DataStatus.WANTED,
                  new DataEvidence(true, true, true, List.of(), written),
                  signed.stream().map(s -> new Waiver(X, s, List.of())).toList(),
                  List.of(),
                  Optional.empty(),
                  Optional.empty());
          Situation at =
              new Situation(
                  List.of(drive),
                  DataStatus.WANTED,
                  Optional.empty(),
                  PartEvidence.NONE,
                  Proven.NOT_NEEDED,
                  false,
                  true,
                  ended);
          boolean open = signed.isPresent() || ended && !written;
          check(at, new Action.EraseCopy(drive), open ? Set.of() : Set.of(Lock.ONLY_COPY));
        }
      }
    }
  }

  /** What is in no copy can be signed away by name, and nothing beyond it is. */
  @Test
  void whatIsSignedAwayByNameOpensForThatMuchOnly() {
    Holding system = new Holding(HoldingKind.FOLDER, 1, "System", 900, 34_000);
    Holding work = new Holding(HoldingKind.FOLDER, 1, "Work", 90, 100_000);
    Holding grown = new Holding(HoldingKind.FOLDER, 1, "System", 901, 34_001);
    assertThat(status(List.of(system), List.of(system))).isEqualTo(DataStatus.COPY_VERIFIED);
    assertThat(status(List.of(system, work), List.of(system))).isEqualTo(DataStatus.COPIED);
    assertThat(status(List.of(grown), List.of(system))).isEqualTo(DataStatus.COPIED);
    Holding unknown = DataEvidence.NONE.missing().get(0);
    assertThat(status(List.of(unknown), List.of(unknown))).isEqualTo(DataStatus.COPIED);
  }

  private static DataStatus status(List<Holding> missing, List<Holding> signed) {
    return new DriveState(
            "a",
            "a",
            Optional.of(X),
            DataStatus.WANTED,
            new DataEvidence(true, true, false, missing, false),
            List.of(new Waiver(X, WaiverScope.HOLDINGS, signed)),
            List.of(),
            Optional.empty(),
            Optional.empty())
        .status();
  }

  @Test
  void aLockNamesWhatIsInNoCopy() {
    DriveState drive =
        new DriveState(
            "a",
            "drive A",
            Optional.of(X),
            DataStatus.WANTED,
            new DataEvidence(
                true,
                false,
                false,
                List.of(
                    new Holding(HoldingKind.FOLDER, 2, "Users/ana", 812, 80_000_000_000L),
                    new Holding(HoldingKind.VOLUME, 3, "", 0, 5_000_000_000L)),
                false),
            List.of(),
            List.of(),
            Optional.empty(),
            Optional.of(""));
    Situation at =
        new Situation(
            List.of(drive),
            DataStatus.WANTED,
            Optional.empty(),
            PartEvidence.NONE,
            Proven.NOT_NEEDED,
            false,
            true,
            false);

    Permission.Locked locked =
        Permissions.of(at)
            .of(new Action.Write(Effects.of(Invasiveness.ERASES), "a", X))
            .locked()
            .orElseThrow();

    assertThat(locked.reason())
        .isEqualTo(
            "It erases, and the data on drive A is copied, not all of it verified. Not in a"
                + " verified copy: folder Users/ana of volume 2 (812 files, 80.0 GB), volume 3"
                + " (5.0 GB).");
  }
}

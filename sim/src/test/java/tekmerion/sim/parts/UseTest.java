package tekmerion.sim.parts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Named.named;

import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.sim.ShopDrive;
import tekmerion.sim.ShopDrive.Health;
import tekmerion.sim.parts.State.Volume;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Rung;

/** A part fails: where the start stops, what brings it on, and what mends it. */
class UseTest {
  private static State sound() {
    State state = new State();
    state.laptop = true;
    state.drive = new ShopDrive(new Random(1), Health.SOUND, false, 2, 0, 10);
    return state;
  }

  private static Trial trial(State state, Swap... with) {
    return new Use(state, new Random(3)).trial(Hands.how(with), 25);
  }

  @Test
  void aSoundMachineGetsToItsDesktopAndShowsNothing() {
    Trial trial = trial(sound());

    assertThat(trial.reached()).isEqualTo(Rung.DESKTOP);
    assertThat(trial.symptoms()).isEmpty();
  }

  @ParameterizedTest
  @MethodSource("faults")
  void aFaultStopsTheStartAtItsPart(
      Consumer<State> fault, Rung stopsAt, Swap without, String remedy) {
    State state = sound();
    fault.accept(state);

    assertThat(trial(state).reached()).isEqualTo(stopsAt);
    if (without != Swap.IN_THE_SHOP) {
      assertThat(trial(state, without).reached()).as("with %s", without).isGreaterThan(stopsAt);
    }
    new Mend(state, new Random(7)).by(remedy);
    assertThat(trial(state).reached()).as("after %s", remedy).isEqualTo(Rung.DESKTOP);
  }

  private static Arguments fault(
      String name, Consumer<State> fault, Rung stopsAt, Swap without, String remedy) {
    return Arguments.of(named(name, fault), stopsAt, without, remedy);
  }

  static Stream<Arguments> faults() {
    Swap none = Swap.IN_THE_SHOP;
    return Stream.of(
        fault("a dead rail", s -> s.railDead = true, Rung.NOTHING, none, "replace-board"),
        fault(
            "an adapter that gives nothing and an empty pack",
            s -> {
              s.adapterVolts = 0;
              s.packCharge = 0;
            },
            Rung.NOTHING,
            Swap.GOOD_ADAPTER,
            "replace-adapter"),
        fault(
            "a module that is dead",
            s -> s.cellsDead[0] = true,
            Rung.POWER,
            Swap.GOOD_MODULES,
            "replace-memory"),
        fault(
            "a dark panel",
            s -> s.panelDead = true,
            Rung.POWER,
            Swap.OUTSIDE_SCREEN,
            "replace-panel"),
        fault("fins that are blocked", s -> s.airShare = 0.05, Rung.POWER, none, "clean-cooling"),
        fault("a port that is off", s -> s.portOn = false, Rung.FIRMWARE, none, "set-ports"),
        fault(
            "a cable that never makes contact",
            s -> s.cableBreaks = 1,
            Rung.FIRMWARE,
            Swap.GOOD_CABLE,
            "replace-cable"),
        fault(
            "lost start records",
            s -> s.bootRecordsLost = true,
            Rung.FIRMWARE,
            Swap.OTHER_DRIVE,
            "rebuild-boot"),
        fault(
            "a stick left in",
            s -> s.outsideHoldsStart = true,
            Rung.LOADER,
            Swap.NOTHING_OUTSIDE,
            "leave-device"),
        fault(
            "a locked volume",
            s -> s.volume = Volume.LOCKED,
            Rung.RECOVERY,
            Swap.OTHER_DRIVE,
            "unlock-volume"));
  }

  @Test
  void aRemedyOfAnotherPartLeavesTheFaultAsItIs() {
    State state = sound();
    state.panelDead = true;
    for (String other : new String[] {"replace-memory", "replace-adapter", "clean-install"}) {
      new Mend(state, new Random(7)).by(other);
    }

    assertThat(trial(state).reached()).isEqualTo(Rung.POWER);
  }

  /** 400 errors an hour at 40 °C are some 40 stops an hour of work; none with good modules. */
  @Test
  void whatErrsInMemoryStopsItUntilTheModuleIsChanged() {
    State state = sound();
    state.cellErrorsPerHour[1] = 400;

    assertThat(trial(state).symptoms()).contains(Complaint.ERROR_SCREEN);
    assertThat(trial(state, Swap.GOOD_MODULES).symptoms()).doesNotContain(Complaint.ERROR_SCREEN);
  }

  @Test
  void mainsThatDipAtHomeStopNothingInTheShop() {
    State state = sound();
    state.homeMainsDips = 1000;

    assertThat(trial(state).symptoms()).isEmpty();
    assertThat(new Use(state, new Random(3)).trial(Set.of(), 60).symptoms())
        .contains(Complaint.ERROR_SCREEN);
  }

  @Test
  void anOutsideDriveIsMissingWhereItsCaseIsBrokenAndThereInAnother() {
    State state = sound();
    state.outside = true;
    state.caseBreaks = 1;

    assertThat(trial(state).symptoms()).contains(Complaint.NOT_SEEN);
    assertThat(trial(state, Swap.GOOD_CASE).symptoms()).isEmpty();
    new Mend(state, new Random(7)).by("replace-cable");
    assertThat(trial(state).symptoms()).isEmpty();
  }
}

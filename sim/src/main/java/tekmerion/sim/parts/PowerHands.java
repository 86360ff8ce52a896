package tekmerion.sim.parts;

import java.util.Set;
import tekmerion.sim.shop.Rung;

/** Work on power, cooling, picture and board. */
final class PowerHands {
  private static final Set<String> OF_PACKS =
      Set.of(
          "run-without-battery",
          "battery-look",
          "battery-report",
          "battery-discharge",
          "load-steps",
          "gauge-learn",
          "charge-watch",
          "socket-wiggle",
          "socket-voltage",
          "adapter-label",
          "battery-other");

  private final Hands h;
  private final State s;

  PowerHands(Hands hands) {
    this.h = hands;
    this.s = hands.state();
  }

  boolean make(String move) {
    if (OF_PACKS.contains(move) && !s.laptop) {
      return true; // there is none: nothing is known by it
    }
    return power(move) || battery(move) || cooling(move) || picture(move);
  }

  private boolean power(String move) {
    switch (move) {
      case "light-fan-beep" -> lights();
      case "hold-power" -> {
        s.latched &= !h.chance(0.35);
        h.tried("hold-power.after", "same", "comes");
      }
      case "drain-charge" -> {
        new Mend(s, h.random()).by("drain");
        h.tried("drain.after", "same", "comes");
      }
      case "adapter-label" ->
          h.look("adapter.watts", "enough", "less", s.adapterUnfit || h.chance(0.03));
      case "other-adapter" -> h.tried("other-adapter.after", "same", "better", Swap.GOOD_ADAPTER);
      case "adapter-measure" -> {
        if (s.laptop) {
          double volts = h.measured(s.adapterLoadedVolts());
          h.note("adapter.voltage", volts < 2 ? "none" : volts < 17.8 ? "sags" : "holds");
        }
      }
      case "socket-wiggle" ->
          h.look("socket.contact", "steady", "breaks", h.chance(Math.min(1, 3 * s.socketBreaks)));
      case "socket-voltage" ->
          h.look(
              "socket.voltage",
              "there",
              "missing",
              h.chance(s.socketBreaks) || s.adapterLoadedVolts() < 12);
      case "charge-watch" -> {
        boolean none =
            !s.chargerWorks || s.adapterLoadedVolts() < 5 || h.chance(s.socketBreaks * 0.7);
        boolean low =
            !s.adapterKnown || s.adapterLoadedVolts() < 16.5 || s.packShare < 0.35 && h.chance(0.4);
        h.note("charge.current", none ? "none" : low ? "low" : "normal");
      }
      case "supply-measure" -> {
        if (!s.laptop) {
          double share = h.measured(s.supplyShare - s.supplyLostLoaded / 2);
          h.note("supply.voltage", s.supplyShare < 0.1 ? "none" : share < 0.95 ? "off" : "hold");
        }
      }
      case "supply-other" -> {
        if (!s.laptop) {
          h.tried("supply-other.after", "same", "gone", Swap.GOOD_SUPPLY);
        }
      }
      case "switch-bridge" -> {
        boolean comes = h.trial(1, Swap.PAST_SWITCH).reached() != Rung.NOTHING;
        h.look("switch-bridge.after", "same", "comes", comes);
      }
      case "coin-cell-new" -> {
        h.look("coin-cell.voltage", "good", "empty", h.measured(s.coinVolts) < 2.8);
        new Mend(s, h.random()).by("new-coin-cell");
      }
      case "firmware-defaults" -> {
        if (h.chance(0.8)) {
          s.portOn = true;
          s.modeRight = true;
          s.orderWrong = false;
        }
        h.tried("cure.defaults", "same", "gone");
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private void lights() {
    Rung at = h.trial(1).reached();
    boolean power = h.use().hasPower(Hands.how());
    h.look(
        "power.light",
        "none",
        "light",
        at != Rung.NOTHING || power && (!s.railDead || h.chance(0.3)));
    boolean overheats = s.airShare * s.fanShare < 0.06 && s.fanShare > 0.1;
    boolean starved = !s.laptop && s.supplyShare < 0.9;
    boolean still = at == Rung.NOTHING || s.fanShare < 0.1;
    h.note("power.fan", still ? "still" : starved ? "stops" : overheats ? "later" : "turns");
    boolean memory = s.cellsDead[0] || s.cellsDead[1] || s.contactOpen[0] + s.contactOpen[1] > 0.4;
    boolean beeps =
        at == Rung.POWER && (memory && h.chance(0.75) || s.graphicsDead && h.chance(0.6));
    h.look("power.beep", "none", "beeps", beeps);
  }

  private boolean battery(String move) {
    switch (move) {
      case "run-without-battery" ->
          h.tried("without-battery.after", "same", "better", Swap.NO_PACK);
      case "battery-look" -> {
        h.look("battery.shape", "flat", "swollen", s.swellingMm > 1);
        h.look("battery.make", "own", "other", s.packOfOthers);
      }
      case "battery-other" -> h.tried("battery-other.after", "same", "gone", Swap.GOOD_PACK);
      case "battery-report" -> {
        double said = s.packShare * s.gaugeTimes;
        h.note("battery.health", said >= 0.8 ? "good" : said >= 0.5 ? "worn" : "spent");
        h.look("battery.cycles", "few", "many", s.packCycles >= 500);
      }
      case "battery-discharge" -> {
        double run = h.measured(s.packShare) * Math.min(1, 2.6 / s.packOhmsTimes);
        h.note("discharge.capacity", run >= 0.8 ? "good" : run >= 0.5 ? "worn" : "spent");
        h.look("discharge.gauge", "agrees", "off", Math.abs(h.measured(s.gaugeTimes) - 1) > 0.12);
      }
      case "load-steps" -> {
        double times = h.measured(s.packOhmsTimes);
        h.note("battery.resistance", times > 4 ? "shut-off" : times > 2 ? "high" : "normal");
      }
      case "gauge-learn" -> h.mended("cure.gauge", "same", "gone", "learn-gauge");
      default -> {
        return false;
      }
    }
    return true;
  }

  private boolean cooling(String move) {
    switch (move) {
      case "clean-fan" -> {
        h.look("dust.seen", "little", "much", s.airShare < 0.45);
        h.mended("cure.fan", "same", "gone", "clean-cooling");
      }
      case "fan-listen" -> {
        boolean weak = s.fanShare < 0.5 || s.airShare < 0.35 && h.chance(0.85);
        h.note("fan.state", s.fanShare < 0.1 ? "still" : weak ? "weak" : "fine");
      }
      case "fan-speed" ->
          h.note("fan.speed", s.fanShare < 0.1 ? "none" : s.fanShare < 0.5 ? "slow" : "full");
      case "heat-under-load" -> {
        double celsius = s.loadedCelsius() + 2 * h.random().nextGaussian();
        boolean cut = !s.laptop && s.supplyLostLoaded > 0.08 && h.chance(0.6);
        h.note(
            "heat.load",
            cut ? "cut" : celsius > 110 ? "stops" : celsius > 95 ? "throttles" : "normal");
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private boolean picture(String move) {
    boolean cable = s.panelCableBreaks > 0;
    switch (move) {
      case "outside-screen" -> {
        boolean picture = h.trial(1, Swap.OUTSIDE_SCREEN).reached().compareTo(Rung.PICTURE) >= 0;
        boolean own = h.use().ownScreenShows(Hands.how());
        h.note("outside-screen.picture", !picture ? "none" : own ? "both" : "picture");
      }
      case "torch-panel" ->
          h.look("panel.faint", "no", "yes", s.panelLightDead || cable && h.chance(0.2));
      case "lid-move" -> h.look("lid.effect", "none", "comes", cable && h.chance(0.8));
      case "panel-cable-reseat" -> h.mended("cure.panel-cable", "same", "gone", "reseat-panel");
      case "graphics-look" ->
          h.look(
              "picture.clean",
              "clean",
              "torn",
              h.chance(s.tornShare) || cable && h.chance(0.4) || s.panelDead && h.chance(0.3));
      case "panel-other" -> h.tried("panel-other.after", "same", "gone", Swap.GOOD_PANEL);
      case "bare-essentials" ->
          h.tried(
              "essentials.after",
              "same",
              "gone",
              Swap.NOTHING_OUTSIDE,
              Swap.ONLY_THIS_DRIVE,
              s.firstModuleIsBad() ? Swap.WITHOUT_FIRST_MODULE : Swap.WITHOUT_SECOND_MODULE);
      case "board-look" -> h.look("board.damage", "none", "seen", s.damageMm2 > 5 && h.chance(0.9));
      case "bare-board" -> {
        boolean powered = h.use().hasPower(Hands.how(Swap.NO_PACK)) && !s.railDead && !s.latched;
        boolean lives =
            powered && h.chance(s.switchMakes) && (!s.picturelessBoard || h.chance(0.4));
        h.look("bare-board.lives", "lives", "dead", !lives);
      }
      default -> {
        return false;
      }
    }
    return true;
  }
}

package tekmerion.evaluation.shop;

import java.util.Map;
import java.util.Set;
import tekmerion.sim.shop.Ailment;
import tekmerion.sim.shop.Quantity;
import tekmerion.sim.shop.Rung;
import tekmerion.sim.shop.Thing;

/** Work on power, cooling, panel and board. */
final class PowerWork {
  private PowerWork() {}

  static boolean make(String move, Bench b) {
    return power(move, b) || battery(move, b) || cooling(move, b) || panelAndBoard(move, b);
  }

  private static boolean noCurrent(Bench b) {
    return b.has(Ailment.ADAPTER_BAD, Ailment.SOCKET_LOOSE, Ailment.SUPPLY_BAD);
  }

  private static boolean power(String move, Bench b) {
    switch (move) {
      case "light-fan-beep" -> {
        Rung at = b.start();
        boolean dead = at == Rung.NOTHING;
        boolean light =
            !dead
                || b.has(Ailment.SWITCH_WORN) && b.chance(0.6)
                || b.has(Ailment.BOARD_BAD, Ailment.CHARGER_BAD) && b.chance(0.35)
                || b.has(Ailment.CHARGE_HELD) && b.chance(0.3);
        b.look("power.light", "none", "light", light);
        boolean atOnce =
            b.has(Ailment.BOARD_BAD, Ailment.SUPPLY_BAD, Ailment.CONTACTS_DIRTY) && b.chance(0.25);
        boolean later = b.has(Ailment.FINS_BLOCKED) && b.chance(0.35);
        boolean still = dead || b.has(Ailment.FAN_BAD) && b.value(Quantity.FAN_SHARE) < 0.15;
        b.note("power.fan", still ? "still" : atOnce ? "stops" : later ? "later" : "turns");
        b.look(
            "power.beep",
            "none",
            "beeps",
            !dead
                && at == Rung.POWER
                && (b.has(Ailment.MODULE_BAD, Ailment.CONTACTS_DIRTY, Ailment.SLOT_BAD)
                        && b.chance(0.65)
                    || b.has(Ailment.GRAPHICS_BAD) && b.chance(0.5)
                    || b.has(Ailment.BOARD_BAD) && b.chance(0.12)));
      }
      case "hold-power" ->
          b.repaired("hold-power.after", "same", "comes", Map.of(Ailment.CHARGE_HELD, 0.35));
      case "drain-charge" ->
          b.repaired("drain.after", "same", "comes", Map.of(Ailment.CHARGE_HELD, 0.94));
      case "other-adapter" ->
          b.tried("other-adapter.after", "same", "better", Set.of(Thing.ADAPTER));
      case "adapter-label" -> {
        if (b.machine().isLaptop()) {
          boolean unfit = b.has(Ailment.ADAPTER_BAD) && b.chance(0.25) || b.chance(0.03);
          b.look("adapter.watts", "enough", "less", unfit);
        }
      }
      case "adapter-measure" -> {
        double loaded = b.measured(Quantity.ADAPTER_LOADED_SHARE);
        b.note("adapter.voltage", loaded < 0.1 ? "none" : loaded < 0.93 ? "sags" : "holds");
      }
      case "socket-wiggle" ->
          b.look(
              "socket.contact",
              "steady",
              "breaks",
              b.has(Ailment.SOCKET_LOOSE) && b.chance(0.85)
                  || b.has(Ailment.ADAPTER_BAD) && b.chance(0.12)
                  || b.chance(0.03));
      case "socket-voltage" ->
          b.look(
              "socket.voltage",
              "there",
              "missing",
              b.has(Ailment.SOCKET_LOOSE) && b.chance(0.85)
                  || b.value(Quantity.ADAPTER_LOADED_SHARE) < 0.6);
      case "charge-watch" -> {
        String current = "normal";
        if (b.has(Ailment.CHARGER_BAD)) {
          current = b.chance(0.8) ? "none" : "low";
        } else if (b.has(Ailment.ADAPTER_BAD)) {
          current = b.value(Quantity.ADAPTER_LOADED_SHARE) < 0.1 ? "none" : "low";
        } else if (b.has(Ailment.SOCKET_LOOSE)) {
          current = b.chance(0.45) ? "none" : b.chance(0.5) ? "low" : "normal";
        } else if (b.has(Ailment.CELLS_WORN) && b.chance(0.3)
            || b.has(Ailment.BOARD_BAD) && b.chance(0.2)) {
          current = b.chance(0.5) ? "low" : "none";
        }
        b.note("charge.current", current);
      }
      case "supply-measure" -> {
        if (!b.machine().isLaptop()) {
          double share = b.measured(Quantity.SUPPLY_SHARE);
          b.note("supply.voltage", share < 0.1 ? "none" : share < 0.94 ? "off" : "hold");
        }
      }
      case "supply-other" -> {
        if (!b.machine().isLaptop()) {
          b.tried("supply-other.after", "same", "gone", Set.of(Thing.SUPPLY));
        }
      }
      case "switch-bridge" -> b.tried("switch-bridge.after", "same", "comes", Set.of(Thing.SWITCH));
      case "coin-cell-new" -> {
        b.look("coin-cell.voltage", "good", "empty", b.value(Quantity.COIN_VOLTS) < 2.8);
        b.machine().mend(Ailment.COIN_EMPTY);
      }
      case "firmware-defaults" ->
          b.repaired(
              "cure.defaults",
              "same",
              "gone",
              Map.of(Ailment.PORT_OFF, 0.75, Ailment.ORDER_WRONG, 0.75));
      default -> {
        return false;
      }
    }
    return true;
  }

  private static boolean battery(String move, Bench b) {
    if (!b.machine().isLaptop()
        && Set.of(
                "run-without-battery",
                "battery-look",
                "battery-other",
                "battery-report",
                "battery-discharge",
                "load-steps",
                "gauge-learn")
            .contains(move)) {
      return true; // there is none: nothing is known by it
    }
    switch (move) {
      case "run-without-battery" ->
          b.tried("without-battery.after", "same", "better", Set.of(Thing.BATTERY));
      case "battery-other" -> b.tried("battery-other.after", "same", "gone", Set.of(Thing.BATTERY));
      case "battery-look" -> {
        b.look("battery.shape", "flat", "swollen", b.value(Quantity.SWELLING_MM) > 1);
        boolean others = b.has(Ailment.CELLS_WORN) && b.chance(0.1) || b.chance(0.1);
        b.look("battery.make", "own", "other", others);
      }
      case "battery-report" -> {
        double said = b.value(Quantity.CAPACITY_SHARE) * b.value(Quantity.GAUGE_SHARE);
        b.note("battery.health", said >= 0.8 ? "good" : said >= 0.5 ? "worn" : "spent");
        b.look("battery.cycles", "few", "many", b.value(Quantity.CYCLES) >= 500);
      }
      case "battery-discharge" -> {
        // Resistance ends the run before the charge is out.
        double run =
            b.measured(Quantity.CAPACITY_SHARE)
                * Math.min(1, 2.6 / b.value(Quantity.RESISTANCE_TIMES));
        b.note("discharge.capacity", run >= 0.8 ? "good" : run >= 0.5 ? "worn" : "spent");
        b.look(
            "discharge.gauge",
            "agrees",
            "off",
            Math.abs(b.measured(Quantity.GAUGE_SHARE) - 1) > 0.1);
      }
      case "load-steps" -> {
        double times = b.measured(Quantity.RESISTANCE_TIMES);
        b.note("battery.resistance", times > 3.6 ? "shut-off" : times > 2 ? "high" : "normal");
      }
      case "gauge-learn" ->
          b.repaired("cure.gauge", "same", "gone", Map.of(Ailment.GAUGE_OFF, 0.85));
      default -> {
        return false;
      }
    }
    return true;
  }

  private static boolean cooling(String move, Bench b) {
    switch (move) {
      case "clean-fan" -> {
        b.look("dust.seen", "little", "much", b.value(Quantity.AIR_SHARE) < 0.45);
        b.repaired("cure.fan", "same", "gone", Map.of(Ailment.FINS_BLOCKED, 0.93));
      }
      case "fan-listen" -> {
        boolean still = b.has(Ailment.FAN_BAD) && b.value(Quantity.FAN_SHARE) < 0.2;
        boolean weak =
            b.has(Ailment.FAN_BAD) || b.value(Quantity.AIR_SHARE) < 0.35 && b.chance(0.85);
        b.note("fan.state", still ? "still" : weak ? "weak" : "fine");
      }
      case "fan-speed" -> {
        double share = b.has(Ailment.FAN_BAD) ? b.value(Quantity.FAN_SHARE) : 1;
        b.note("fan.speed", share < 0.1 ? "none" : share < 0.5 ? "slow" : "full");
      }
      case "heat-under-load" -> {
        double celsius = b.machine().loadedCelsius();
        boolean cut = b.has(Ailment.SUPPLY_BAD) && b.chance(0.35);
        b.note(
            "heat.load",
            cut ? "cut" : celsius > 110 ? "stops" : celsius > 95 ? "throttles" : "normal");
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private static boolean panelAndBoard(String move, Bench b) {
    boolean panel = b.has(Ailment.PANEL_BAD, Ailment.PANEL_CABLE_BAD);
    switch (move) {
      case "outside-screen" ->
          b.note(
              "outside-screen.picture",
              panel || b.has(Ailment.GRAPHICS_BAD) && b.chance(0.1)
                  ? "picture"
                  : b.start().compareTo(Rung.PICTURE) >= 0 ? "both" : "none");
      case "torch-panel" -> b.look("panel.faint", "no", "yes", panel && b.chance(0.35));
      case "lid-move" ->
          b.look(
              "lid.effect",
              "none",
              "comes",
              b.has(Ailment.PANEL_CABLE_BAD) && b.chance(0.7)
                  || b.has(Ailment.PANEL_BAD) && b.chance(0.1)
                  || b.chance(0.02));
      case "panel-cable-reseat" ->
          b.repaired("cure.panel-cable", "same", "gone", Map.of(Ailment.PANEL_CABLE_BAD, 0.75));
      case "graphics-look" ->
          b.look(
              "picture.clean",
              "clean",
              "torn",
              b.has(Ailment.GRAPHICS_BAD) && b.chance(0.85)
                  || b.has(Ailment.PANEL_CABLE_BAD) && b.chance(0.45)
                  || b.has(Ailment.PANEL_BAD) && b.chance(0.3));
      case "panel-other" -> b.tried("panel-other.after", "same", "gone", Set.of(Thing.PANEL));
      case "bare-essentials" ->
          b.tried(
              "essentials.after",
              "same",
              "gone",
              Set.of(Thing.OUTSIDE, Thing.SECOND_DRIVE, Thing.MODULE_A));
      case "board-look" ->
          b.look(
              "board.damage",
              "none",
              "seen",
              b.value(Quantity.BOARD_DAMAGE_MM2) > 5 && b.chance(0.9));
      case "bare-board" ->
          b.look(
              "bare-board.lives",
              "lives",
              "dead",
              noCurrent(b) && b.chance(0.9)
                  || b.has(Ailment.SWITCH_WORN) && b.chance(0.9)
                  || b.has(Ailment.BOARD_BAD, Ailment.CHARGER_BAD) && b.chance(0.8)
                  || b.has(Ailment.CHARGE_HELD) && b.chance(0.55));
      default -> {
        return false;
      }
    }
    return true;
  }
}

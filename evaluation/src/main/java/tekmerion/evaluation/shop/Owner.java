package tekmerion.evaluation.shop;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import tekmerion.sim.ShopDrive.Health;
import tekmerion.sim.shop.Ailment;
import tekmerion.sim.shop.Ill;
import tekmerion.sim.shop.Quantity;
import tekmerion.sim.shop.Rung;
import tekmerion.sim.shop.ShopMachine;

/** What an owner of the first world has seen and heard. */
final class Owner {
  private final ShopMachine machine;
  private final Random random;

  Owner(ShopMachine machine, Random random) {
    this.machine = machine;
    this.random = random;
  }

  /** Ids of options; null if the owner cannot say. */
  List<String> answer(String question) {
    return switch (question) {
      case "boot-stage" -> List.of(bootStage());
      case "kind" -> List.of(machine.isLaptop() ? "laptop" : "desk");
      case "changed" -> changed();
      case "often" -> List.of(often());
      case "when" -> List.of(when());
      case "senses" -> senses();
      case "volume-offer" -> List.of(offer());
      case "runs-on" -> List.of(runsOn());
      case "charge-lasts" -> List.of(chargeLasts());
      default -> null;
    };
  }

  private String bootStage() {
    Rung seen = Rung.DESKTOP;
    for (Ill ill : machine.noticed()) {
      if (ill.stopsAt().compareTo(seen) < 0 && chance(ill.rate())) {
        seen = ill.stopsAt();
      }
    }
    return Counter.id(seen);
  }

  private List<String> changed() {
    List<String> all = new ArrayList<>();
    some(
        all,
        "program",
        has(Ailment.PROGRAM_BAD)
            ? 0.8
            : has(Ailment.START_CROWDED, Ailment.UNWANTED_RUNS, Ailment.SECURITY_IN_WAY)
                ? 0.3
                : 0.05);
    some(
        all,
        "update",
        has(Ailment.UPDATE_HALF)
            ? 0.75
            : has(
                    Ailment.DRIVER_BAD,
                    Ailment.GRAPHICS_DRIVER_BAD,
                    Ailment.SOUND_DRIVER_BAD,
                    Ailment.STORAGE_DRIVER_BAD)
                ? 0.45
                : has(Ailment.FILES_DAMAGED, Ailment.BOOT_LOST, Ailment.INDEXING_BUSY)
                    ? 0.25
                    : 0.12);
    some(
        all,
        "part",
        has(Ailment.MODULES_DIFFER, Ailment.DRIVES_CONFLICT, Ailment.PORT_OFF)
            ? 0.7
            : has(Ailment.VOLUME_NONE, Ailment.ORDER_WRONG, Ailment.NAME_TAKEN)
                ? 0.5
                : has(Ailment.CONTACTS_DIRTY, Ailment.CABLE_LOOSE) ? 0.15 : 0.03);
    some(
        all,
        "plugged",
        has(Ailment.OUTSIDE_DISTURBS)
            ? 0.65
            : has(Ailment.PORT_STARVES, Ailment.NAME_TAKEN) ? 0.45 : 0.05);
    some(
        all,
        "drop",
        has(Ailment.PANEL_BAD, Ailment.HEADS_WEAK, Ailment.MOTOR_STUCK)
            ? 0.3
            : has(
                    Ailment.CABLE_LOOSE,
                    Ailment.SOCKET_LOOSE,
                    Ailment.PANEL_CABLE_BAD,
                    Ailment.CONTACTS_DIRTY)
                ? 0.2
                : 0.04);
    some(all, "liquid", machine.value(Quantity.BOARD_DAMAGE_MM2) > 8 ? 0.45 : 0.02);
    some(
        all,
        "power-cut",
        has(Ailment.VOLUME_DAMAGED, Ailment.TABLE_LOST, Ailment.FILES_DAMAGED, Ailment.BOOT_LOST)
            ? 0.25
            : has(Ailment.SUPPLY_BAD, Ailment.CHARGE_HELD, Ailment.UPDATE_HALF) ? 0.2 : 0.04);
    return all;
  }

  private String often() {
    double rate = machine.noticed().stream().mapToDouble(Ill::rate).max().orElse(0.2);
    double felt = rate * (0.85 + 0.3 * random.nextDouble());
    return felt > 0.88 ? "always" : felt > 0.5 ? "most-days" : "now-and-then";
  }

  private String when() {
    if (has(Ailment.FINS_BLOCKED, Ailment.FAN_BAD)) {
      return pick("when-warm", 0.45, "under-load", 0.38);
    }
    if (has(Ailment.CELLS_RESIST)) {
      return pick("under-load", 0.65, "when-warm", 0.02);
    }
    if (has(Ailment.SUPPLY_BAD, Ailment.GRAPHICS_DRIVER_BAD, Ailment.GRAPHICS_BAD)) {
      return pick("under-load", 0.45, "when-warm", 0.08);
    }
    if (has(Ailment.SOCKET_LOOSE, Ailment.PANEL_CABLE_BAD)) {
      return pick("when-moved", 0.65, "any-time", 0.3);
    }
    if (has(Ailment.CABLE_LOOSE, Ailment.CASE_BRIDGE_BAD, Ailment.CONTACTS_DIRTY)) {
      return pick("when-moved", 0.25, "when-warm", 0.06);
    }
    return pick("under-load", 0.08, "when-warm", 0.06);
  }

  private String pick(String first, double p, String second, double q) {
    double luck = random.nextDouble();
    return luck < p ? first : luck < p + q ? second : "any-time";
  }

  private List<String> senses() {
    List<String> all = new ArrayList<>();
    Health health = machine.drive().health();
    boolean heads = health == Health.HEADS || health == Health.MOTOR;
    some(
        all,
        "clicks",
        heads ? 0.5 : health == Health.SURFACE && machine.drive().spins() ? 0.2 : 0.03);
    some(
        all,
        "fan",
        machine.value(Quantity.AIR_SHARE) < 0.3 || has(Ailment.FAN_BAD)
            ? 0.6
            : machine.value(Quantity.BUSY_SHARE) > 0.6 ? 0.15 : 0.06);
    some(
        all,
        "burnt",
        machine.value(Quantity.BOARD_DAMAGE_MM2) > 8
            ? 0.25
            : has(Ailment.ADAPTER_BAD) ? 0.08 : 0.01);
    some(
        all,
        "hot",
        machine.loadedCelsius() > 92 ? 0.7 : machine.loadedCelsius() > 82 ? 0.15 : 0.06);
    some(all, "swollen", machine.value(Quantity.SWELLING_MM) > 1.5 ? 0.8 : 0.003);
    some(
        all,
        "busy",
        machine.value(Quantity.BUSY_SHARE) > 0.6
            ? 0.6
            : machine.value(Quantity.BUSY_SHARE) > 0.35 ? 0.3 : 0.04);
    return all;
  }

  private String offer() {
    double toFormat =
        has(Ailment.VOLUME_NONE)
            ? 0.9
            : has(Ailment.TABLE_LOST, Ailment.VOLUME_FOREIGN)
                ? 0.75
                : has(Ailment.VOLUME_DAMAGED)
                    ? 0.5
                    : machine.isAboutOutsideDrive()
                            && has(Ailment.SURFACE_GOING, Ailment.HEADS_WEAK)
                        ? 0.3
                        : machine.isAboutOutsideDrive()
                                && has(
                                    Ailment.CABLE_LOOSE,
                                    Ailment.CASE_BRIDGE_BAD,
                                    Ailment.PORT_STARVES)
                            ? 0.12
                            : 0.03;
    if (has(Ailment.VOLUME_LOCKED)) {
      return chance(0.6) ? "a-key" : chance(0.4) ? "to-format" : "nothing";
    }
    return chance(toFormat) ? "to-format" : "nothing";
  }

  private String runsOn() {
    if (has(Ailment.CELLS_WORN, Ailment.CELLS_RESIST)) {
      return chance(machine.value(Quantity.CAPACITY_SHARE) < 0.3 ? 0.8 : 0.4)
          ? "only-with-adapter"
          : "both";
    }
    if (has(Ailment.ADAPTER_BAD, Ailment.SOCKET_LOOSE, Ailment.CHARGER_BAD)) {
      return chance(0.5) ? "only-without-adapter" : "both";
    }
    return chance(0.04) ? "only-with-adapter" : "both";
  }

  private String chargeLasts() {
    double felt =
        machine.value(Quantity.CAPACITY_SHARE)
            / Math.max(1, machine.value(Quantity.RESISTANCE_TIMES) / 2);
    if (has(Ailment.GAUGE_OFF)) {
      felt *= 0.6; // it switches off early, or says that it will
    }
    if (has(Ailment.ADAPTER_BAD, Ailment.SOCKET_LOOSE, Ailment.CHARGER_BAD) && chance(0.3)) {
      felt *= 0.3; // it was never full
    }
    return felt < 0.25 ? "minutes" : felt < 0.62 ? "half" : "as-before";
  }

  /** What is said in passing or stands on the screen; only what is said is known. */
  Map<String, String> heard() {
    Map<String, String> yes = new LinkedHashMap<>();
    heard(
        yes,
        "text.memory",
        0.02,
        0.4,
        Ailment.MODULE_BAD,
        Ailment.CONTACTS_DIRTY,
        Ailment.SLOT_BAD,
        Ailment.MODULES_DIFFER);
    heard(
        yes,
        "text.drive",
        0.03,
        0.35,
        Ailment.SURFACE_GOING,
        Ailment.HEADS_WEAK,
        Ailment.MOTOR_STUCK,
        Ailment.DRIVE_BOARD_BAD,
        Ailment.CABLE_LOOSE,
        Ailment.BOOT_LOST,
        Ailment.ORDER_WRONG);
    heard(
        yes,
        "text.driver",
        0.03,
        0.4,
        Ailment.DRIVER_BAD,
        Ailment.GRAPHICS_DRIVER_BAD,
        Ailment.STORAGE_DRIVER_BAD);
    heard(
        yes,
        "text.system",
        0.02,
        0.3,
        Ailment.FILES_DAMAGED,
        Ailment.UPDATE_HALF,
        Ailment.VOLUME_DAMAGED);
    heard(yes, "text.boot", 0.01, 0.4, Ailment.BOOT_LOST, Ailment.ORDER_WRONG);
    heard(yes, "text.update", 0.01, 0.45, Ailment.UPDATE_HALF);
    heard(yes, "text.heat", 0.005, 0.25, Ailment.FINS_BLOCKED, Ailment.FAN_BAD);
    heard(yes, "text.power", 0.005, 0.25, Ailment.ADAPTER_BAD, Ailment.CHARGER_BAD);
    heard(yes, "text.graphics", 0.01, 0.35, Ailment.GRAPHICS_DRIVER_BAD, Ailment.GRAPHICS_BAD);
    heard(yes, "text.volume", 0.01, 0.3, Ailment.VOLUME_DAMAGED, Ailment.TABLE_LOST);
    heard(yes, "text.settings", 0.003, 0.6, Ailment.COIN_EMPTY);
    heard(
        yes,
        "said.flicker",
        0.01,
        0.35,
        Ailment.PANEL_BAD,
        Ailment.PANEL_CABLE_BAD,
        Ailment.GRAPHICS_BAD);
    heard(yes, "said.full", 0.01, 0.5, Ailment.VOLUME_FULL);
    heard(yes, "said.pop-ups", 0.01, 0.5, Ailment.UNWANTED_RUNS);
    heard(yes, "said.start-slow", 0.04, 0.5, Ailment.START_CROWDED, Ailment.DISK_SLOW);
    heard(yes, "said.online", 0.02, 0.45, Ailment.NETWORK_WAITS);
    heard(yes, "said.sound-only", 0.01, 0.45, Ailment.SOUND_DRIVER_BAD);
    heard(
        yes,
        "said.games",
        0.02,
        0.35,
        Ailment.GRAPHICS_DRIVER_BAD,
        Ailment.GRAPHICS_BAD,
        Ailment.FINS_BLOCKED);
    heard(
        yes,
        "said.elsewhere",
        0.005,
        0.3,
        Ailment.NAME_TAKEN,
        Ailment.VOLUME_FOREIGN,
        Ailment.PORT_STARVES);
    heard(yes, "said.new-drive", 0.01, 0.65, Ailment.VOLUME_NONE, Ailment.DRIVES_CONFLICT);
    heard(yes, "said.hub", 0.01, 0.5, Ailment.PORT_STARVES);
    heard(yes, "said.lid", 0.002, 0.5, Ailment.PANEL_CABLE_BAD);
    heard(yes, "said.clock", 0.004, 0.5, Ailment.COIN_EMPTY);
    heard(yes, "said.jumps", 0.005, 0.45, Ailment.GAUGE_OFF, Ailment.CELLS_RESIST);
    heard(yes, "said.plug-angle", 0.003, 0.55, Ailment.SOCKET_LOOSE);
    heard(
        yes,
        "said.beeps",
        0.005,
        0.35,
        Ailment.CONTACTS_DIRTY,
        Ailment.MODULE_BAD,
        Ailment.SLOT_BAD);
    heard(yes, "said.one-program", 0.02, 0.3, Ailment.PROGRAM_BAD);
    heard(yes, "said.idle", 0.02, 0.35, Ailment.INDEXING_BUSY, Ailment.UNWANTED_RUNS);
    heard(yes, "said.no-starter", 0.003, 0.6, Ailment.SWITCH_WORN);
    return yes;
  }

  private void heard(
      Map<String, String> yes, String finding, double idly, double p, Ailment... of) {
    if (chance(has(of) ? p : idly)) {
      yes.put(finding, "yes");
    }
  }

  private void some(List<String> all, String option, double p) {
    if (chance(p)) {
      all.add(option);
    }
  }

  private boolean has(Ailment... any) {
    return machine.has(any);
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }
}

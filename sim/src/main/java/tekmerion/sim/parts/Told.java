package tekmerion.sim.parts;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import tekmerion.sim.ShopDrive.Health;
import tekmerion.sim.parts.State.Volume;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Rung;

/** What an owner has seen and heard of the machine at home. */
final class Told {
  private static final int USES = 20;
  private static final double USE_MINUTES = 60;

  private final State s;
  private final Set<Complaint> complaints;
  private final Random random;
  private final Map<String, Integer> names = new HashMap<>();
  private final double rate;
  private Rung reached = Rung.DESKTOP;

  Told(State atHome, Set<Complaint> complaints, Random random) {
    this.s = atHome;
    this.complaints = complaints;
    this.random = random;
    this.rate = isSaidOnly() ? 0.3 : rate(Set.of());
  }

  private boolean isSaidOnly() {
    return s.farServerSlow || s.ownerExpects;
  }

  private double rate(Set<Swap> how) {
    Use use = new Use(s, random);
    int shown = 0;
    for (int i = 0; i < USES; i++) {
      Trial trial = use.trial(how, USE_MINUTES);
      if (PartsMachine.shows(complaints, trial)) {
        shown++;
        names.merge(trial.named(), 1, Integer::sum);
        reached = trial.reached().compareTo(reached) < 0 ? trial.reached() : reached;
      }
    }
    return shown / (double) USES;
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }

  Optional<List<String>> answer(String question) {
    return Optional.ofNullable(
        switch (question) {
          case "boot-stage" -> List.of(id(reached));
          case "kind" -> List.of(s.laptop ? "laptop" : "desk");
          case "changed" -> List.copyOf(s.changed);
          case "often" ->
              List.of(rate > 0.88 ? "always" : rate > 0.4 ? "most-days" : "now-and-then");
          case "when" -> List.of(when());
          case "senses" -> senses();
          case "volume-offer" -> List.of(offer());
          case "runs-on" -> List.of(runsOn());
          case "charge-lasts" -> List.of(chargeLasts());
          default -> null;
        });
  }

  private String when() {
    if (isSaidOnly() || rate > 0.8) {
      boolean hot = s.loadedCelsius() > 92;
      return hot ? chance(0.5) ? "when-warm" : "under-load" : "any-time";
    }
    double moved = rate(Set.of(Swap.MOVED));
    double loaded = rate(Set.of(Swap.LOADED));
    double warm = rate(EnumSet.of(Swap.WARM));
    double most = Math.max(moved, Math.max(loaded, warm));
    if (most < 1.4 * rate + 0.1) {
      return "any-time";
    }
    return most == moved ? "when-moved" : most == loaded ? "under-load" : "when-warm";
  }

  private List<String> senses() {
    List<String> all = new ArrayList<>();
    Health health = s.drive.health();
    some(
        all,
        "clicks",
        health == Health.HEADS ? 0.5 : s.stuckMotor ? 0.4 : s.driveGoing() ? 0.12 : 0.03);
    boolean roars = s.loadedCelsius() > 88 || s.fanShare < 0.5 && s.fanShare > 0.05;
    some(all, "fan", roars ? 0.6 : 0.05);
    some(all, "burnt", s.damageMm2 > 8 ? 0.25 : s.adapterOhms > 1 ? 0.12 : 0.01);
    some(all, "hot", s.loadedCelsius() > 92 ? 0.7 : s.loadedCelsius() > 84 ? 0.15 : 0.05);
    some(all, "swollen", s.swellingMm > 1.5 ? 0.75 : 0.003);
    some(all, "busy", new Use(s, random).disk(false, false) > 0.5 ? 0.6 : 0.05);
    return all;
  }

  private void some(List<String> all, String option, double p) {
    if (chance(p)) {
      all.add(option);
    }
  }

  private String offer() {
    double toFormat =
        switch (s.volume) {
          case BLANK -> 0.85;
          case TABLE_LOST, FOREIGN -> 0.75;
          case DAMAGED -> 0.55;
          case LOCKED -> 0.35;
          case SOUND -> s.outside && s.driveGoing() ? 0.3 : 0.03;
        };
    if (s.volume == Volume.LOCKED && chance(0.6)) {
      return "a-key";
    }
    return chance(toFormat) ? "to-format" : "nothing";
  }

  private String runsOn() {
    boolean packHolds = s.packShare / Math.max(1, s.packOhmsTimes / 2) > 0.25;
    boolean mains = s.adapterGives() && s.socketBreaks < 0.5 && s.chargerWorks;
    return packHolds ? mains ? "both" : "only-without-adapter" : "only-with-adapter";
  }

  private String chargeLasts() {
    double charged = s.adapterGives() && s.adapterKnown && s.chargerWorks ? 1 : 0.3;
    double felt =
        charged * s.packShare / Math.max(1, s.packOhmsTimes / 2) * Math.min(1, s.gaugeTimes);
    return felt < 0.2 ? "minutes" : felt < 0.6 ? "half" : "as-before";
  }

  /** What stands on the screen or is said in passing; only what is said is known. */
  Map<String, String> heard() {
    Map<String, String> yes = new LinkedHashMap<>();
    names.forEach(
        (name, times) -> {
          if (chance(0.55)) {
            texts(name).forEach(text -> yes.put(text, "yes"));
          }
        });
    heard(yes, "text.settings", s.coinVolts < 2.4, 0.6);
    heard(yes, "text.power", !s.adapterKnown || s.adapterOhms > 1.2, 0.3);
    heard(yes, "text.volume", s.volume == Volume.DAMAGED || s.volume == Volume.TABLE_LOST, 0.3);
    heard(yes, "said.flicker", s.panelCableBreaks > 0 || s.tornShare > 0 || s.panelDead, 0.35);
    heard(yes, "said.full", s.freeShare < 0.06, 0.55);
    heard(yes, "said.pop-ups", s.unwantedShare > 0, 0.55);
    heard(yes, "said.start-slow", s.startItems > 30 || s.drive.spins() && !s.outside, 0.4);
    heard(yes, "said.online", s.networkHoldsMs > 5 || s.farServerSlow, 0.5);
    heard(yes, "said.sound-only", s.soundHoldsMs > 5, 0.5);
    heard(
        yes,
        "said.games",
        s.graphicsHoldsMs > 5 || s.graphicsStopsPerHour > 0 || s.loadedCelsius() > 95,
        0.35);
    heard(yes, "said.elsewhere", s.outside && isReadElsewhere(), 0.3);
    heard(yes, "said.new-drive", s.driveIsNew, 0.7);
    heard(yes, "said.hub", s.portVolts < 4.6, 0.5);
    heard(yes, "said.lid", s.panelCableBreaks > 0, 0.5);
    heard(yes, "said.clock", s.coinVolts < 2.4, 0.5);
    heard(yes, "said.jumps", Math.abs(s.gaugeTimes - 1) > 0.2 || s.packOhmsTimes > 3, 0.45);
    heard(yes, "said.plug-angle", s.socketBreaks > 0.2, 0.55);
    heard(yes, "said.beeps", reached == Rung.POWER && isBeeping(), 0.45);
    heard(yes, "said.one-program", s.recentStopsPerHour > 0, 0.3);
    heard(yes, "said.idle", s.indexing || s.unwantedShare > 0 || s.serviceShare > 0.5, 0.35);
    heard(yes, "said.no-starter", s.switchMakes < 0.5, 0.6);
    return yes;
  }

  private boolean isReadElsewhere() {
    return s.volume == Volume.SOUND && s.driveAnswers > 0.9 && !s.driveGoing() && s.caseBreaks == 0
        || s.volume == Volume.FOREIGN;
  }

  private boolean isBeeping() {
    return s.contactOpen[0] + s.contactOpen[1] > 0
        || s.cellsDead[0]
        || s.cellsDead[1]
        || s.graphicsDead;
  }

  private static List<String> texts(String named) {
    return switch (named) {
      case "memory" -> List.of("text.memory");
      case "driver" -> List.of("text.driver");
      case "graphics" -> List.of("text.graphics");
      case "storage" -> List.of("text.driver");
      case "system" -> List.of("text.system");
      case "drive" -> List.of("text.drive");
      case "boot" -> List.of("text.drive", "text.boot");
      case "update" -> List.of("text.update");
      case "heat" -> List.of("text.heat");
      default -> List.of();
    };
  }

  private void heard(Map<String, String> yes, String finding, boolean isSo, double p) {
    if (chance(isSo ? p : 0.008)) {
      yes.put(finding, "yes");
    }
  }

  static String id(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}

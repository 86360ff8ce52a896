package tekmerion.sim.parts;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import tekmerion.sim.ShopDrive.Health;
import tekmerion.sim.parts.State.Volume;
import tekmerion.sim.shop.Rung;

/** First looks, and work on the system and its programs. */
final class SystemHands {
  private final Hands h;
  private final State s;

  SystemHands(Hands hands) {
    this.h = hands;
    this.s = hands.state();
  }

  boolean make(String move) {
    return looks(move) || samples(move) || halves(move) || repairs(move) || rebuilds(move);
  }

  private boolean looks(String move) {
    switch (move) {
      case "restart-once" -> {
        // A restart ends what hangs until it hangs again.
        boolean shows = h.shows();
        h.look("restart.after", "gone", "same", shows);
      }
      case "complaint-again" -> {
        boolean shows = false;
        for (int i = 0; i < 8 && !shows; i++) {
          shows = i % 2 == 0 ? h.shows(Swap.LOADED) : h.shows(Swap.MOVED);
        }
        h.look("complaint.shows", "quiet", "shows", shows);
      }
      case "unplug-outside" -> {
        if (s.outside) {
          h.note("unplug.after", "same"); // the drive itself is what it is about
        } else {
          h.tried("unplug.after", "same", "gone", Swap.NOTHING_OUTSIDE);
        }
      }
      case "plug-back" -> {
        boolean outside = s.outsideHoldsStart || s.outsideHangsLists || s.outsideStopsPerHour > 0;
        h.look("plug-back.found", "none", "one", (outside || !s.portGives()) && h.chance(0.85));
      }
      case "firmware-reached" -> {
        boolean there = h.trial(1).reached().compareTo(Rung.FIRMWARE) >= 0;
        boolean freezes = s.loadedCelsius() > 115 && h.chance(0.4);
        h.note("firmware.opens", !there ? "not" : freezes ? "freezes" : "opens");
      }
      case "error-code" -> code().ifPresent(code -> h.note("code.stands", code));
      case "stop-records" -> h.note("records.name", records());
      case "clock-look" -> h.look("clock.kept", "right", "wrong", s.coinVolts < 2.5);
      case "ask-owner-again" -> {
        boolean program = s.changed.contains("program");
        h.look("owner.program", "no", "yes", h.chance(program ? 0.75 : 0.08));
        boolean idle = s.indexing || s.unwantedShare > 0 || s.serviceShare > 0.5 || s.driveGoing();
        h.look("owner.idle", "no", "yes", h.chance(idle ? 0.6 : 0.3));
      }
      case "built-in-tests" -> builtIn();
      case "maker-refer" ->
          h.note(
              "maker.says", s.firmwareStopsPerHour > 0 && h.chance(0.85) ? "firmware" : "nothing");
      default -> {
        return false;
      }
    }
    return true;
  }

  /** What stands on the screen when it stops; empty if it does not come while somebody looks. */
  private Optional<String> code() {
    for (int i = 0; i < 4; i++) {
      Trial trial = h.trial(30);
      if (!trial.named().isEmpty() && !trial.named().equals("cut")) {
        return Optional.of(
            h.chance(0.3)
                ? "nothing"
                : switch (trial.named()) {
                  case "graphics", "driver", "system", "update", "memory" -> trial.named();
                  case "drive", "storage", "boot" -> "storage";
                  default -> "nothing";
                });
      }
    }
    return Optional.empty();
  }

  /** What the system wrote down of the stops of the last weeks. */
  private String records() {
    Map<String, Integer> names = new HashMap<>();
    for (int i = 0; i < 10; i++) {
      String named = h.trial(60, Swap.LOADED).named();
      if (!named.isEmpty() && !named.equals("cut")) {
        names.merge(named, 1, Integer::sum);
      }
    }
    if (names.isEmpty()) {
      return "nothing";
    }
    String most =
        names.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow().getKey();
    if (names.size() > 2) {
      return "mixed";
    }
    return switch (most) {
      case "driver" -> "one-driver";
      case "graphics", "storage", "drive", "memory", "mixed" -> most;
      default -> "nothing";
    };
  }

  private void builtIn() {
    if (h.use().answers(Hands.how())) {
      boolean fails =
          s.drive.badSectors() > 20 && h.chance(0.6)
              || s.drive.health() == Health.HEADS && h.chance(0.6)
              || s.drive.health() == Health.ELECTRONICS && h.chance(0.5);
      h.look("built-in.drive", "passed", "failed", fails);
    } else {
      h.note("built-in.drive", "failed");
    }
    if (s.laptop) {
      h.look("built-in.battery", "passed", "failed", h.measured(s.packShare) < 0.5);
      boolean weak =
          s.adapterLoadedVolts() < 17 || !s.adapterKnown || h.chance(0.6 * s.socketBreaks);
      h.look("built-in.adapter", "passed", "failed", weak);
    }
    h.look("built-in.fan", "passed", "failed", s.fanShare < 0.3);
    boolean picture =
        s.panelDead || s.panelLightDead || h.chance(s.panelCableBreaks) || h.chance(s.tornShare);
    h.look("built-in.screen", "passed", "failed", picture);
    h.look(
        "built-in.board",
        "passed",
        "failed",
        s.boardStopsPerHour > 0 && h.chance(0.3) || !s.chargerWorks && h.chance(0.4));
    h.look("built-in.processor", "passed", "failed", s.loadedCelsius() > 112 && h.chance(0.3));
  }

  private boolean samples(String move) {
    switch (move) {
      case "latency-sample" -> h.note("latency.longest", latency());
      case "load-sample" -> h.note("load.first", load());
      case "network-off" -> h.tried("network-off.after", "same", "gone", Swap.NETWORK_OFF);
      case "security-off" -> h.tried("security-off.after", "same", "gone", Swap.SECURITY_OFF);
      case "unwanted-scan" ->
          h.look(
              "unwanted.found",
              "none",
              "some",
              s.unwantedShare > 0 && h.chance(0.9) || h.chance(0.06));
      case "free-space" -> h.look("volume.free", "enough", "little", s.freeShare < 0.1);
      case "update-wait" -> {
        boolean half = s.updateHalf;
        s.updateHalf &= !h.chance(0.25);
        h.note("update.ends", !half ? "none" : s.updateHalf ? "stuck" : "ends");
      }
      case "bench-start" -> {
        boolean starts = h.trial(1, Swap.OUR_MEDIUM).reached().compareTo(Rung.FIRMWARE) >= 0;
        if (starts) {
          h.tried("bench-start.runs", "same", "runs", Swap.OUR_MEDIUM);
        } else {
          h.note("bench-start.runs", "not");
        }
      }
      case "limited-start" -> {
        boolean starts = h.trial(1, Swap.LIMITED_START).reached().compareTo(Rung.LIMITED) >= 0;
        if (starts) {
          h.tried("limited.after", "same", "gone", Swap.LIMITED_START);
        } else {
          h.note("limited.after", "not");
        }
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private String latency() {
    double most = h.use().holdsMs(false, false, Hands.how());
    if (most < 1.2 || h.chance(0.08)) {
      return "short";
    }
    if (most == s.networkHoldsMs) {
      return "network";
    }
    if (most == s.graphicsHoldsMs) {
      return "graphics";
    }
    if (most == s.soundHoldsMs) {
      return "sound";
    }
    return most == s.profileHoldsMs ? "power" : "other";
  }

  private String load() {
    double items = 0.012 * s.startItems;
    double most = Math.max(Math.max(items, s.thirdShare), Math.max(s.recentShare, s.serviceShare));
    most = Math.max(most, s.unwantedShare);
    if (s.indexing && most < 0.4) {
      return h.chance(0.9) ? "indexing" : "nothing";
    }
    if (s.updateHalf) {
      return "update";
    }
    if (most < 0.3) {
      return "nothing";
    }
    if (most == s.unwantedShare) {
      return h.chance(0.65) ? "unknown" : "one-program";
    }
    if (most == items) {
      return "start-up";
    }
    if (most == s.serviceShare) {
      return h.chance(0.85) ? "service" : "one-program";
    }
    if (most == s.thirdShare) {
      return h.chance(0.8) ? "security" : "one-program";
    }
    return h.chance(0.9) ? "new-program" : "one-program";
  }

  private boolean halves(String move) {
    boolean third =
        s.thirdShare > 0.3 || s.thirdStopsPerHour > 0 || s.thirdHooksDrives || s.thirdHoldsMs > 5;
    boolean recent = s.recentShare > 0.3 || s.recentStopsPerHour > 0;
    switch (move) {
      case "start-up-halves" -> {
        boolean one =
            (third || recent || s.unwantedShare > 0.3 || s.serviceShare > 0.5) && h.chance(0.75);
        h.note(
            "start-up.found", s.startItems > 35 ? "many" : one || h.chance(0.03) ? "one" : "none");
      }
      case "services-halves" -> {
        boolean one =
            third && h.chance(0.9)
                || (recent || s.serviceShare > 0.5 || s.unwantedShare > 0.3) && h.chance(0.4);
        h.look("services.found", "none", "one", one || h.chance(0.03));
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private boolean repairs(String move) {
    switch (move) {
      case "updates-pending" -> {
        if (h.chance(0.4)) {
          new Mend(s, h.random()).by("renew-drivers");
        }
        s.updateHalf &= !h.chance(0.55);
        h.tried("cure.updates", "same", "gone");
      }
      case "flagged-drivers" -> {
        h.look("drivers.flagged", "none", "some", s.flagged);
        if (s.flagged) {
          new Mend(s, h.random()).by("renew-drivers");
        }
        h.tried("cure.drivers", "same", "gone");
      }
      case "storage-driver-renew" -> {
        s.storageDriverFails = h.chance(0.92) ? 0 : s.storageDriverFails;
        h.tried("cure.storage-driver", "same", "gone");
      }
      case "storage-service-restart" ->
          h.mended("cure.storage-service", "same", "gone", "restart-service");
      case "graphics-driver-renew" -> {
        s.graphicsDriverStopsPerHour = 0;
        s.graphicsHoldsMs = Math.min(s.graphicsHoldsMs, 0.5);
        h.tried("cure.graphics-driver", "same", "gone");
      }
      case "sound-driver-renew" -> {
        s.soundHoldsMs = 0;
        h.tried("cure.sound-driver", "same", "gone");
      }
      case "power-profile-set" -> {
        s.profileHoldsMs = 0;
        h.tried("cure.power-profile", "same", "gone");
      }
      case "timer-behaviour" -> {
        s.timersHoldMs = 0;
        h.tried("cure.timers", "same", "gone");
      }
      case "found-program-out" -> h.mended("cure.found-program", "same", "gone", "take-out-found");
      case "remove-last-program" -> h.mended("cure.last-program", "same", "gone", "remove-program");
      case "remove-last-update" -> h.mended("cure.last-update", "same", "gone", "take-back-update");
      case "indexing-off" -> h.mended("cure.indexing", "same", "gone", "stop-indexing");
      case "make-room" -> h.mended("cure.room", "same", "gone", "make-room");
      case "firmware-renew" -> h.mended("cure.firmware", "same", "gone", "renew-firmware");
      case "move-to-solid-state" -> h.mended("cure.solid-state", "same", "gone", "replace-drive");
      case "system-file-verify" -> {
        boolean damaged = s.filesDamaged > 0 || s.startFilesDamaged;
        boolean mends = damaged && !s.storeDamaged;
        h.note("system-files.verified", !damaged ? "whole" : mends ? "mended" : "not-mended");
        h.mended("cure.system-files", "same", "gone", "verify-files");
      }
      case "component-repair" -> h.mended("cure.components", "same", "gone", "repair-store");
      case "boot-records-rebuild" -> h.mended("cure.boot-records", "same", "gone", "rebuild-boot");
      case "roll-back" -> h.mended("cure.roll-back", "same", "gone", "roll-back");
      case "in-place-repair" -> h.mended("cure.in-place", "same", "gone", "put-over");
      default -> {
        return false;
      }
    }
    return true;
  }

  private boolean rebuilds(String move) {
    switch (move) {
      case "reset-keeping" -> rebuilt("cure.reset-keeping", move);
      case "reset-erasing" -> rebuilt("cure.reset-erasing", move);
      case "clean-install" -> rebuilt("cure.clean-install", move);
      default -> {
        return false;
      }
    }
    return true;
  }

  private void rebuilt(String finding, String remedy) {
    boolean reads = s.drive.badSectors() > 5 && h.chance(0.5) || s.volume == Volume.LOCKED;
    if (reads) {
      h.note(finding, "failed");
    } else {
      h.mended(finding, "same", "gone", remedy);
    }
  }
}

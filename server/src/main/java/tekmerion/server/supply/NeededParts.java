package tekmerion.server.supply;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import tekmerion.core.drive.DriveWords;
import tekmerion.core.drive.PartReading;
import tekmerion.core.memory.identity.Smbios;
import tekmerion.core.memory.identity.Smbios.MemorySlot;
import tekmerion.core.port.PageKind;
import tekmerion.core.replace.NeededBattery;
import tekmerion.core.replace.NeededDrive;
import tekmerion.core.replace.NeededModule;
import tekmerion.core.replace.NeededPart;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.link.RunKind;
import tekmerion.server.evidence.OtherParts;
import tekmerion.server.weighing.WeighingService.Evidence;

/** What exactly to buy for every part that at least leans to a fault. */
public final class NeededParts {
  /** Causes that a new pack mends. */
  private static final Set<String> BATTERY = Set.of("battery-cells", "battery-resistance");

  private static final String MODULE = "memory-module";

  private NeededParts() {}

  /**
   * A part to get.
   *
   * @param sort as a remedy names what it replaces: "drive", "memory", "battery"
   * @param place of the old one, "drive A"
   */
  public record Needed(String sort, String place, NeededPart part) {}

  public static List<Needed> of(Evidence evidence) {
    List<Needed> needed = new ArrayList<>();
    evidence.drives().stream()
        .filter(
            place ->
                leans(evidence, c -> c.part().equals(place.partKey()) && c.place().equals("drive")))
        .forEach(
            place ->
                report(evidence, place.partKey())
                    .flatMap(NeededDrive::of)
                    .map(n -> new Needed("drive", DriveWords.named(place.partKey()), n))
                    .ifPresent(needed::add));
    if (leans(evidence, c -> BATTERY.contains(c.cause()))) {
      report(evidence, RunKind.BATTERY)
          .flatMap(OtherParts::worsePack)
          .map(pack -> NeededBattery.of(pack.report()))
          .map(n -> new Needed("battery", "battery", n))
          .ifPresent(needed::add);
    }
    if (leans(evidence, c -> c.cause().equals(MODULE))) {
      report(evidence, RunKind.BOARD)
          .flatMap(r -> r.sound(PageKind.SMBIOS, Smbios.class))
          .flatMap(NeededParts::module)
          .map(n -> new Needed("memory", say("supply.memory-module"), n))
          .ifPresent(needed::add);
    }
    return needed;
  }

  /** Which one is bad does not matter if they are alike; else isolation has to say it first. */
  private static Optional<NeededModule> module(Smbios table) {
    List<NeededModule> sorts =
        table.memorySlots().stream()
            .filter(MemorySlot::filled)
            .map(NeededModule::of)
            .distinct()
            .toList();
    return sorts.size() == 1 ? Optional.of(sorts.get(0)) : Optional.empty();
  }

  private static boolean leans(Evidence evidence, Predicate<CauseShare> which) {
    Stream<CauseShare> causes = evidence.weighed().causes().stream();
    return causes.anyMatch(c -> which.test(c) && c.suspicion().compareTo(Suspicion.LEANING) >= 0);
  }

  private static Optional<PartReading> report(Evidence evidence, String key) {
    return Optional.ofNullable(evidence.reports().get(key));
  }
}

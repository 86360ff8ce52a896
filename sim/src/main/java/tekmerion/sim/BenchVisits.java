package tekmerion.sim;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import tekmerion.sim.HistoryMachine.Trouble;

/**
 * Earlier visits of machines that are on the bench today: the same drive and the same pack,
 * younger. A drive's numbers of then follow from the same ageing as those of now.
 */
final class BenchVisits {
  private BenchVisits() {}

  private record Owner(String name, String maker, String model, String serial, String drive) {}

  private record Visit(Owner owner, int daysAgo, Trouble trouble, Map<String, String> pages) {}

  private static final Owner BAKERY =
      new Owner(
          "Bakery on the quay",
          "Ostrel",
          "17 laptop",
          "OST17-2207-118",
          SimMachines.WORN_DISK.serial());
  private static final Owner PILOT =
      new Owner("Harbour pilot", "Norrvik", "13 laptop", "NV13-88214", "Q24F-71120-A");

  /** Oldest first of each; chance is of their own, so that the rest of the past stays as it is. */
  static List<PastJob> all() {
    Random random = new Random(2291);
    return Stream.of(
            new Visit(BAKERY, 254, Trouble.HEAT, SimMachines.wornDiskPages(402)),
            new Visit(BAKERY, 75, Trouble.BATTERY, SimMachines.wornDiskPages(811)),
            new Visit(BAKERY, 12, Trouble.SLOW, SimMachines.wornDiskPages(1_010)),
            new Visit(PILOT, 610, Trouble.HEAT, SimMachines.tiredPackPages(3.72, 188)),
            new Visit(PILOT, 388, Trouble.SLOW, SimMachines.tiredPackPages(3.18, 377)),
            new Visit(PILOT, 141, Trouble.SYSTEM, SimMachines.tiredPackPages(2.51, 588)))
        .map(visit -> job(visit, random))
        .toList();
  }

  private static PastJob job(Visit visit, Random random) {
    Symptoms.Story story = Symptoms.of(visit.trouble(), random);
    Owner owner = visit.owner();
    return new PastJob(
        visit.daysAgo(),
        10 * 60 + random.nextInt(6 * 60),
        owner.name(),
        false,
        owner.maker(),
        owner.model(),
        owner.serial(),
        owner.drive(),
        story.complaint(),
        story.errorText(),
        story.said(),
        true,
        visit.pages(),
        List.of(14.0, 25.0, 80.0, 30.0),
        story.courses(),
        story.reason(),
        story.changed());
  }
}

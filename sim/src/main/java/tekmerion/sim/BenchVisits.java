package tekmerion.sim;

import java.util.List;
import java.util.Random;
import tekmerion.sim.HistoryMachine.Trouble;

/**
 * Earlier visits of the laptop that is on the bench today: the same drive, younger. Its numbers of
 * then follow from the same ageing as those of now.
 */
final class BenchVisits {
  private BenchVisits() {}

  private record Visit(int daysAgo, double hours, Trouble trouble) {}

  /** Oldest first; chance is of their own, so that the rest of the past stays as it is. */
  static List<PastJob> all() {
    Random random = new Random(2291);
    return List.of(
            new Visit(254, 402, Trouble.HEAT),
            new Visit(75, 811, Trouble.BATTERY),
            new Visit(12, 1_010, Trouble.SLOW))
        .stream()
        .map(visit -> job(visit, random))
        .toList();
  }

  private static PastJob job(Visit visit, Random random) {
    Symptoms.Story story = Symptoms.of(visit.trouble(), random);
    return new PastJob(
        visit.daysAgo(),
        10 * 60 + random.nextInt(6 * 60),
        "Bakery on the quay",
        false,
        "Ostrel",
        "17 laptop",
        "OST17-2207-118",
        SimMachines.WORN_DISK.serial(),
        story.complaint(),
        story.errorText(),
        story.said(),
        true,
        SimMachines.wornDiskPages(visit.hours()),
        List.of(14.0, 25.0, 80.0, 30.0),
        story.courses(),
        story.reason(),
        story.changed());
  }
}

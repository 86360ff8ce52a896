package tekmerion.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.intake.Listener;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Question;
import tekmerion.core.page.RawPage;

class ShopHistoryTest {
  private static final List<PastJob> JOBS = ShopHistory.of(20);

  @Test
  void sameSeedSameShop() {
    assertThat(ShopHistory.of(20)).isEqualTo(JOBS);
    assertThat(ShopHistory.of(21)).isNotEqualTo(JOBS);
  }

  @Test
  void makesAboutFourHundredJobsInTwoYearsOldestFirst() {
    assertThat(JOBS).hasSizeBetween(330, 470);
    assertThat(JOBS).extracting(PastJob::daysAgo).isSortedAccordingTo((a, b) -> b - a);
    assertThat(JOBS).allMatch(job -> job.daysAgo() >= 2 && job.daysAgo() <= 730);
  }

  @Test
  void machinesReturnAndDrivesAreMetInOtherMachines() {
    Map<String, Long> visits =
        JOBS.stream().collect(Collectors.groupingBy(PastJob::serial, Collectors.counting()));
    Map<String, Set<String>> machinesOfDrive =
        JOBS.stream()
            .filter(job -> !job.looseDrive())
            .collect(
                Collectors.groupingBy(
                    PastJob::driveSerial, Collectors.mapping(PastJob::serial, Collectors.toSet())));

    assertThat(visits.values().stream().filter(n -> n > 1)).hasSizeGreaterThan(20);
    assertThat(machinesOfDrive.values().stream().filter(m -> m.size() > 1))
        .hasSizeGreaterThanOrEqualTo(3);
  }

  @Test
  void theDriveNamesItselfInItsPages() {
    for (PastJob job : JOBS) {
      String page = job.pages().get("ata-identify");
      if (page != null) {
        RawPage raw = new RawPage(Base64.getDecoder().decode(page));
        assertThat(IdentifyDevice.decode(raw).decoded().orElseThrow().serialNumber())
            .isEqualTo(job.driveSerial());
      }
    }
    assertThat(JOBS.stream().filter(job -> !job.pages().isEmpty())).hasSizeGreaterThan(300);
  }

  /** Every complaint is heard, every answer is known; the whole shop meets most families. */
  @Test
  void isToldInWordsThatTheKnowHowKnows() {
    KnowHow knowHow = KnowHow.shipped();
    Listener listener = new Listener(knowHow);
    Set<String> families = new HashSet<>();
    for (PastJob job : JOBS) {
      var heard = listener.hear(job.complaint()).families();
      assertThat(heard).as(job.complaint()).isNotEmpty();
      heard.forEach(family -> families.add(family.id()));
      job.said()
          .forEach(
              (question, chosen) -> {
                Question asked = knowHow.question(question).orElseThrow();
                assertThat(asked.levels(chosen, knowHow)).isNotNull();
              });
    }
    assertThat(families).hasSizeGreaterThanOrEqualTo(9);
  }
}

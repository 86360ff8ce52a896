package tekmerion.server.evidence;

import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.PartReading;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.link.PageNote;
import tekmerion.server.job.Job;
import tekmerion.server.part.Part;

/**
 * Keeps readings that were taken before this server knew of them, with the time they were taken.
 */
@Service
public class PastReadings {
  private final Readings readings;
  private final PageStore pages;
  private final PartNumbers numbers;

  PastReadings(Readings readings, PageStore pages, PartNumbers numbers) {
    this.readings = readings;
    this.pages = pages;
    this.numbers = numbers;
  }

  /**
   * @param probe that it came from; must be stored
   * @param bytes raw pages by kind
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void keep(
      Job job,
      Part part,
      String partKey,
      UUID probe,
      String version,
      Instant takenAt,
      Map<PageKind, RawPage> bytes) {
    UUID id = UUID.randomUUID();
    readings.saveAndFlush(
        new Reading(
            id,
            part.id(),
            job.machine().id(),
            job.id(),
            probe,
            UUID.randomUUID(),
            partKey,
            version,
            takenAt,
            takenAt));
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    bytes.forEach(
        (kind, raw) -> {
          PageAnswer answer = new PageAnswer.Got(raw);
          answers.put(kind, answer);
          pages.keep(id, PageNote.of(kind, answer), answer);
        });
    if (!OtherParts.isOther(partKey)) {
      numbers.note(part.id(), new PartReading(answers), takenAt);
    }
  }
}

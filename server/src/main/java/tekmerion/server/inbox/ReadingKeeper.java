package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.PartReading;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkFormatException;
import tekmerion.link.PageNote;
import tekmerion.server.evidence.OtherParts;
import tekmerion.server.evidence.PageStore;
import tekmerion.server.evidence.PartNumbers;
import tekmerion.server.evidence.Reading;
import tekmerion.server.evidence.Readings;
import tekmerion.server.job.Job;
import tekmerion.server.part.Part;
import tekmerion.server.part.PartService;
import tekmerion.server.part.PartService.Met;
import tekmerion.server.probe.ProbeClock;

/** Keeps a reading as it came: whose part it is of, and every page of it. */
@Service
class ReadingKeeper {
  private static final Pattern KEY = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._:-]{0,59}");

  private static final int MAX_KIND_CHARS = 40;

  private static final int MAX_WHY_CHARS = 1000;

  private static final int MAX_PAGES = 64;

  private final PartService parts;
  private final OtherParts others;
  private final Readings readings;
  private final PageStore pages;
  private final PartNumbers numbers;
  private final Clock clock;

  /**
   * What was kept.
   *
   * @param isNewHere whether the part came to this machine just now, and was in another before
   * @param takenAt by the probe's clock, or when it came in if that cannot be
   */
  record Kept(Part part, boolean isNewHere, Instant takenAt) {}

  ReadingKeeper(
      PartService parts,
      OtherParts others,
      Readings readings,
      PageStore pages,
      PartNumbers numbers,
      Clock clock) {
    this.parts = parts;
    this.others = others;
    this.readings = readings;
    this.pages = pages;
    this.numbers = numbers;
    this.clock = clock;
  }

  /** What the tables could not hold is refused here, so that it never blocks what comes after. */
  void check(LinkEvent.PartRead event) {
    boolean fits =
        event.partKey() != null
            && KEY.matcher(event.partKey()).matches()
            && event.takenAt() != null
            && event.readingId() != null
            && event.pages().size() <= MAX_PAGES
            && event.pages().stream()
                .allMatch(
                    page ->
                        page.kind() != null
                            && page.kind().length() <= MAX_KIND_CHARS
                            && page.outcome() != null
                            && (page.why() == null || page.why().length() <= MAX_WHY_CHARS))
            && event.pages().stream().map(PageNote::kind).distinct().count()
                == event.pages().size();
    if (!fits) {
      throw new LinkFormatException(say("inbox.a-field-of-the-reading-is"));
    }
    if (readings.existsById(event.readingId())) {
      throw new LinkFormatException(
          say("inbox.reading-is-known-already", "readingId", event.readingId()));
    }
  }

  /**
   * @throws LinkFormatException if a page cannot be used; nothing is kept then
   */
  Kept keep(Job job, UUID probeId, String probeVersion, LinkEvent.PartRead event) {
    List<PageAnswer> answers = new ArrayList<>();
    for (PageNote page : event.pages()) {
      answers.add(page.answer()); // all are checked before anything is kept
    }
    PartReading drive = reading(event);
    Instant now = clock.instant();
    Instant takenAt = ProbeClock.or(event.takenAt(), now);
    Met met =
        others
            .met(job.machine().id(), event.partKey(), drive, now)
            .orElseGet(
                () ->
                    parts.met(
                        job.machine().id(),
                        event.partKey(),
                        OtherParts.slotName(event.partKey()),
                        DriveIdentity.of(drive),
                        now));
    Part part = met.part();
    Reading reading =
        new Reading(
            event.readingId(),
            part.id(),
            job.machine().id(),
            job.id(),
            probeId,
            event.requestId(),
            event.partKey(),
            probeVersion,
            takenAt,
            now);
    readings.saveAndFlush(reading);
    for (int i = 0; i < answers.size(); i++) {
      pages.keep(event.readingId(), event.pages().get(i), answers.get(i));
    }
    numbers.note(part.id(), drive, takenAt);
    return new Kept(part, met.arrived() && met.metBefore(), takenAt);
  }

  private static PartReading reading(LinkEvent.PartRead event) {
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    for (PageNote page : event.pages()) {
      PageKind.ofWireName(page.kind()).ifPresent(kind -> answers.put(kind, page.answer()));
    }
    return new PartReading(answers);
  }
}

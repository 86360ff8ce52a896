package tekmerion.server.inbox;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.PartReading;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkFormatException;
import tekmerion.link.PageNote;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.evidence.OtherParts;
import tekmerion.server.evidence.PageStore;
import tekmerion.server.evidence.PartNumbers;
import tekmerion.server.evidence.ReadRequests;
import tekmerion.server.evidence.Reading;
import tekmerion.server.evidence.Readings;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobProgress;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Journal;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Notices;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.part.Part;
import tekmerion.server.part.PartHistory;
import tekmerion.server.part.PartService;
import tekmerion.server.part.PartService.Met;
import tekmerion.server.permit.DataStatuses;
import tekmerion.server.probe.ProbeClock;
import tekmerion.server.search.SearchIndex;
import tekmerion.server.weighing.WeighingService;

/** Applies what probes report: keeps the bytes first, then everything that follows from them. */
@Service
public class ReadingInbox {
  private static final Pattern KEY = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._:-]{0,59}");
  private static final int MAX_KIND_CHARS = 40;
  private static final int MAX_WHY_CHARS = 1000;
  private static final int MAX_PAGES = 64;

  /** In place of a probe's version. */
  private static final String CAPTURED = "captured by hand";

  private final Bays bays;
  private final Jobs jobs;
  private final PartService parts;
  private final OtherParts others;
  private final Readings readings;
  private final PageStore pages;
  private final ReadRequests requests;
  private final PartNumbers numbers;
  private final WeighingService weighing;
  private final DataStatuses statuses;
  private final Journal journal;
  private final PartHistory known;
  private final JobProgress progress;
  private final SearchIndex search;
  private final Notices notices;
  private final LiveEvents live;
  private final Clock clock;

  ReadingInbox(
      Bays bays,
      Jobs jobs,
      PartService parts,
      OtherParts others,
      Readings readings,
      PageStore pages,
      ReadRequests requests,
      PartNumbers numbers,
      WeighingService weighing,
      DataStatuses statuses,
      Journal journal,
      PartHistory known,
      JobProgress progress,
      SearchIndex search,
      Notices notices,
      LiveEvents live,
      Clock clock) {
    this.bays = bays;
    this.jobs = jobs;
    this.parts = parts;
    this.others = others;
    this.readings = readings;
    this.pages = pages;
    this.requests = requests;
    this.numbers = numbers;
    this.weighing = weighing;
    this.statuses = statuses;
    this.journal = journal;
    this.known = known;
    this.progress = progress;
    this.search = search;
    this.notices = notices;
    this.live = live;
    this.clock = clock;
  }

  /**
   * @return why the event could not be applied; the caller then keeps it whole. Empty if it was.
   */
  @Transactional
  public Optional<String> apply(UUID probeId, Long bayId, String probeVersion, LinkEvent event) {
    Optional<ReadRequests.Asked> asked = requests.asked(event.requestId());
    if (asked.isPresent() && !asked.get().probeId().equals(probeId)) {
      return Optional.of("it answers what another probe was asked");
    }
    Optional<Job> job =
        asked
            .map(ReadRequests.Asked::jobId)
            .flatMap(jobs::findById)
            .or(() -> bays.findById(bayId).map(Bay::job));
    if (event instanceof LinkEvent.CommandRefused refused) {
      if (asked.isEmpty() || refused.why() == null) {
        return Optional.of("nobody asked for what it refuses, or it does not say why");
      }
      requests.end(refused.requestId(), refused.why());
      job.ifPresent(
          j -> {
            tell(j, "Reading could not run", refused.why());
            notices.tellHolders(j, "A reading of %s could not run".formatted(j.number()));
          });
      return Optional.empty();
    }
    LinkEvent.PartRead read = (LinkEvent.PartRead) event;
    if (job.isEmpty()) {
      return Optional.of("no job: the request is unknown and the bay is free");
    }
    try {
      check(read);
      read(job.get(), probeId, probeVersion, read);
      return Optional.empty();
    } catch (LinkFormatException e) {
      requests.end(read.requestId(), e.getMessage());
      tell(job.get(), "Reading could not be used", e.getMessage());
      return Optional.of(e.getMessage());
    }
  }

  /**
   * Keeps pages that somebody brought as files; nobody asked for them over the link.
   *
   * @throws LinkFormatException if they do not make a reading; nothing is kept then
   */
  @Transactional
  public void captured(Job job, UUID probeId, LinkEvent.PartRead read) {
    check(read);
    read(job, probeId, CAPTURED, read);
  }

  /** What the tables could not hold is refused here, so that it never blocks what comes after. */
  private void check(LinkEvent.PartRead event) {
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
      throw new LinkFormatException("a field of the reading is missing, too long or stands twice");
    }
    if (readings.existsById(event.readingId())) {
      throw new LinkFormatException("reading %s is known already".formatted(event.readingId()));
    }
  }

  private void read(Job job, UUID probeId, String probeVersion, LinkEvent.PartRead event) {
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
    requests.end(event.requestId(), null);
    if (!OtherParts.isOther(event.partKey())) {
      statuses.settle(job, OtherParts.slotName(event.partKey()) + " was read", null, "probe");
    }
    numbers.note(part.id(), drive, takenAt);
    int findings = weighing.reweigh(job).findings();
    tell(
        job,
        OtherParts.slotName(event.partKey()) + " read",
        takenAt.equals(event.takenAt())
            ? "%d findings weighed".formatted(findings)
            : "%d findings weighed; its clock says %s, so the time it came in counts"
                .formatted(findings, event.takenAt()));
    if (met.arrived() && met.metBefore()) {
      known
          .lastSeenElsewhere(part.id(), job.id())
          .ifPresent(
              before ->
                  journal.save(
                      new JournalEntry(
                          job.id(),
                          now,
                          JournalEntry.Kind.PART,
                          OtherParts.slotName(event.partKey()) + " met before",
                          before,
                          "probe")));
    }
    if (!OtherParts.isOther(event.partKey())) {
      progress.drivesRead(job);
    }
    search.note(job);
    notices.tellHolders(
        job, "%s of %s is read".formatted(OtherParts.slotName(event.partKey()), job.number()));
  }

  private static PartReading reading(LinkEvent.PartRead event) {
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    for (PageNote page : event.pages()) {
      PageKind.ofWireName(page.kind()).ifPresent(kind -> answers.put(kind, page.answer()));
    }
    return new PartReading(answers);
  }

  private void tell(Job job, String title, String detail) {
    journal.save(
        new JournalEntry(
            job.id(), clock.instant(), JournalEntry.Kind.READING, title, detail, "probe"));
    live.changed("job:" + job.number());
    live.changed("floor");
  }
}

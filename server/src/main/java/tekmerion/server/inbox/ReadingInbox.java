package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkFormatException;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.evidence.OtherParts;
import tekmerion.server.evidence.ReadRequests;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobProgress;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Notices;
import tekmerion.server.job.Tell;
import tekmerion.server.part.Part;
import tekmerion.server.part.PartHistory;
import tekmerion.server.permit.DataStatuses;
import tekmerion.server.search.SearchIndex;
import tekmerion.server.weighing.WeighAnew;
import tekmerion.server.weighing.WeighingService;
import tekmerion.words.Words;

/** Applies what probes report: keeps the bytes first, then everything that follows from them. */
@Service
public class ReadingInbox {

  /** In place of a probe's version. */
  private static String captured() {
    return say("inbox.captured-by-hand");
  }

  private final Bays bays;
  private final Jobs jobs;
  private final ReadingKeeper keeper;
  private final ReadRequests requests;
  private final WeighingService weighing;
  private final WeighAnew weighAnew;
  private final DataStatuses statuses;
  private final Tell tell;
  private final PartHistory known;
  private final JobProgress progress;
  private final SearchIndex search;
  private final Notices notices;

  ReadingInbox(
      Bays bays,
      Jobs jobs,
      ReadingKeeper keeper,
      ReadRequests requests,
      WeighingService weighing,
      WeighAnew weighAnew,
      DataStatuses statuses,
      Tell tell,
      PartHistory known,
      JobProgress progress,
      SearchIndex search,
      Notices notices) {
    this.bays = bays;
    this.jobs = jobs;
    this.keeper = keeper;
    this.requests = requests;
    this.weighing = weighing;
    this.weighAnew = weighAnew;
    this.statuses = statuses;
    this.tell = tell;
    this.known = known;
    this.progress = progress;
    this.search = search;
    this.notices = notices;
  }

  /**
   * @return why the event could not be applied; the caller then keeps it whole. Empty if it was.
   */
  @Transactional
  public Optional<String> apply(UUID probeId, Long bayId, String probeVersion, LinkEvent event) {
    Optional<ReadRequests.Asked> asked = requests.asked(event.requestId());
    if (asked.isPresent() && !asked.get().probeId().equals(probeId)) {
      return Optional.of(say("inbox.it-answers-what-another-probe-was"));
    }
    Optional<Job> job =
        asked
            .map(ReadRequests.Asked::jobId)
            .flatMap(jobs::findById)
            .or(() -> bays.findById(bayId).map(Bay::job));
    if (event instanceof LinkEvent.CommandRefused refused) {
      if (asked.isEmpty() || refused.why() == null) {
        return Optional.of(say("inbox.nobody-asked-for-what-it-refuses"));
      }
      requests.end(refused.requestId(), refused.why());
      job.ifPresent(
          j -> {
            tell(j, () -> say("inbox.reading-could-not-run"), refused::why);
            notices.tellHolders(j, () -> say("inbox.a-reading-of-could-not-run", "j", j.number()));
          });
      return Optional.empty();
    }
    LinkEvent.PartRead read = (LinkEvent.PartRead) event;
    if (job.isEmpty()) {
      return Optional.of(say("inbox.no-job-the-request-is-unknown"));
    }
    try {
      keeper.check(read);
      read(job.get(), probeId, probeVersion, read);
      return Optional.empty();
    } catch (LinkFormatException e) {
      requests.end(read.requestId(), e.getMessage());
      tell(job.get(), () -> say("inbox.reading-could-not-be-used"), e::getMessage);
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
    keeper.check(read);
    read(job, probeId, captured(), read);
  }

  private void read(Job job, UUID probeId, String probeVersion, LinkEvent.PartRead event) {
    ReadingKeeper.Kept kept = keeper.keep(job, probeId, probeVersion, event);
    Part part = kept.part();
    Instant takenAt = kept.takenAt();
    requests.end(event.requestId(), null);
    if (!OtherParts.isOther(event.partKey())) {
      statuses.settle(
          job,
          Words.kept(() -> say("inbox.was-read", "slotName", OtherParts.slotName(event.partKey()))),
          null,
          "probe");
    }
    int findings = weighing.reweigh(job).findings();
    tell(
        job,
        () -> say("inbox.read", "part", OtherParts.slotName(event.partKey())),
        () ->
            takenAt.equals(event.takenAt())
                ? say("inbox.findings-weighed", "findings", findings)
                : say(
                    "inbox.findings-weighed-its-clock-says-so",
                    "findings",
                    findings,
                    "takenAt",
                    event.takenAt()));
    if (kept.isNewHere()) {
      known
          .lastSeenElsewhere(part.id(), job.id())
          .ifPresent(
              before ->
                  tell.journal(
                      job,
                      JournalEntry.Kind.PART,
                      () ->
                          say("inbox.met-before", "slotName", OtherParts.slotName(event.partKey())),
                      () -> before,
                      "probe"));
    }
    if (!OtherParts.isOther(event.partKey())) {
      progress.drivesRead(job);
    }
    weighAnew.afterThis(job);
    search.note(job);
    notices.tellHolders(
        job,
        () ->
            say(
                "inbox.of-is-read",
                "slotName",
                OtherParts.slotName(event.partKey()),
                "job",
                job.number()));
  }

  private void tell(Job job, Supplier<String> title, Supplier<String> detail) {
    tell.journal(job, JournalEntry.Kind.READING, title, detail, "probe");
  }
}

package tekmerion.server.exchange;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.PageRecognition;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.link.CaptureFile;
import tekmerion.link.LinkFormatException;
import tekmerion.link.PageNote;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;

/** Pages that come as files: recognised by their content, kept as a reading of the job. */
@Service
class Captures {
  private static final int MAX_FILES = 64;
  private static final int MAX_BYTES = 4 << 20;

  private final Jobs jobs;
  private final CaptureTaking taking;
  private final Clock clock;

  /**
   * @param content in base 64
   */
  record Dropped(String name, String content) {}

  /**
   * What became of a file.
   *
   * @param taken whether it was kept
   * @param words what it is, or why it was not taken
   */
  record Taken(String name, boolean taken, String words) {}

  Captures(Jobs jobs, CaptureTaking taking, Clock clock) {
    this.jobs = jobs;
    this.taking = taking;
    this.clock = clock;
  }

  /**
   * @param partKey what loose pages are of; a file of a probe's says so itself
   */
  @Transactional
  public List<Taken> take(String number, String partKey, List<Dropped> files, Person by) {
    Job job = jobs.named(number);
    if (job.endedAt() != null) {
      throw Refusal.notPossibleNow(
          say("exchange.the-job-is-ended"), say("exchange.take-the-machine-in-anew"));
    }
    if (files.size() > MAX_FILES || !partKey.matches("drive-[a-z]|board|battery")) {
      throw Refusal.badRequest(
          say("exchange.more-files-or-of-something-else"), say("exchange.drop-fewer"));
    }
    List<Taken> taken = new ArrayList<>();
    List<PageNote> loose = new ArrayList<>();
    for (Dropped file : files) {
      RawPage raw = bytes(file);
      if (CaptureFile.isOne(raw)) {
        taken.add(whole(job, file, raw, by));
      } else {
        taken.add(page(file, raw, loose));
      }
    }
    if (!loose.isEmpty()) {
      taking.take(
          job, new CaptureFile.CapturedReading(UUID.randomUUID(), partKey, clock.instant(), loose));
    }
    return taken;
  }

  private static RawPage bytes(Dropped file) {
    try {
      byte[] bytes = Base64.getDecoder().decode(file.content());
      if (bytes.length == 0 || bytes.length > MAX_BYTES) {
        throw Refusal.badRequest(
            say("exchange.is-empty-or-too-long", "file", file.name()),
            say("exchange.leave-it-out"));
      }
      return new RawPage(bytes);
    } catch (IllegalArgumentException e) {
      throw Refusal.badRequest(
          say("exchange.could-not-be-read", "file", file.name()), say("exchange.drop-it-again"));
    }
  }

  private Taken whole(Job job, Dropped file, RawPage raw, Person by) {
    try {
      CaptureFile capture = CaptureFile.parse(raw);
      CaptureTaking.CaptureCounts in = taking.take(job, capture, by);
      return new Taken(
          file.name(),
          true,
          say(
              "exchange.a-probes-file-with-readings",
              "count",
              in.readings(),
              "runs",
              in.runs(),
              "known",
              in.known()));
    } catch (LinkFormatException e) {
      return new Taken(
          file.name(), false, say("exchange.a-probes-file-that-is-damaged", "e", e.getMessage()));
    }
  }

  /** Where two kinds look alike, its name decides if it is one of theirs. */
  private static Taken page(Dropped file, RawPage raw, List<PageNote> into) {
    List<PageKind> kinds = PageRecognition.of(raw);
    List<PageKind> named =
        kinds.stream().filter(k -> file.name().startsWith(k.wireName() + ".")).toList();
    List<PageKind> left = named.isEmpty() ? kinds : named;
    if (left.isEmpty()) {
      return new Taken(file.name(), false, say("exchange.nothing-that-is-known-here"));
    }
    if (left.size() > 1) {
      return new Taken(
          file.name(),
          false,
          say(
              "exchange.could-be-call-it-bin-if",
              "left",
              String.join(say("exchange.or"), left.stream().map(PageKind::standardName).toList()),
              "wireName",
              left.get(0).wireName()));
    }
    if (into.stream().anyMatch(p -> p.kind().equals(left.get(0).wireName()))) {
      return new Taken(
          file.name(), false, say("exchange.a-second", "standardName", left.get(0).standardName()));
    }
    into.add(PageNote.of(left.get(0), new PageAnswer.Got(raw)));
    return new Taken(file.name(), true, left.get(0).standardName());
  }
}

package tekmerion.server.exchange;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.CaptureFile;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkFormatException;
import tekmerion.link.RunNames;
import tekmerion.link.stick.SealedCapture;
import tekmerion.link.stick.StickOpener;
import tekmerion.link.stick.StickStore;
import tekmerion.server.exchange.CaptureTaking.CaptureCounts;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.OpenJobs;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;

/** What a stick kept where there was no network, machine by machine, and taking it into jobs. */
@Service
class StickVisits {
  private final StickOpening opening;
  private final CaptureTaking taking;
  private final Jobs jobs;
  private final OpenJobs openJobs;
  private final JdbcClient jdbc;

  /**
   * A machine that was worked on with the stick.
   *
   * @param machine maker and model as it says; empty if it reports none
   * @param serial likewise
   * @param from when the first of it was read or ended, by that machine's clock; null if nothing
   *     was
   * @param readings how many parts were read
   * @param runs what was run and what came of it, a sentence each
   * @param takenInto job that all of it is in already; null if not all of it is
   * @param proposed the open job whose machine has this serial; null if none has, or several
   */
  record StickVisit(
      UUID id,
      String machine,
      String serial,
      @Schema(nullable = true) Instant from,
      @Schema(nullable = true) Instant to,
      int readings,
      List<String> runs,
      @Schema(nullable = true) String takenInto,
      @Schema(nullable = true) String proposed) {}

  /**
   * @param unopened captures that are sealed to another shop's key, or damaged
   */
  record StickContent(List<StickVisit> visits, int unopened) {}

  private record Opened(UUID id, CaptureFile capture) {
    Set<UUID> ids() {
      Set<UUID> ids = new HashSet<>();
      capture.readings().forEach(r -> ids.add(r.id()));
      capture.runs().forEach(r -> ids.add(r.requestId()));
      return ids;
    }
  }

  StickVisits(
      StickOpening opening, CaptureTaking taking, Jobs jobs, OpenJobs openJobs, JdbcClient jdbc) {
    this.opening = opening;
    this.taking = taking;
    this.jobs = jobs;
    this.openJobs = openJobs;
    this.jdbc = jdbc;
  }

  /**
   * @param store the stick's file
   * @throws Refusal 400 if it is none
   */
  @Transactional(readOnly = true)
  StickContent look(byte[] store) {
    List<StickStore.Kept> kept = kept(store);
    List<Opened> opened = opened(kept);
    return new StickContent(
        withoutEarlierOnes(opened).stream().map(this::visit).toList(), kept.size() - opened.size());
  }

  /**
   * @param id of the visit
   * @throws Refusal 400 if the file does not hold it, 409 if the job is ended
   */
  @Transactional
  CaptureCounts takeIn(byte[] store, UUID id, String number, Person by) {
    Job job = jobs.named(number);
    if (job.endedAt() != null) {
      throw Refusal.notPossibleNow(
          say("exchange.the-job-is-ended"), say("exchange.take-the-machine-in-anew"));
    }
    Opened visit =
        opened(kept(store)).stream()
            .filter(o -> o.id().equals(id))
            .findFirst()
            .orElseThrow(
                () ->
                    Refusal.badRequest(
                        say("exchange.not-on-this-stick"), say("exchange.choose-the-file-again")));
    try {
      return taking.take(job, visit.capture(), by);
    } catch (LinkFormatException e) {
      throw Refusal.badRequest(
          say("exchange.kept-as-no-probe-keeps-it", "why", e.getMessage()),
          say("exchange.nothing-of-it-was-taken"));
    }
  }

  private static List<StickStore.Kept> kept(byte[] store) {
    try {
      Optional<StickStore> found = StickStore.in(store);
      if (found.isEmpty()) {
        throw Refusal.badRequest(
            say("exchange.no-store-of-a-stick"),
            say("exchange.choose-the-sticks-file", "name", StickStore.FILE_NAME));
      }
      return found.get().kept();
    } catch (IOException e) {
      throw new IllegalStateException("bytes in memory cannot fail", e);
    }
  }

  /** Those that open, in the order in which they were kept. */
  private List<Opened> opened(List<StickStore.Kept> kept) {
    StickOpener opener =
        opening
            .opener()
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        say("intake.this-server-has-no-key-to"),
                        say("exchange.set-the-seal-key-and-make-the-stick-anew")));
    List<Opened> opened = new ArrayList<>();
    for (StickStore.Kept one : kept) {
      try {
        SealedCapture.open(one, opener).ifPresent(c -> opened.add(new Opened(one.id(), c)));
      } catch (LinkFormatException e) {
        // Counted as one that does not open.
      }
    }
    return opened;
  }

  /** Whoever saves twice keeps all of it again: what a later one holds too is told once. */
  private static List<Opened> withoutEarlierOnes(List<Opened> opened) {
    List<Opened> last = new ArrayList<>();
    for (int i = opened.size() - 1; i >= 0; i--) {
      Opened one = opened.get(i);
      if (last.stream().noneMatch(later -> later.ids().containsAll(one.ids()))) {
        last.add(one);
      }
    }
    Collections.reverse(last);
    return last;
  }

  private StickVisit visit(Opened opened) {
    CaptureFile capture = opened.capture();
    List<Instant> times =
        Stream.concat(
                capture.readings().stream().map(CaptureFile.CapturedReading::takenAt),
                capture.runs().stream().map(LinkEvent.RunEnded::endedAt))
            .filter(Objects::nonNull)
            .sorted()
            .toList();
    return new StickVisit(
        opened.id(),
        "%s %s".formatted(capture.machine().maker(), capture.machine().model()).strip(),
        capture.machine().serial(),
        times.isEmpty() ? null : times.get(0),
        times.isEmpty() ? null : times.get(times.size() - 1),
        capture.readings().size(),
        capture.runs().stream().map(StickVisits::told).toList(),
        takenInto(opened.ids()),
        openJobs.withSerial(capture.machine().serial()).map(OpenJobs.Found::number).orElse(null));
  }

  private static String told(LinkEvent.RunEnded run) {
    String name = run.run() == null ? "" : RunNames.name(run.run());
    String what =
        run.drive() == null
            ? name
            : say(
                "run.of", "name", name, "drive", run.drive().model() + " " + run.drive().serial());
    return run.end() == null || run.run() == null
        ? what
        : "%s: %s".formatted(what, RunNames.end(run));
  }

  /** The job that holds all of these; null if one of them is nowhere, or they are in several. */
  private String takenInto(Set<UUID> ids) {
    if (ids.isEmpty()) {
      return null;
    }
    record Place(String id, String job) {}
    List<Place> places =
        jdbc.sql(
                "SELECT r.id, j.number AS job FROM reading r JOIN job j ON j.id = r.job_id"
                    + " WHERE r.id IN (:ids) UNION ALL SELECT r.id, j.number FROM run r"
                    + " JOIN job j ON j.id = r.job_id WHERE r.id IN (:ids)")
            .param("ids", ids.stream().map(UUID::toString).toList())
            .query((rs, n) -> new Place(rs.getString(1), rs.getString(2)))
            .list();
    Set<String> of = new HashSet<>(places.stream().map(Place::job).toList());
    return places.size() == ids.size() && of.size() == 1 ? of.iterator().next() : null;
  }
}

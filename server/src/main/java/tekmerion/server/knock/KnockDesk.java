package tekmerion.server.knock;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.LinkCodec;
import tekmerion.link.MachineNote;
import tekmerion.server.audit.Audit;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.BayPlaces;
import tekmerion.server.bay.Bays;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.OpenJobs;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;

/** Who knocks, and letting in. The digits themselves are never shown to a browser. */
@Service
class KnockDesk {
  private final HeardKnocks knocks;
  private final Bays bays;
  private final BayPlaces places;
  private final Jobs jobs;
  private final JobLock lock;
  private final OpenJobs openJobs;
  private final Audit audit;
  private final LiveEvents live;
  private final Clock clock;

  /**
   * @param machine maker and model as the machine says; empty if it reports none
   * @param serial likewise
   * @param drives how many it sees
   * @param from the address it knocks from
   * @param job the open one whose machine has this serial; null if none has, or several
   */
  record KnockView(
      UUID id,
      String machine,
      String serial,
      int drives,
      String from,
      Instant since,
      @Schema(nullable = true) ProposedJob job) {}

  /**
   * @param bay where its machine stands; null if in none
   */
  record ProposedJob(String number, @Schema(nullable = true) Integer bay) {}

  KnockDesk(
      HeardKnocks knocks,
      Bays bays,
      BayPlaces places,
      Jobs jobs,
      JobLock lock,
      OpenJobs openJobs,
      Audit audit,
      LiveEvents live,
      Clock clock) {
    this.knocks = knocks;
    this.bays = bays;
    this.places = places;
    this.jobs = jobs;
    this.lock = lock;
    this.openJobs = openJobs;
    this.audit = audit;
    this.live = live;
    this.clock = clock;
  }

  /** Those that wait, the longest first. */
  @Transactional(readOnly = true)
  List<KnockView> waiting() {
    Instant now = clock.instant();
    return knocks.findByOrderByKnockedAt().stream()
        .filter(knock -> knock.waitsAt(now))
        .map(this::view)
        .toList();
  }

  private KnockView view(HeardKnock knock) {
    MachineNote note = LinkCodec.decode(knock.machineNote(), MachineNote.class);
    return new KnockView(
        knock.id(),
        "%s %s".formatted(note.maker(), note.model()).strip(),
        note.serial(),
        note.drives().size(),
        knock.source(),
        knock.knockedAt(),
        openJobs
            .withSerial(note.serial())
            .map(job -> new ProposedJob(job.number(), job.bay()))
            .orElse(null));
  }

  /**
   * Lets a machine in.
   *
   * @param digits as somebody read them from its screen
   * @param jobNumber whose machine it is, where the bay is free; null for none
   * @return why not, if these are not its digits: the try counts, so nothing is rolled back
   * @throws Refusal 409 if it does not knock any more, or another job stands in the bay
   */
  @Transactional
  Optional<Refusal> letIn(UUID id, String digits, int bayNumber, String jobNumber, Person by) {
    HeardKnock knock = waits(id);
    Bay bay = bays.numbered(bayNumber);
    if (!knock.areItsDigits(digits)) {
      return Optional.of(notItsDigits(knock, by));
    }
    if (jobNumber != null && (bay.job() == null || !bay.job().number().equals(jobNumber))) {
      places.put(lock.forChange(jobNumber, jobs.named(jobNumber).version()), bay.number(), by);
    }
    knock.letIn(bay.id());
    audit.of(Audit.Kind.KNOCK_LET_IN, by, bay.name(), called(knock));
    live.changed(Door.LIVE_TOPIC);
    return Optional.empty();
  }

  private Refusal notItsDigits(HeardKnock knock, Person by) {
    if (knock.triesLeft() > 0) {
      return Refusal.wrongDigits(
          say("knock.not-its-digits"),
          say("knock.knocks-on"),
          say("knock.compare-again", "left", knock.triesLeft()));
    }
    audit.of(Audit.Kind.KNOCK_TURNED_AWAY, by, knock.source(), "wrong digits, " + called(knock));
    live.changed(Door.LIVE_TOPIC);
    return Refusal.wrongDigits(
        say("knock.not-its-digits"),
        say("knock.is-turned-away"),
        say("knock.somebody-may-sit-between"));
  }

  @Transactional
  void turnAway(UUID id, Person by) {
    HeardKnock knock = waits(id);
    knock.turnAway();
    audit.of(Audit.Kind.KNOCK_TURNED_AWAY, by, knock.source(), called(knock));
    live.changed(Door.LIVE_TOPIC);
  }

  private HeardKnock waits(UUID id) {
    return knocks
        .lockById(id)
        .filter(knock -> knock.waitsAt(clock.instant()))
        .orElseThrow(
            () ->
                Refusal.notPossibleNow(
                    say("knock.does-not-knock-any-more"), say("knock.look-at-its-screen")));
  }

  private String called(HeardKnock knock) {
    KnockView view = view(knock);
    return "%s, serial %s, from %s".formatted(view.machine(), view.serial(), view.from());
  }
}

package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkFormatException;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.server.evidence.ReadRequests;
import tekmerion.server.job.Tell;
import tekmerion.server.probe.Probe;
import tekmerion.server.probe.Probes;
import tekmerion.server.run.Runs;
import tools.jackson.databind.json.JsonMapper;

/**
 * Takes what probes send. Each numbered event is applied in one transaction together with the
 * number itself: so it counts exactly once, whatever is killed when. A number seen before is only
 * acknowledged; a gap is asked for.
 */
@Service
public class LinkInbox {
  private static final String UNUSABLE = "unusable";
  private static final int MAX_WHY = 500;

  private final Probes probes;
  private final ProbePresence presence;
  private final ReadingInbox readings;
  private final ReadRequests requests;
  private final RunInbox runInbox;
  private final CopiesInbox copiesInbox;
  private final Runs runs;
  private final ReleaseDesk releases;
  private final Tell tell;
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  LinkInbox(
      Probes probes,
      ProbePresence presence,
      ReadingInbox readings,
      ReadRequests requests,
      RunInbox runInbox,
      CopiesInbox copiesInbox,
      Runs runs,
      ReleaseDesk releases,
      Tell tell,
      JdbcClient jdbc,
      JsonMapper json,
      Clock clock) {
    this.probes = probes;
    this.presence = presence;
    this.readings = readings;
    this.requests = requests;
    this.runInbox = runInbox;
    this.copiesInbox = copiesInbox;
    this.runs = runs;
    this.releases = releases;
    this.tell = tell;
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /**
   * @return what to answer, after the commit
   * @throws LinkFormatException if the message breaks the rules in a way that no retry mends
   */
  @Transactional
  List<ToProbe> receive(UUID probeId, ToServer message) {
    Probe probe = probes.lockById(probeId).orElseThrow(ProbeRevokedException::new);
    if (probe.isRevoked()) {
      throw new ProbeRevokedException();
    }
    if (message instanceof ToServer.Hello hello) {
      return hello(probe, hello);
    }
    if (message instanceof ToServer.Event event) {
      return event(probe, event);
    }
    if (message instanceof ToServer.RunProgress progress) {
      runInbox.told(probeId, progress);
      return List.of();
    }
    if (message instanceof ToServer.RunWaits waits) {
      runInbox.waits(probeId, waits);
      return List.of();
    }
    if (message instanceof ToServer.MachineNow now) {
      presence.machineIs(probe, now.machine());
      return List.of();
    }
    if (message instanceof ToServer.CopiesHeld held) {
      copiesInbox.held(probeId, held);
      return List.of();
    }
    if (message instanceof ToServer.ReleaseAsked asked) {
      return List.of(releases.answer(probeId, asked));
    }
    ToServer.Progress progress = (ToServer.Progress) message;
    requests
        .jobOf(progress.requestId(), probeId)
        .ifPresent(job -> tell.progress(job, json.writeValueAsString(progress)));
    return List.of();
  }

  @Transactional
  void wentOff(UUID probeId) {
    presence.wentOff(probeId);
  }

  private List<ToProbe> hello(Probe probe, ToServer.Hello hello) {
    List<ToProbe> answers = new ArrayList<>();
    answers.add(presence.hello(probe, hello));
    answers.addAll(requests.openOf(probe.id()));
    answers.addAll(runs.openOf(probe.id()));
    return answers;
  }

  private List<ToProbe> event(Probe probe, ToServer.Event event) {
    Optional<List<ToProbe>> answer = outOfTurn(probe, event.number());
    if (answer.isPresent()) {
      return answer.get();
    }
    Optional<String> refused =
        event.event() instanceof LinkEvent.RunEnded ended
            ? runInbox.ended(probe.id(), ended)
            : readings.apply(probe.id(), probe.bayId(), probe.probeVersion(), event.event());
    if (refused.isPresent() && event.event() instanceof LinkEvent.RunEnded) {
      runInbox.unusable(probe.id(), event.event().requestId());
    }
    keep(
        probe.id(),
        event.number(),
        kind(event.event()),
        refused,
        refused.isPresent() ? LinkCodec.encode(event.event()) : null);
    probe.received(event.number());
    return List.of(new ToProbe.Acknowledge(probe.receivedThrough()));
  }

  /**
   * Empty if it is the next one; else what is answered: a gap is asked for, a repeat acknowledged.
   */
  private static Optional<List<ToProbe>> outOfTurn(Probe probe, long number) {
    long expected = probe.receivedThrough() + 1;
    if (number == expected) {
      return Optional.empty();
    }
    return Optional.of(
        List.of(
            number > expected
                ? new ToProbe.Resend(expected)
                : new ToProbe.Acknowledge(probe.receivedThrough())));
  }

  /**
   * Keeps a numbered event that cannot be used, whatever is in it, and acknowledges it: what comes
   * after it is not held up. A run that it would have ended is ended as one that could not be run.
   *
   * @param body as it came
   * @param run that it is about; null if it does not say so
   */
  @Transactional
  List<ToProbe> unusable(UUID probeId, long number, UUID run, String body, String why) {
    Probe probe = probes.lockById(probeId).orElseThrow(ProbeRevokedException::new);
    if (probe.isRevoked()) {
      throw new ProbeRevokedException();
    }
    Optional<List<ToProbe>> answer = outOfTurn(probe, number);
    if (answer.isPresent()) {
      return answer.get();
    }
    if (run != null) {
      runInbox.unusable(probeId, run);
      requests
          .asked(run)
          .filter(asked -> asked.probeId().equals(probeId))
          .ifPresent(
              asked -> requests.end(run, say("inbox.what-the-probe-sent-cannot-be", "why", why)));
    }
    keep(probeId, number, UNUSABLE, Optional.of(why), body);
    probe.received(number);
    return List.of(new ToProbe.Acknowledge(probe.receivedThrough()));
  }

  private static String kind(LinkEvent event) {
    return event instanceof LinkEvent.PartRead
        ? "part-read"
        : event instanceof LinkEvent.RunEnded ? "run-ended" : "command-refused";
  }

  /** The body of an applied event is in the tables; that of a refused one is nowhere else. */
  private void keep(UUID probeId, long number, String kind, Optional<String> refused, String body) {
    jdbc.sql(
            "INSERT INTO link_event (probe_id, number, kind, received_at, refused_why, body)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            probeId.toString(),
            number,
            kind,
            Timestamp.from(clock.instant()),
            refused
                .map(w -> w.length() <= MAX_WHY ? w : w.substring(0, MAX_WHY - 1) + "…")
                .orElse(null),
            body)
        .update();
  }
}

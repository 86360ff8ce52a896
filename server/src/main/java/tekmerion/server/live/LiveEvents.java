package tekmerion.server.live;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tekmerion.server.account.Sessions;
import tekmerion.server.problem.Refusal;

/**
 * Tells browsers what changed. An event is a row written in the same transaction as the change, so
 * it is seen only once the change is; every server process reads the rows and passes them on.
 */
@Service
public class LiveEvents {
  private static final Logger LOG = LoggerFactory.getLogger(LiveEvents.class);
  private static final Duration KEPT = Duration.ofMinutes(5);

  /** Rows may become visible out of order of their ids; this far back they are looked for again. */
  private static final Duration LATECOMERS = Duration.ofSeconds(15);

  private final JdbcClient jdbc;
  private final Clock clock;
  private static final int MAX_A_SESSION = 24;
  private static final int MAX_THREADS = 64;

  private final Sessions sessions;
  private final List<Browser> browsers = new CopyOnWriteArrayList<>();
  private final ExecutorService senders =
      new ThreadPoolExecutor(0, MAX_THREADS, 10, TimeUnit.SECONDS, new SynchronousQueue<>());
  private final Set<Long> passedOn = new LinkedHashSet<>();
  private boolean primed;

  private record Row(long id, String topic, String body) {}

  LiveEvents(JdbcClient jdbc, Sessions sessions, Clock clock) {
    this.sessions = sessions;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * @param topic what changed, e.g. {@code floor} or {@code job:J-2291}
   */
  @Transactional
  public void changed(String topic) {
    tell(topic, "");
  }

  @Transactional
  public void tell(String topic, String body) {
    jdbc.sql("INSERT INTO live_event (at, topic, body) VALUES (?, ?, ?)")
        .params(Timestamp.from(clock.instant()), topic, body)
        .update();
  }

  /**
   * @throws Refusal 429 if the session has as many streams as any screen needs
   */
  SseEmitter subscribe(String sessionId) {
    if (browsers.stream().filter(b -> b.sessionId().equals(sessionId)).count() >= MAX_A_SESSION) {
      throw Refusal.tooMany(
          say("live.more-pages-than-are-open-with", "maxASession", MAX_A_SESSION),
          say("live.close-those-that-are-not-needed"));
    }
    SseEmitter emitter = new SseEmitter(0L);
    Browser browser = new Browser(emitter, sessionId, senders, browsers::remove);
    emitter.onCompletion(browser::letGo);
    emitter.onTimeout(browser::letGo);
    emitter.onError(e -> browser.letGo());
    browsers.add(browser);
    browser.send(SseEmitter.event().comment("here"));
    return emitter;
  }

  @Scheduled(fixedDelay = 200)
  void passOn() {
    try {
      List<Row> rows =
          jdbc.sql("SELECT id, topic, body FROM live_event WHERE at > ? ORDER BY id")
              .params(Timestamp.from(clock.instant().minus(LATECOMERS)))
              .query(Row.class)
              .list();
      Set<Long> seen = new LinkedHashSet<>();
      for (Row row : rows) {
        seen.add(row.id());
        if (primed && !passedOn.contains(row.id())) {
          browsers.forEach(
              browser ->
                  browser.send(
                      SseEmitter.event()
                          .name("changed")
                          .data(new Change(row.topic(), row.body()), MediaType.APPLICATION_JSON)));
        }
      }
      passedOn.clear();
      passedOn.addAll(seen);
      primed = true;
    } catch (DataAccessException | TransactionException e) {
      LOG.warn("live events wait for the database: {}", e.getMessage());
    }
  }

  /** Keeps proxies from closing quiet streams, and finds browsers that have gone. */
  @Scheduled(fixedDelay = 20_000)
  void heartbeat() {
    browsers.forEach(browser -> browser.send(SseEmitter.event().comment("still here")));
    try {
      jdbc.sql("DELETE FROM live_event WHERE at < ?")
          .params(Timestamp.from(clock.instant().minus(KEPT)))
          .update();
    } catch (DataAccessException | TransactionException e) {
      LOG.warn("old live events stay for now: {}", e.getMessage());
    }
  }

  /** A stream ends with the session that it was opened with. */
  @Scheduled(fixedDelay = 5_000)
  void endWithTheirSessions() {
    try {
      browsers.stream()
          .filter(browser -> !sessions.goesOn(browser.sessionId()))
          .forEach(Browser::letGo);
    } catch (DataAccessException | TransactionException e) {
      LOG.warn("streams are not compared with their sessions: {}", e.getMessage());
    }
  }

  /** Open streams would hold up an orderly stop; browsers come back by themselves. */
  @EventListener(ContextClosedEvent.class)
  void letGo() {
    browsers.forEach(Browser::letGo);
    senders.shutdown();
  }

  /** On the wire to a browser. */
  record Change(String topic, String body) {}
}

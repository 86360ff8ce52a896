package tekmerion.server.account;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.problem.Refusal;

/**
 * Limits guessing: after five wrong tries of a kind from one source, none more is looked at for ten
 * minutes. In the database, so that it holds over restarts and several servers.
 */
@Service
public class Attempts {
  private static final int MOST = 5;
  private static final Duration WINDOW = Duration.ofMinutes(10);
  private final JdbcClient jdbc;
  private final Clock clock;

  /** What is being guessed. */
  public enum Kind {
    SIGN_IN("sign-ins"),
    PIN("PINs"),
    INVITATION("invitation codes"),
    ENROLMENT("enrolment codes");

    private final String words;

    Kind(String words) {
      this.words = words;
    }
  }

  Attempts(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * Not transactional: its refusal must not spoil the caller's transaction.
   *
   * @throws Refusal if there were too many wrong tries
   */
  public void check(Kind kind, String source) {
    Instant from = clock.instant().minus(WINDOW);
    int wrong =
        jdbc.sql("SELECT COUNT(*) FROM failed_attempt WHERE kind = ? AND source = ? AND at > ?")
            .params(kind.name(), source, Timestamp.from(from))
            .query(Integer.class)
            .single();
    if (wrong >= MOST) {
      throw Refusal.tooMany(
          "Too many wrong %s from here.".formatted(kind.words),
          "Wait %d minutes, then try again.".formatted(WINDOW.toMinutes()));
    }
  }

  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void failed(Kind kind, String source) {
    jdbc.sql("INSERT INTO failed_attempt (kind, source, at) VALUES (?, ?, ?)")
        .params(kind.name(), source, Timestamp.from(clock.instant()))
        .update();
    jdbc.sql("DELETE FROM failed_attempt WHERE at < ?")
        .params(Timestamp.from(clock.instant().minus(WINDOW.multipliedBy(2))))
        .update();
  }
}

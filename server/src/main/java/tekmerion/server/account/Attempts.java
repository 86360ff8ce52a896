package tekmerion.server.account;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import tekmerion.server.problem.Refusal;
import tekmerion.server.transaction.Transactions;

/**
 * Limits guessing. Each try is counted before it is looked at, in one statement that holds its row:
 * forty at once are forty, not one. In the database, so that it holds over restarts and several
 * servers. A try that was right is forgotten with all before it.
 */
@Service
public class Attempts {
  private static final Duration WINDOW = Duration.ofMinutes(10);

  /** Two that count at once may stand in each other's way; a try that was not counted is none. */
  private static final int MAX_RETRIES = 5;

  private final JdbcClient jdbc;
  private final Transactions alone;
  private final Clock clock;

  /** What is being guessed, and how often within the time. */
  public enum Kind {
    /** Of one name from one address. */
    SIGN_IN("account.sign-ins", 5),
    /** Of one name, from wherever. */
    SIGN_IN_OF_NAME("account.sign-ins", 30),
    /** From one address, of whatever names; behind a proxy that is not trusted it is the shop. */
    SIGN_IN_FROM("account.sign-ins", 100),
    PIN("account.pins", 5),
    INVITATION("account.invitation-codes", 20),
    ENROLMENT("account.enrolment-codes", 20);

    private final String words;
    private final int most;

    Kind(String words, int most) {
      this.words = words;
      this.most = most;
    }
  }

  Attempts(JdbcClient jdbc, PlatformTransactionManager transactions, Clock clock) {
    this.jdbc = jdbc;
    this.alone = Transactions.ofTheirOwn(transactions);
    this.clock = clock;
  }

  /**
   * To be called before anything is compared.
   *
   * @throws Refusal if there were too many tries, this one among them
   */
  public void count(Kind kind, String source) {
    int tries = counted(kind, cut(source));
    if (tries > kind.most) {
      throw Refusal.tooMany(
          say("account.too-many-wrong-from-here", "words", say(kind.words)),
          say("account.wait-minutes-then-try-again", "window", WINDOW.toMinutes()));
    }
  }

  private int counted(Kind kind, String source) {
    for (int retry = 0; ; retry++) {
      try {
        return alone.execute(status -> countOnce(kind, source));
      } catch (PessimisticLockingFailureException e) {
        if (retry >= MAX_RETRIES) {
          throw Refusal.tooMany(
              say("account.too-many-at-once", "words", say(kind.words)),
              say("account.wait-a-moment-then-try-again"));
        }
      }
    }
  }

  private int countOnce(Kind kind, String source) {
    Instant now = clock.instant();
    Timestamp from = Timestamp.from(now.minus(WINDOW));
    jdbc.sql(
            "INSERT INTO attempt_count (kind, source, since, tries) VALUES (:kind, :source, :now, 1)"
                + " ON DUPLICATE KEY UPDATE tries = IF(since < :from, 1, tries + 1),"
                + " since = IF(since < :from, :now, since)")
        .param("kind", kind.name())
        .param("source", source)
        .param("now", Timestamp.from(now))
        .param("from", from)
        .update();
    return jdbc.sql("SELECT tries FROM attempt_count WHERE kind = ? AND source = ?")
        .params(kind.name(), source)
        .query(Integer.class)
        .single();
  }

  /** The last try was right. */
  public void right(Kind kind, String source) {
    alone.executeWithoutResult(
        status ->
            jdbc.sql("DELETE FROM attempt_count WHERE kind = ? AND source = ?")
                .params(kind.name(), cut(source))
                .update());
  }

  /** The last try was right, but those of others from the same source stay. */
  public void takeBack(Kind kind, String source) {
    alone.executeWithoutResult(
        status ->
            jdbc.sql(
                    "UPDATE attempt_count SET tries = GREATEST(tries - 1, 0)"
                        + " WHERE kind = ? AND source = ?")
                .params(kind.name(), cut(source))
                .update());
  }

  private static String cut(String source) {
    return source.length() <= MAX_SOURCE ? source : source.substring(0, MAX_SOURCE);
  }

  private static final int MAX_SOURCE = 150;
}

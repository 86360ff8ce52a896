package tekmerion.server.job;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.function.Supplier;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.account.Account;
import tekmerion.server.live.LiveEvents;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** The bell: tells people when a run ends or a job needs them. */
@Service
public class Notices {
  private static final int MAX_SHOWN = 30;
  private final JdbcClient jdbc;
  private final LiveEvents live;
  private static final int MAX_WORDS = 2000;
  private final Clock clock;

  /**
   * @param seenAt null while it is new
   */
  @Schema(name = "NoticeView")
  public record Notice(
      long id, String job, String words, Instant at, @Schema(nullable = true) Instant seenAt) {}

  Notices(JdbcClient jdbc, LiveEvents live, Clock clock) {
    this.jdbc = jdbc;
    this.live = live;
    this.clock = clock;
  }

  /** Whoever holds or shares the job; every technician and lead if nobody does. */
  @Transactional
  public void tellHolders(Job job, Supplier<String> words) {
    Account holder = job.holder();
    List<Long> to =
        jdbc.sql(
                holder == null
                    ? "SELECT id FROM account WHERE disabled_at IS NULL AND role <> 'COUNTER'"
                        + " AND NOT EXISTS (SELECT 1 FROM job_share s WHERE s.job_id = :job)"
                        + " UNION SELECT account_id FROM job_share WHERE job_id = :job"
                    : "SELECT :holder UNION SELECT account_id FROM job_share WHERE job_id = :job")
            .param("job", job.id())
            .param("holder", holder == null ? 0 : holder.id())
            .query(Long.class)
            .list();
    to.forEach(account -> tell(account, job, words));
  }

  @Transactional
  public void tell(long account, Job job, Supplier<String> words) {
    String kept = Words.kept(words);
    jdbc.sql("INSERT INTO notice (account_id, job_id, words, at) VALUES (?, ?, ?, ?)")
        .params(
            account,
            job.id(),
            kept.length() <= MAX_WORDS ? kept : cut(words),
            Timestamp.from(clock.instant()))
        .update();
    live.changed("bell:" + account);
  }

  /** A message must not be cut in the middle: what is too long is kept as English. */
  private static String cut(Supplier<String> words) {
    String english = Words.in(Speaking.ENGLISH, words);
    return english.length() <= MAX_WORDS ? english : english.substring(0, MAX_WORDS - 1) + "…";
  }

  @Transactional(readOnly = true)
  public List<Notice> of(long account) {
    return jdbc.sql(
            "SELECT n.id, j.number, n.words, n.at, n.seen_at FROM notice n JOIN job j ON j.id = n.job_id"
                + " WHERE n.account_id = ? ORDER BY n.id DESC LIMIT ?")
        .params(account, MAX_SHOWN)
        .query(
            (rs, n) ->
                new Notice(
                    rs.getLong(1),
                    rs.getString(2),
                    Words.read(rs.getString(3)),
                    rs.getTimestamp(4).toInstant(),
                    rs.getTimestamp(5) == null ? null : rs.getTimestamp(5).toInstant()))
        .list();
  }

  @Transactional
  public void seen(long account, long through) {
    jdbc.sql("UPDATE notice SET seen_at = ? WHERE account_id = ? AND id <= ? AND seen_at IS NULL")
        .params(Timestamp.from(clock.instant()), account, through)
        .update();
    live.changed("bell:" + account);
  }
}

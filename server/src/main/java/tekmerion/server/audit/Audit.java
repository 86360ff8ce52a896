package tekmerion.server.audit;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.person.Person;

/** The audit log; the server's database user can only add to it. */
@Service
public class Audit {
  private static final int MAX_DETAIL = 500;
  private static final int MAX_WHO = 200;

  private final JdbcClient jdbc;
  private final Clock clock;

  /** What happened. */
  @Schema(name = "AuditKind")
  public enum Kind {
    SIGNED_IN,
    SIGN_IN_FAILED,
    SIGNED_OUT,
    PASSWORD_CHANGED,
    PIN_CHANGED,
    INVITED,
    ROLE_CHANGED,
    ACCOUNT_CLOSED,
    ACCOUNT_OPENED,
    JOB_EXPORTED,
    JOB_IMPORTED,
    OWNERS_PASSWORD_KEPT,
    OWNERS_PASSWORD_OPENED,
    OWNERS_PASSWORD_DELETED,
    WAIVER_RECORDED,
    WAIVER_CONFIRMED,
    WAIVER_REVOKED,
    RELEASE_GIVEN,
    RELEASE_REFUSED,
    PROBE_ENROLLED,
    PROBE_REVOKED,
    KNOCK_LET_IN,
    KNOCK_TURNED_AWAY,
    CUSTOMER_CHANGED,
    CUSTOMER_ERASED,
    KNOW_HOW_CHANGED
  }

  /**
   * @param who a person's sign-in name, a probe's id, or a name that was tried
   * @param subject what it is about, such as a job's number; may be empty
   */
  public record Entry(Instant at, Kind kind, String who, String subject, String detail) {}

  Audit(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @Transactional
  public void of(Kind kind, Person by, String subject, String detail) {
    add(kind, by.id(), by.signInName(), subject, detail);
  }

  @Transactional
  public void of(Kind kind, UUID probe, String subject, String detail) {
    add(kind, null, "probe " + probe, subject, detail);
  }

  /** Of somebody who is not signed in; kept even if what was tried is rolled back. */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void ofStranger(Kind kind, String name, String source) {
    add(kind, null, name, "", "from " + source);
  }

  private void add(Kind kind, Long account, String who, String subject, String detail) {
    jdbc.sql(
            "INSERT INTO audit_entry (at, kind, account_id, who, subject, detail)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            Arrays.asList(
                Timestamp.from(clock.instant()),
                kind.name(),
                account,
                cut(who, MAX_WHO),
                cut(subject, MAX_WHO),
                cut(detail, MAX_DETAIL)))
        .update();
  }

  /** Newest first. */
  @Transactional(readOnly = true)
  public List<Entry> newest(int most) {
    return jdbc.sql(
            "SELECT at, kind, who, subject, detail FROM audit_entry ORDER BY id DESC LIMIT ?")
        .param(most)
        .query(
            (rs, n) ->
                new Entry(
                    rs.getTimestamp(1).toInstant(),
                    Kind.valueOf(rs.getString(2)),
                    rs.getString(3),
                    rs.getString(4),
                    rs.getString(5)))
        .list();
  }

  private static String cut(String text, int most) {
    return text.length() <= most ? text : text.substring(0, most - 1) + "…";
  }
}

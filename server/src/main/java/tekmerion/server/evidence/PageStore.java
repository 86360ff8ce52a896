package tekmerion.server.evidence;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.PartReading;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.link.PageNote;

/** Raw bytes, stored once by content and never changed. */
@Service
public class PageStore {
  private final JdbcClient jdbc;

  private record Row(String kind, String outcome, byte[] bytes, String why) {}

  PageStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Transactional
  public void keep(UUID readingId, PageNote note, PageAnswer answer) {
    byte[] hash = answer.bytes().map(this::keepBytes).orElse(null);
    jdbc.sql(
            "INSERT INTO reading_page (reading_id, kind, outcome, sha256, why)"
                + " VALUES (?, ?, ?, ?, ?)")
        .params(readingId.toString(), note.kind(), note.outcome().name(), hash, note.why())
        .update();
  }

  /** A duplicate is the same content by construction, so ignoring it changes nothing. */
  private byte[] keepBytes(RawPage raw) {
    byte[] hash = raw.sha256();
    jdbc.sql("INSERT IGNORE INTO raw_page (sha256, bytes) VALUES (?, ?)")
        .params(hash, raw.bytes())
        .update();
    return hash;
  }

  /** The answers of a reading; a page of a kind that this release does not know stays stored. */
  @Transactional(readOnly = true)
  public PartReading load(UUID readingId) {
    Map<PageKind, PageAnswer> answers = new HashMap<>();
    jdbc.sql(
            "SELECT p.kind, p.outcome, r.bytes, p.why FROM reading_page p"
                + " LEFT JOIN raw_page r ON r.sha256 = p.sha256 WHERE p.reading_id = ?")
        .params(readingId.toString())
        .query(
            (rs, n) ->
                new Row(
                    rs.getString("kind"),
                    rs.getString("outcome"),
                    rs.getBytes("bytes"),
                    rs.getString("why")))
        .list()
        .forEach(
            row -> {
              Optional<PageKind> kind = PageKind.ofWireName(row.kind());
              kind.ifPresent(k -> answers.put(k, answer(row)));
            });
    return new PartReading(answers);
  }

  private static PageAnswer answer(Row row) {
    String why = row.why() == null ? "" : row.why();
    return switch (PageNote.Outcome.valueOf(row.outcome())) {
      case GOT -> new PageAnswer.Got(new RawPage(row.bytes()));
      case NOT_REPORTED -> new PageAnswer.NotReported(why);
      case COULD_NOT_RUN -> new PageAnswer.CouldNotRun(why);
    };
  }
}

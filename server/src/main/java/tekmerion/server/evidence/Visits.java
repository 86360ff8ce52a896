package tekmerion.server.evidence;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveVisit;
import tekmerion.core.drive.PartReading;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;

/** All readings of a part, oldest first, from their raw pages; two statements. */
@Service
public class Visits {
  /** A drive that was read more often shows its newest; no shop reads one drive so often. */
  private static final int MAX = 400;

  private final JdbcClient jdbc;

  private record Row(UUID reading, Instant takenAt, String job, String kind, byte[] bytes) {}

  Visits(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Also of the parts that were found to be the same one. */
  @Transactional(readOnly = true)
  public List<Visit> of(long partId) {
    // First which parts, then their readings: as one statement the database reads them all.
    List<Long> parts =
        jdbc.sql(
                "SELECT id FROM part WHERE id = :part OR same_as = :part UNION SELECT same_as FROM"
                    + " part WHERE id = :part AND same_as IS NOT NULL")
            .param("part", partId)
            .query(Long.class)
            .list();
    List<Row> rows =
        jdbc.sql(
                "SELECT r.id, r.taken_at, j.number, p.kind, b.bytes FROM (SELECT r.* FROM reading r"
                    + " WHERE r.part_id IN (:parts) ORDER BY r.taken_at DESC LIMIT "
                    + MAX
                    + ") r LEFT JOIN job j ON j.id = r.job_id"
                    + " JOIN reading_page p ON p.reading_id = r.id AND p.kind IN (:kinds)"
                    + " JOIN raw_page b ON b.sha256 = p.sha256 ORDER BY r.taken_at, r.id")
            .param("parts", parts)
            .param(
                "kinds",
                List.of(
                    PageKind.ATA_IDENTIFY.wireName(),
                    PageKind.ATA_SMART.wireName(),
                    PageKind.NVME_IDENTIFY_CONTROLLER.wireName(),
                    PageKind.NVME_SMART.wireName()))
            .query(
                (rs, n) ->
                    new Row(
                        UUID.fromString(rs.getString(1)),
                        rs.getTimestamp(2).toInstant(),
                        rs.getString(3),
                        rs.getString(4),
                        rs.getBytes(5)))
            .list();
    Map<UUID, List<Row>> byReading = new LinkedHashMap<>();
    rows.forEach(r -> byReading.computeIfAbsent(r.reading(), k -> new ArrayList<>()).add(r));
    return byReading.values().stream().map(Visits::visit).toList();
  }

  private static Visit visit(List<Row> pages) {
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    for (Row page : pages) {
      PageKind.ofWireName(page.kind())
          .ifPresent(kind -> answers.put(kind, new PageAnswer.Got(new RawPage(page.bytes()))));
    }
    Row first = pages.get(0);
    return new Visit(
        first.reading(), first.job(), DriveVisit.of(first.takenAt(), new PartReading(answers)));
  }
}

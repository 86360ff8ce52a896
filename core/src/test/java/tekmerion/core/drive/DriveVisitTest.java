package tekmerion.core.drive;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.trend.Split;
import tekmerion.core.trend.Trend;

class DriveVisitTest {
  private static final Instant START = Instant.parse("2026-01-05T09:00:00Z");

  /** SMART READ DATA with attribute 9 (hours) and others: entries of 12 bytes from byte 2. */
  private static DriveVisit visit(int day, int hours, int... idsAndCounts) {
    byte[] page = new byte[512];
    page[0] = 0x10;
    entry(page, 0, 9, hours);
    for (int i = 0; i < idsAndCounts.length; i += 2) {
      entry(page, 1 + i / 2, idsAndCounts[i], idsAndCounts[i + 1]);
    }
    int sum = 0;
    for (byte b : page) {
      sum += b;
    }
    page[511] -= (byte) sum;
    return DriveVisit.of(
        START.plus(Duration.ofDays(day)),
        new PartReading(Map.of(PageKind.ATA_SMART, new PageAnswer.Got(new RawPage(page)))));
  }

  private static void entry(byte[] page, int n, int id, int count) {
    int at = 2 + 12 * n;
    page[at] = (byte) id;
    page[at + 3] = 100;
    page[at + 5] = (byte) count;
    page[at + 6] = (byte) (count >> 8);
  }

  private static Optional<Finding> finding(DriveVisit... visits) {
    Optional<Finding> finding = TrendFindings.of("drive-a", List.of(visits));
    finding.ifPresent(
        s ->
            assertThat(KnowHow.shipped().finding(s.id()).orElseThrow().levels())
                .contains(s.level()));
    return finding;
  }

  @Test
  void eachNumberKnowsItsPageBytesAndRule() {
    DriveNumbers.Number waiting = visit(0, 100, 197, 46).numbers().get("197");

    assertThat(waiting.value()).isEqualTo(46);
    assertThat(waiting.offset()).isEqualTo(2 + 12 + 5); // the second entry's raw bytes
    assertThat(waiting.rule()).isEqualTo("COUNT_32");
    assertThat(waiting.harm()).isTrue();
    assertThat(visit(0, 100).hours()).hasValue(100);
  }

  @Test
  void sectorsThatWaitMayBecomeFewerWithoutTheSeriesBeginningAnew() {
    List<DriveVisit> visits =
        List.of(
            visit(0, 100, 197, 8, 5, 0),
            visit(10, 150, 197, 3, 5, 5),
            visit(20, 200, 197, 2, 5, 6));

    Trend waiting = DriveVisit.trend(visits, "197", OptionalDouble.empty()).orElseThrow();

    assertThat(waiting.splits()).isEmpty();
    assertThat(waiting.kind()).isEqualTo(Trend.Kind.LEVEL);
  }

  @Test
  void reallocatedSectorsThatBecomeFewerAreAReset() {
    List<DriveVisit> visits =
        List.of(visit(0, 100, 5, 9), visit(10, 150, 5, 9), visit(20, 200, 5, 0));

    Trend trend = DriveVisit.trend(visits, "5", OptionalDouble.empty()).orElseThrow();

    assertThat(trend.splits())
        .extracting(Split::reason)
        .containsExactly(Split.Reason.COUNTER_WENT_BACK);
  }

  @Test
  void aNumberThatNoVisitReportedHasNoTrend() {
    assertThat(DriveVisit.trend(List.of(visit(0, 1)), "197", OptionalDouble.empty())).isEmpty();
  }

  @Test
  void twoVisitsTellNoTrend() {
    assertThat(finding(visit(0, 100, 5, 0), visit(9, 200, 5, 90))).isEmpty();
  }

  @Test
  void whatNeverGrewIsStill() {
    assertThat(finding(visit(0, 100, 5, 4), visit(30, 200, 5, 4), visit(60, 300, 5, 4)))
        .map(Finding::level)
        .hasValue("still");
  }

  @Test
  void theGravestGrowthIsTheFindingAndLeadsToItsBytes() {
    // 5 grows by 2 a day, 187 by 40 a day: five visits in order have p = 2/120 < 0.05.
    List<DriveVisit> visits = new ArrayList<>();
    for (int day = 0; day < 5; day++) {
      visits.add(visit(day, 100 + 10 * day, 5, 2 * day, 187, 40 * day));
    }

    Finding finding = finding(visits.toArray(DriveVisit[]::new)).orElseThrow();

    assertThat(finding.level()).isEqualTo("steep");
    assertThat(finding.words()).isEqualTo("Errors reported as uncorrectable: growing by 40 a day");
    assertThat(finding.basis().offset()).isEqualTo(2 + 24 + 5);
  }

  @Test
  void slowGrowthIsToldByTheMonth() {
    Finding finding =
        finding(
                visit(0, 100, 5, 0),
                visit(30, 200, 5, 3),
                visit(60, 300, 5, 6),
                visit(90, 400, 5, 9),
                visit(120, 500, 5, 12))
            .orElseThrow();

    assertThat(finding.level()).isEqualTo("growing");
    assertThat(finding.words()).isEqualTo("Reallocated sectors: growing by 3.0 a month");
  }

  @Test
  void everyRiskOfTheOutlookIsOfAFindingThatExists() {
    Map<String, Integer> met = new LinkedHashMap<>();
    for (OutlookBook.Risk risk : OutlookBook.shipped().risks()) {
      assertThat(KnowHow.shipped().finding(risk.finding()))
          .as(risk.finding())
          .hasValueSatisfying(kind -> assertThat(kind.levels()).contains(risk.level()));
      met.merge(risk.finding() + " " + risk.level(), 1, Integer::sum);
    }
    assertThat(met.values()).containsOnly(1);
  }
}

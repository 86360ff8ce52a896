package tekmerion.core.drive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;

class DriveFindingsTest {
  /** A page with one attribute at byte 2: ID, flags 0033h, value and worst, raw count. */
  private static RawPage smart(int id, int value, int raw, int selfTest) {
    byte[] page = new byte[512];
    byte[] entry = {(byte) id, 0x33, 0, (byte) value, (byte) value, (byte) raw, (byte) (raw >> 8)};
    System.arraycopy(entry, 0, page, 2, entry.length);
    page[363] = (byte) selfTest;
    return sealed(page);
  }

  private static RawPage limits(int id, int threshold) {
    byte[] page = new byte[512];
    page[2] = (byte) id;
    page[3] = (byte) threshold;
    return sealed(page);
  }

  private static RawPage sealed(byte[] page) {
    int sum = 0;
    for (byte b : page) {
      sum += b;
    }
    page[511] -= (byte) sum;
    return new RawPage(page);
  }

  private static List<Finding> findings(Map<PageKind, PageAnswer> answers) {
    return DriveFindings.of("drive-a", new PartReading(answers));
  }

  private static List<Finding> findings(RawPage smart) {
    return findings(Map.of(PageKind.ATA_SMART, new PageAnswer.Got(smart)));
  }

  @ParameterizedTest(name = "attribute {0}, raw {1}: {2} is {3}")
  @CsvSource(
      delimiter = ';',
      value = {
        "197; 0; drive.pending-sectors; none; No sector is pending",
        "197; 1; drive.pending-sectors; some; 1 sector is pending",
        "197; 9; drive.pending-sectors; some; 9 sectors are pending",
        "197; 10; drive.pending-sectors; many; 10 sectors are pending",
        "5; 1200; drive.reallocated; many; 1,200 sectors were reallocated",
        "199; 12; drive.link-errors; many; 12 link errors counted",
        "194; 49; drive.temperature; normal; The drive is at 49 °C",
        "194; 50; drive.temperature; warm; The drive is at 50 °C",
        "194; 60; drive.temperature; hot; The drive is at 60 °C",
        "9; 17531; drive.age; young; Young: 17,531 power-on hours", // 2 × 8,766 h a year = 17,532
        "9; 17532; drive.age; grown; Of middle age: 17,532 power-on hours",
        "9; 43830; drive.age; old; Old: 43,830 power-on hours",
      })
  void countsBecomeFindings(int id, int raw, String finding, String level, String words) {
    assertThat(findings(smart(id, 100, raw, 0)))
        .filteredOn(s -> s.id().equals(finding))
        .singleElement()
        .satisfies(
            s -> {
              assertThat(s.level()).isEqualTo(level);
              assertThat(s.words()).isEqualTo(words);
              assertThat(s.basis()).isEqualTo(Finding.Basis.reading("ata-smart", 2, 12));
            });
  }

  @Test
  void whatIsNotReportedGivesNoFinding() {
    List<Finding> findings = findings(smart(12, 100, 211, 0));

    assertThat(findings).extracting(Finding::id).containsExactly("drive.report");
  }

  static Stream<Arguments> silentAnswers() {
    return Stream.of(
        arguments("not asked", Map.of()),
        arguments(
            "not reported",
            Map.of(PageKind.ATA_SMART, new PageAnswer.NotReported("not supported"))),
        arguments(
            "could not run", Map.of(PageKind.ATA_SMART, new PageAnswer.CouldNotRun("timed out"))));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("silentAnswers")
  void noAnswerIsNoFindingEitherWay(String name, Map<PageKind, PageAnswer> answers) {
    assertThat(findings(answers)).isEmpty();
  }

  @Test
  void aGarbledPageIsOneFindingAndNothingOnItIsBelieved() {
    byte[] page = smart(197, 100, 500, 0x70).bytes();
    page[400] ^= 1;

    assertThat(findings(new RawPage(page)))
        .singleElement()
        .satisfies(
            s -> {
              assertThat(s.id()).isEqualTo("drive.report");
              assertThat(s.level()).isEqualTo("garbled");
              assertThat(s.basis().offset()).isEqualTo(511);
            });
  }

  @ParameterizedTest(name = "status {0}: finding {1}")
  @CsvSource({"0x00, false", "0x10, false", "0x70, true", "0xF3, false", "0x30, false"})
  void onlyAFailedSelfTestIsAFinding(String status, boolean finding) {
    List<Finding> findings = findings(smart(12, 100, 0, Integer.decode(status)));

    assertThat(findings.stream().anyMatch(s -> s.id().equals("drive.self-test")))
        .isEqualTo(finding);
  }

  @Test
  void aPreFailureAttributePastItsLimitIsNamed() {
    List<Finding> findings =
        findings(
            Map.of(
                PageKind.ATA_SMART, new PageAnswer.Got(smart(5, 8, 900, 0)),
                PageKind.ATA_THRESHOLDS, new PageAnswer.Got(limits(5, 10))));

    assertThat(findings)
        .filteredOn(s -> s.id().equals("drive.limit"))
        .singleElement()
        .satisfies(
            s -> {
              assertThat(s.level()).isEqualTo("fails-now");
              assertThat(s.words()).isEqualTo("Reallocated sectors past its limit now");
            });
  }

  @Test
  void everyFindingAndLevelIsInTheKnowHow() {
    for (int raw : new int[] {0, 5, 55, 65, 30_000, 50_000}) {
      for (int id : new int[] {197, 198, 5, 187, 188, 199, 10, 194, 9}) {
        for (Finding finding : findings(smart(id, 100, raw, 0x70))) {
          assertThat(KnowHow.shipped().finding(finding.id()))
              .as(finding.toString())
              .hasValueSatisfying(kind -> assertThat(kind.levelIndex(finding.level())).isPresent());
        }
      }
    }
  }
}

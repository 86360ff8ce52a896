package tekmerion.core.drive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tekmerion.core.finding.Finding;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;

class DriveAnswersTest {
  private static Finding seen(String part, String level) {
    return new Finding(DriveAnswers.FINDING, part, level, "", Finding.Basis.run());
  }

  @Test
  void aPageThatCameIsAnAnswerAndNoneTellsNothing() {
    PageAnswer came = new PageAnswer.Got(new RawPage(new byte[512]));
    PageAnswer none = new PageAnswer.CouldNotRun("the case passes nothing on");

    assertThat(
            DriveAnswers.of(
                "drive-a",
                new PartReading(Map.of(PageKind.ATA_IDENTIFY, came, PageKind.ATA_SMART, none))))
        .hasValueSatisfying(
            finding -> {
              assertThat(finding.level()).isEqualTo("always");
              assertThat(finding.basis())
                  .isEqualTo(Finding.Basis.reading(PageKind.ATA_IDENTIFY.wireName(), 0, 512));
            });
    assertThat(DriveAnswers.of("drive-a", new PartReading(Map.of(PageKind.ATA_SMART, none))))
        .isEmpty();
  }

  @Test
  void whatAnswersSometimesRestsOnTheBytesThatCame() {
    Finding.Basis page = Finding.Basis.reading("ata-identify", 0, 512);
    Finding came = new Finding(DriveAnswers.FINDING, "drive-a", "always", "", page);

    assertThat(DriveAnswers.together(List.of(came, seen("drive-a", "never"))))
        .singleElement()
        .satisfies(finding -> assertThat(finding.basis()).isEqualTo(page));
  }

  @Test
  void whatAnsweredOnceAndOnceDidNotAnswersSometimes() {
    Finding other = new Finding("often", Finding.MACHINE, "always", "", Finding.Basis.intake());
    List<Finding> told =
        List.of(
            seen("drive-a", "never"),
            seen("drive-b", "never"),
            other,
            seen("drive-a", "always"),
            seen("drive-a", "always"),
            seen("drive-b", "never"));

    assertThat(DriveAnswers.together(told))
        .extracting(Finding::part, Finding::level)
        .containsExactly(
            tuple(Finding.MACHINE, "always"),
            tuple("drive-a", "sometimes"),
            tuple("drive-b", "never"));
  }
}

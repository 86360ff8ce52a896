package tekmerion.server.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SeriesCsvTest {
  @ParameterizedTest
  @ValueSource(strings = {"=HYPERLINK(\"x\")", "+1", "-1+cmd", "@SUM(A1)", "\t=1", "\r=1"})
  void whatWouldBeAFormulaIsText(String told) {
    assertThat(SeriesCsv.cell(told)).isEqualTo("'" + told);
  }

  @Test
  void everythingElseStaysAndWhatIsNotReportedIsEmpty() {
    assertThat(SeriesCsv.cell("QUAY-240F")).isEqualTo("QUAY-240F");
    assertThat(SeriesCsv.cell("")).isEmpty();
    assertThat(SeriesCsv.cell(null)).isEmpty();
  }
}

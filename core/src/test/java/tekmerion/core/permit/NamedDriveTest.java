package tekmerion.core.permit;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class NamedDriveTest {
  /** 1,953,525,168 sectors of 512 bytes: IDEMA LBA1-03 for 1,000 GB. */
  private static final long TB = 1_953_525_168L * 512;

  private static boolean fits(String size, String model, String lastFour) {
    return new NamedDrive(size, model, lastFour).misses(TB, "HELM-1000S", "OS7K-44019-B").isEmpty();
  }

  @Test
  void isNamedAsItIsPrinted() {
    assertThat(fits("1 TB", "HELM-1000S", "19-B")).isTrue();
    assertThat(fits("1000GB", " helm-1000s ", "19-b")).isTrue();
    assertThat(fits("1000", "HELM-1000S", "19-B")).isTrue();
    assertThat(fits("1,0 TB", "HELM-1000S", "19-B")).isTrue();
  }

  @Test
  void oneOfThreeThatDoesNotFitIsEnough() {
    assertThat(fits("2 TB", "HELM-1000S", "19-B")).isFalse();
    assertThat(fits("a terabyte", "HELM-1000S", "19-B")).isFalse();
    assertThat(fits("", "HELM-1000S", "19-B")).isFalse();
    assertThat(fits("1 TB", "HELM-500P", "19-B")).isFalse();
    assertThat(fits("1 TB", "HELM-1000S", "77-D")).isFalse();
    assertThat(fits("1 TB", "HELM-1000S", "")).isFalse();
  }

  @Test
  void whatDoesNotTellWhoItIsCannotBeNamed() {
    assertThat(new NamedDrive("1 TB", "", "").misses(TB, "", "")).isPresent();
    assertThat(new NamedDrive("1 TB", "X", "12").misses(TB, "X", "12")).isPresent();
  }
}

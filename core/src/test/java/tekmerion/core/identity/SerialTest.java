package tekmerion.core.identity;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.identity.Serial.Match;

class SerialTest {
  @ParameterizedTest
  @CsvSource({
    "OS7K-44019-B, os7k 44019 b, SAME",
    "OS7K-44019-B, 0S7K44O19B, LOOKS_ALIKE",
    "NVM-7731-I2, NVM7731L2, LOOKS_ALIKE",
    "OS7K-44019-B, OS7K-44019, CUT_SHORT",
    "OS7K-44019-B, 44019-B, CUT_SHORT_AT_THE_FRONT",
    "OS7K-44019-B, OS7K-4, DIFFERENT", // five in common say nothing
    "OS7K-44019-B, OS7K-44018-B, DIFFERENT",
    "'', '', DIFFERENT",
    "'---', 'OS7K44019B', DIFFERENT"
  })
  void knowsHowTwoSerialsGoTogether(String one, String other, Match match) {
    assertThat(Serial.of(one).match(Serial.of(other))).isEqualTo(match);
    assertThat(Serial.of(other).match(Serial.of(one))).isEqualTo(match);
  }

  @Test
  void onlyDoubtfulMatchesAreNear() {
    assertThat(Match.SAME.isNear()).isFalse();
    assertThat(Match.DIFFERENT.isNear()).isFalse();
    assertThat(Match.LOOKS_ALIKE.isNear()).isTrue();
    assertThat(Match.CUT_SHORT.isNear()).isTrue();
  }

  @Test
  void beginningsGoDownToWhatStillSaysSomething() {
    assertThat(Serial.of("TWA24-045").beginnings())
        .containsExactly("TWA24045", "TWA2404", "TWA240");
    assertThat(Serial.of("A1").beginnings()).isEmpty();
  }

  /**
   * MOD 11-2, each digit P ← 2·(P + digit) mod 11, check (12 − P) mod 11. 2291: 4, 1, 9, 9 → 3; 7:
   * 3 → 9; 16: 2, 5 → 7; 1: 2 → 10, written X.
   */
  @ParameterizedTest
  @CsvSource({"J-2291, TKJ22913", "J-7, TKJ79", "J-16, TKJ167", "J-1, TKJ1X"})
  void theLabelsCodeLeadsBackToItsJob(String job, String code) {
    assertThat(LabelCode.of(job)).isEqualTo(code);
    assertThat(LabelCode.jobOf(code.toLowerCase(Locale.ROOT) + "\n")).contains(job);
  }

  @Test
  void aSlippedDigitIsNoJob() {
    assertThat(LabelCode.jobOf("TKJ22903")).isEmpty();
    assertThat(LabelCode.jobOf("TKJ29213")).isEmpty(); // two swapped
    assertThat(LabelCode.jobOf("OS7K-44019-B")).isEmpty();
  }
}

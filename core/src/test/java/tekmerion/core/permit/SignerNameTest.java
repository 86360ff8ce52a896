package tekmerion.core.permit;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SignerNameTest {
  @ParameterizedTest(name = "[{0}] for {1}: {2}")
  @CsvSource(
      ignoreLeadingAndTrailingWhitespace = false,
      value = {
        "Tobias Haas,Tobias Haas,true",
        "  tobias   HAAS ,Tobias Haas,true",
        "Jose\u0301 Marin,Jos\u00e9 Marin,true", // one letter, or a letter and its accent
        "Tobias\u200b Haas,Tobias Haas,true", // what cannot be seen counts as nothing
        "Aron Tide,Tobias Haas,false",
        "Haas,Tobias Haas,false",
        ".,Tobias Haas,false",
        "\u200b,Tobias Haas,false",
        "\u200b,\u200b,false",
        "x,x,false",
      })
  void onlyTheCustomerSigns(String signed, String customer, boolean is) {
    assertThat(SignerName.isOf(signed, customer)).isEqualTo(is);
  }
}

package tekmerion.core.drive.ata;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Raw values as makers pack them; each expected value is the arithmetic beside it. */
class AttributeBookTest {
  private static SmartAttribute attribute(int id, long raw) {
    return new SmartAttribute(2, id, 0, 100, 100, raw, new Bytes().page());
  }

  @ParameterizedTest(name = "attribute {0}, raw {1}: {2} by {3}")
  @CsvSource({
    // hours alone
    "9, 1140, 1140, HOURS_48",
    // 0474h = 1,140 hours, 45AE00h = 4,566,528 ms is more than an hour: read as 32 bits and part
    "9, 0x45AE00000474, 1140, HOURS_32_AND_PART",
    // 2DC6C0h = 3,000,000 ms = 50 minutes of the running hour
    "9, 0x2DC6C0000474, 1140, HOURS_24_AND_MILLISECONDS",
    // 1,200,000 as hours would be 137 years; as minutes it is 20,000 hours
    "9, 1200000, 20000, MINUTES_48",
    // 23h = 35 now, 11h = 17 lowest, 2Dh = 45 highest
    "194, 0x002D00110023, 35, TEMPERATURE_MIN_MAX",
    // the same with lowest and highest swapped
    "194, 0x0011002D0023, 35, TEMPERATURE_MIN_MAX",
    // upper words that are no temperatures: 40,000 °C is never true
    "194, 0x9C40000000C8, -56, none",
    "194, 0x9C4000000023, 35, TEMPERATURE_LOW_BYTE",
    "194, 0x000000000023, 35, TEMPERATURE_LOW_BYTE",
    // FFF6h = -10 now, FFECh = -20 lowest, 0014h = 20 highest
    "194, 0x0014FFECFFF6, -10, TEMPERATURE_MIN_MAX",
    // 2 errors in the upper 16 bits, 103,740,000 operations below
    "1, 0x0002062EF260, 2, ERRORS_OVER_OPERATIONS",
    "5, 0x0001000000FF, 255, COUNT_32",
    "188, 0x000300020001, 1, COUNT_16",
    "241, 0xFFFFFFFFFFFF, 281474976710655, COUNT_48",
  })
  void readsPackedRawValues(int id, String raw, long expected, String rule) {
    var meaning = AttributeBook.shipped().meaningOf(attribute(id, Long.decode(raw)));

    if (rule.equals("none")) {
      assertThat(meaning).isEmpty();
    } else {
      assertThat(meaning).map(RawMeaning::value).hasValue(expected);
      assertThat(meaning).map(m -> m.rule().name()).hasValue(rule);
    }
  }

  @Test
  void keepsWhatWasPackedBesideTheValue() {
    var meaning = AttributeBook.shipped().meaningOf(attribute(194, 0x002D00110023L)).orElseThrow();

    assertThat(meaning.also()).isEqualTo(Map.of("lowestC", 17L, "highestC", 45L));
    assertThat(meaning.unit()).isEqualTo("°C");
  }

  @Test
  void anAttributeThatNobodyKnowsIsStillReadAsACount() {
    assertThat(AttributeBook.shipped().nameOf(77)).isEmpty();
    assertThat(AttributeBook.shipped().meaningOf(attribute(77, 12)))
        .map(RawMeaning::value)
        .hasValue(12L);
  }
}

package tekmerion.core.drive.ata;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where each rule stops to be believable: 30 years of 8,766 hours, −40 to 125 °C. */
class RawRuleTest {
  @ParameterizedTest(name = "{0} of {1}: {2} {3}")
  @CsvSource({
    "HOURS_48, 262980, 262980, {}",
    "HOURS_48, 262981, , ",
    "HOURS_32_AND_PART, 262980, 262980, {}",
    "HOURS_32_AND_PART, 262981, , ",
    // 003Bh above the lower 32 bits: the 59th minute of the running hour
    "HOURS_32_AND_PART, 0x003B00000474, 1140, {upper=59}",
    "HOURS_24_AND_MILLISECONDS, 262980, 262980, {millisecondsOfHour=0}",
    "HOURS_24_AND_MILLISECONDS, 262981, , ",
    // 36EE80h = 3,600,000 ms, an hour
    "HOURS_24_AND_MILLISECONDS, 0x36EE80000001, 1, {millisecondsOfHour=3600000}",
    "HOURS_24_AND_MILLISECONDS, 0x36EE81000001, , ",
    // 262,980 h × 60 + 59 min
    "MINUTES_48, 15778859, 262980, {}",
    "MINUTES_48, 15778860, , ",
    // now, one, other: 7Dh = 125, 7Eh = 126, FFD8h = −40, FFD7h = −41
    "TEMPERATURE_MIN_MAX, 0x007DFFD80019, 25, '{highestC=125, lowestC=-40}'",
    "TEMPERATURE_MIN_MAX, 0x007EFFD80019, , ",
    "TEMPERATURE_MIN_MAX, 0x007DFFD70019, , ",
    // as cold as the coldest, as warm as the warmest, and beyond either
    "TEMPERATURE_MIN_MAX, 0x002D00190019, 25, '{highestC=45, lowestC=25}'",
    "TEMPERATURE_MIN_MAX, 0x001900110019, 25, '{highestC=25, lowestC=17}'",
    "TEMPERATURE_MIN_MAX, 0x002D00190018, , ",
    "TEMPERATURE_MIN_MAX, 0x00180011001A, , ",
    // one of the two given is enough, none is not
    "TEMPERATURE_MIN_MAX, 0x001E0000001A, 26, '{highestC=30, lowestC=0}'",
    "TEMPERATURE_MIN_MAX, 0x0000001E001A, 26, '{highestC=30, lowestC=0}'",
    "TEMPERATURE_MIN_MAX, 0x000000000000, , ",
    "TEMPERATURE_LOW_BYTE, 0x7D, 125, {}",
    "TEMPERATURE_LOW_BYTE, 0x7E, , ",
    "TEMPERATURE_LOW_BYTE, 0xD8, -40, {}",
    "TEMPERATURE_LOW_BYTE, 0xD7, , ",
    "COUNT_32, 0x0001000000FF, 255, {upper=1}",
    "COUNT_32, 0x0000000000FF, 255, {}",
  })
  void holdsWhatCanBeTrue(RawRule rule, String raw, Long value, String also) {
    SmartAttribute attribute =
        new SmartAttribute(2, 1, 0, 100, 100, Long.decode(raw), new Bytes().page());

    assertThat(rule.read(attribute).map(RawMeaning::value).orElse(null)).isEqualTo(value);
    assertThat(rule.read(attribute).map(m -> m.also().toString()).orElse(null)).isEqualTo(also);
  }
}

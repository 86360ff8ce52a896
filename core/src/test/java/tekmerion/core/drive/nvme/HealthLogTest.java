package tekmerion.core.drive.nvme;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigInteger;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** Offsets are those of the NVM Express Base Specification 2.0, figure 207. */
class HealthLogTest {
  private static byte[] page() {
    byte[] page = new byte[512];
    page[3] = 100; // available spare, so that the page is not all zero
    page[4] = 10;
    return page;
  }

  private static HealthLog decoded(byte[] page) {
    return HealthLog.decode(new RawPage(page)).decoded().orElseThrow();
  }

  @Test
  void keepsA128BitCounterExactAndAsText() {
    byte[] page = page();
    Arrays.fill(page, 48, 64, (byte) 0xFF); // data units written: 2^128 − 1

    HealthLog log = decoded(page);

    assertThat(log.fields().exact(HealthField.DATA_UNITS_WRITTEN))
        .hasValue(BigInteger.TWO.pow(128).subtract(BigInteger.ONE));
    assertThat(log.json())
        .containsEntry("dataUnitsWritten", "340282366920938463463374607431768211455");
    assertThat(log.fields().number(HealthField.DATA_UNITS_WRITTEN)).isEmpty();
  }

  @Test
  void readsSmall128BitCountersAsTextToo() {
    byte[] page = page();
    page[128] = 0x39; // power-on hours 0x0539 = 1,337
    page[129] = 0x05;

    assertThat(decoded(page).json()).containsEntry("powerOnHours", "1337");
  }

  @ParameterizedTest(name = "{0} K is {1} °C")
  @CsvSource({"273, 0", "310, 37", "358, 85"})
  void readsKelvin(int kelvin, int celsius) {
    byte[] page = page();
    page[1] = (byte) kelvin;
    page[2] = (byte) (kelvin >> 8);

    assertThat(decoded(page).temperatureC()).hasValue(celsius);
  }

  @Test
  void anUnreportedTemperatureIsNotZero() {
    assertThat(decoded(page()).temperatureC()).isEmpty();
    assertThat(decoded(page()).json())
        .containsEntry("temperatureC", null)
        .containsEntry("compositeTemperature", null)
        .containsEntry("temperatureSensor8", null);
  }

  @ParameterizedTest(name = "{0}: {1} %")
  @CsvSource({"unused, 0", "at rated endurance, 100", "past it, 130", "saturated, 255"})
  void readsPercentageUsedAsUnsigned(String situation, long percent) {
    byte[] page = page();
    page[5] = (byte) percent;

    assertThat(decoded(page).fields().number(HealthField.PERCENTAGE_USED)).hasValue(percent);
  }

  @ParameterizedTest(name = "critical warning bit {0}: {1}")
  @CsvSource({
    "0, AVAILABLE_SPARE_BELOW_THRESHOLD",
    "1, TEMPERATURE_OUT_OF_RANGE",
    "2, RELIABILITY_DEGRADED",
    "3, MEDIA_READ_ONLY",
    "4, VOLATILE_MEMORY_BACKUP_FAILED",
    "5, PERSISTENT_MEMORY_UNRELIABLE"
  })
  void readsEachCriticalWarning(int bit, HealthField expected) {
    byte[] page = page();
    page[0] = (byte) (1 << bit);

    HealthLog log = decoded(page);

    assertThat(Arrays.stream(HealthField.values()).filter(log.fields()::isSet))
        .containsExactly(expected);
  }

  @ParameterizedTest(name = "{0} bytes of {1}: {2}")
  @CsvSource({"512, 0, ALL_ZERO", "512, 255, ALL_ONES", "511, 7, WRONG_SIZE", "0, 0, WRONG_SIZE"})
  void namesTheDamage(int size, int value, Fault.Kind kind) {
    byte[] page = new byte[size];
    Arrays.fill(page, (byte) value);

    assertThat(HealthLog.decode(new RawPage(page)).damage()).map(Fault::kind).hasValue(kind);
  }
}

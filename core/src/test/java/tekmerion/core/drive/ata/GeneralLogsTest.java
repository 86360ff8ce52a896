package tekmerion.core.drive.ata;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import tekmerion.core.page.RawPage;

/** General purpose logs, laid out after ACS-4 and Serial ATA 3.5. */
class GeneralLogsTest {
  private static void put(byte[] into, int at, int length, long value) {
    for (int i = 0; i < length; i++) {
      into[at + i] = (byte) (value >> 8 * i);
    }
  }

  @Test
  void readsThePendingDefects() {
    byte[] page = new byte[512];
    put(page, 0, 4, 2);
    put(page, 16, 4, 41_022);
    put(page, 24, 8, 5_902_408);
    put(page, 32, 4, 0xFFFF_FFFFL); // when is not reported
    put(page, 40, 8, 7);

    PendingDefects log = PendingDefects.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(log.count()).isEqualTo(2);
    assertThat(log.entries()).extracting(PendingDefects.Entry::lba).containsExactly(5_902_408L, 7L);
    assertThat(log.entries().get(0).powerOnHours()).hasValue(41_022);
    assertThat(log.entries().get(1).powerOnHours()).isEmpty();
  }

  /** Identifiers with their length in bits 14:12 as words: 1001h and 200Ah have 2 and 4 bytes. */
  @Test
  void readsTheCountersOfTheLink() {
    byte[] page = new byte[512];
    put(page, 4, 2, 0x1001);
    put(page, 6, 2, 0xFFFF); // at its highest
    put(page, 8, 2, 0x200A);
    put(page, 10, 4, 70_000);
    put(page, 14, 2, 0x900B); // bit 15: the vendor's own
    put(page, 16, 2, 3);
    int sum = 0;
    for (byte b : page) {
      sum += b;
    }
    page[511] = (byte) -sum;

    PhyEventCounters log = PhyEventCounters.decode(new RawPage(page)).decoded().orElseThrow();

    assertThat(log.counters())
        .extracting(PhyEventCounters.Counter::value)
        .containsExactly(65_535L, 70_000L, 3L);
    assertThat(log.counters().get(0).saturated()).isTrue();
    assertThat(log.counters().get(1).name()).isEqualTo("comresetRegisterFis");
    page[511]++;
    assertThat(PhyEventCounters.decode(new RawPage(page)).damage()).isPresent();
  }
}

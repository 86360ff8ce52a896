package tekmerion.core.memory;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import tekmerion.core.finding.Finding;
import tekmerion.core.memory.identity.MemoryRecords;
import tekmerion.core.page.RawPage;

/** Counters and log lines as the Linux kernel words them. */
class MemoryRecordsTest {
  @Test
  void addsUpTheCountersAndNamesTheWorstModule() {
    MemoryRecords records =
        decode(
            """
            mc0/dimm0/dimm_label=SLOT_A1
            mc0/dimm0/dimm_ce_count=0
            mc0/dimm0/dimm_ue_count=0
            mc0/dimm1/dimm_label=SLOT_B1
            mc0/dimm1/dimm_ce_count=17
            mc0/dimm1/dimm_ue_count=1
            """);

    assertThat(records.errors(true)).hasValue(17);
    assertThat(records.errors(false)).hasValue(1);
    Finding finding = MemoryFindings.of(records, "memory-records").get(0);
    assertThat(finding.level()).isEqualTo("some");
    assertThat(finding.words()).contains("17 corrected and 1 uncorrected", "SLOT_B1");
  }

  @Test
  void countsTheLogWhereNothingElseCounts() {
    String log =
        "[  91.2] EDAC MC0: 3 CE memory read error on CPU0_B1 (channel:1 slot:0 page:0x1)\n"
            + "[  92.0] EDAC MC0: 1 UE memory read error on CPU0_B1 (channel:1)\n"
            + "[  93.0] eth0: link up\n";
    MemoryRecords records = decode(log);

    assertThat(records.errors(true)).hasValue(3);
    assertThat(records.errors(false)).hasValue(1);
    assertThat(records.worst()).contains("CPU0_B1");
    assertThat(records.spans().get(0).length())
        .isEqualTo(log.indexOf('\n')); // the whole first line
  }

  @Test
  void saysNothingWhereNothingIsKept() {
    assertThat(decode("").errors(true)).isEmpty();
    assertThat(MemoryFindings.of(decode(""), "memory-records")).isEmpty();
    assertThat(MemoryFindings.of(decode("mc0/dimm0/dimm_ce_count=0\n"), "p").get(0).level())
        .isEqualTo("none");
  }

  private static MemoryRecords decode(String text) {
    return MemoryRecords.decode(new RawPage(text.getBytes(StandardCharsets.UTF_8)))
        .decoded()
        .orElseThrow();
  }
}

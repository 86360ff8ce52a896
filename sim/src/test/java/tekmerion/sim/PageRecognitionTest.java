package tekmerion.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tekmerion.core.drive.PageRecognition;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

/** Every page of every simulated machine, without its name. */
class PageRecognitionTest {
  /** Nothing in them sets them apart from others. */
  private static final Set<PageKind> NAMELESS =
      Set.of(PageKind.NVME_ERROR_LOG, PageKind.NVME_SELFTEST_LOG, PageKind.BATTERY_REGISTERS);

  /** Without an entry each of these is a 1, zeros and a checksum. */
  private static final Set<PageKind> EMPTY =
      Set.of(
          PageKind.ATA_ERROR_LOG,
          PageKind.ATA_ERROR_LOG_EXTENDED,
          PageKind.ATA_SELFTEST_LOG,
          PageKind.ATA_SELFTEST_LOG_EXTENDED);

  @Test
  void knowsPagesByTheirContent() {
    Map<String, String> wrong = new LinkedHashMap<>();
    int pages = 0;
    for (String name :
        List.of("worn-disk", "sound-drive", "worn-flash", "bad-module", "tired-battery")) {
      MachineUnderTest machine = new SimMachines().open("sim:" + name + ",0").orElseThrow();
      List<PageSource> sources = new ArrayList<>();
      machine.drives().forEach(d -> sources.add(d.pages()));
      machine.board().ifPresent(b -> sources.add(b.pages()));
      machine.battery().ifPresent(b -> sources.add(b.pages()));
      for (PageSource source : sources) {
        for (PageKind kind : source.kinds()) {
          RawPage raw = source.read(kind).bytes().orElse(null);
          if (raw == null || NAMELESS.contains(kind)) {
            continue;
          }
          pages++;
          List<PageKind> found = PageRecognition.of(raw);
          boolean emptyLog = EMPTY.contains(kind) && found.size() <= EMPTY.size();
          if (!found.contains(kind) || found.size() > 1 && !emptyLog) {
            wrong.put(name + " " + kind, found.toString());
          }
        }
      }
    }
    assertThat(wrong).isEmpty();
    assertThat(pages).isGreaterThan(25);
  }

  @Test
  void takesNoiseForNothing() {
    Random random = new Random(4);
    for (int i = 0; i < 2_000; i++) {
      byte[] bytes = new byte[i % 3 == 0 ? 4096 : 512];
      random.nextBytes(bytes);
      assertThat(PageRecognition.of(new RawPage(bytes))).isEmpty();
    }
    assertThat(PageRecognition.of(new RawPage(new byte[512]))).isEmpty();
  }
}

package tekmerion.evaluation;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import tekmerion.core.battery.BatteryFindings;
import tekmerion.core.battery.BatteryReport;
import tekmerion.core.drive.DriveFindings;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.PageDecoder;
import tekmerion.core.drive.PartReading;
import tekmerion.core.memory.MemoryFindings;
import tekmerion.core.memory.identity.MemoryRecords;
import tekmerion.core.memory.identity.Smbios;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.sim.SimMachines;

/**
 * Makes random and mutated pages and puts them through everything that reads raw bytes: decoders,
 * JSON, findings. Half of the mutated ones get a good checksum again, so that they reach the
 * fields.
 */
public final class PageFuzzer {
  /** Every decoder once: the pages of a SCSI log have one together. */
  public static final List<PageKind> KINDS =
      Arrays.stream(PageKind.values())
          .filter(k -> !k.wireName().startsWith("scsi-log") || k == PageKind.SCSI_LOG_TEMPERATURE)
          .filter(k -> k != PageKind.BATTERY_SUPPLY_2)
          .toList();

  private static final List<String> MACHINES =
      List.of(
          "sim:worn-disk,0",
          "sim:sound-drive,0",
          "sim:bad-bridge,0",
          "sim:worn-flash,0",
          "sim:bad-module,0",
          "sim:tired-battery,0");
  private final Random random;
  private final List<byte[]> sound = new ArrayList<>();

  public PageFuzzer(long seed) {
    random = new Random(seed);
    for (String name : MACHINES) {
      MachineUnderTest machine = new SimMachines(Clock.systemUTC()).open(name).orElseThrow();
      add(machine.drives().get(0).pages());
      machine.board().ifPresent(board -> add(board.pages()));
      machine.battery().ifPresent(battery -> add(battery.pages()));
    }
    sound.add(hex("0d00000c000003020024000103020044"));
    sound.add(hex("000006021f0000005155415920202020424f4c4c4152442d3438202020202020312e3020"));
    sound.add(hex("0080000842372d303034322020"));
    sound.add(hex("00830018010300085000c500a1b2c3d401020008000000000000000f"));
    sound.add(hex("00b1003c2ee0" + "00".repeat(58)));
    sound.add(hex("0000000005d21db9000002000003" + "00".repeat(18)));
    sound.add(
        "manufacturer=Quay\nproduct=Cleat\nserial=CL-1\nsizeBytes=16000000000\n"
            .getBytes(StandardCharsets.UTF_8));
    byte[] logs = new byte[512]; // a pending defect, and read as counters of the link two of them
    logs[0] = 1;
    logs[4] = 0x01;
    logs[5] = 0x10;
    logs[8] = 0x0A;
    logs[9] = 0x20;
    sound.add(logs);
    byte[] supported = new byte[1024];
    supported[8] = 1;
    sound.add(supported);
    sound.add(hex("2f000008000003045d102900"));
    sound.add(hex("1000001400010310470112340000000001020304031100" + "00"));
    sound.add(
        hex(
            "150000280000030c0001d4c0000100058000000400010314"
                + "0001d4c16311000000000000000000000"
                + "0ab54a9"));
    sound.add(hex("030200000802d70b09025e2e0a0288ff1002dc001802b8011a0231101b026f562104504d2d33"));
    sound.add(
        ("mc0/dimm0/dimm_label=SLOT_A1\nmc0/dimm0/dimm_ce_count=17\n"
                + "[ 91.2] EDAC MC0: 3 CE memory read error on CPU0_B1 (channel:1 slot:0)\n")
            .getBytes(StandardCharsets.UTF_8));
  }

  private void add(PageSource source) {
    for (PageKind kind : source.kinds()) {
      source.read(kind).bytes().ifPresent(p -> sound.add(p.bytes()));
    }
  }

  private static byte[] hex(String hex) {
    return HexFormat.of().parseHex(hex);
  }

  /** One page: random bytes, one value throughout, or a sound page mutated, cut or lengthened. */
  public RawPage next() {
    return switch (random.nextInt(9)) {
      case 0 -> randomPage(random.nextInt(1025));
      case 1 -> sealed(randomPage(512).bytes());
      case 2 -> new RawPage(cut(sound.get(random.nextInt(sound.size()))));
      case 3, 4 -> new RawPage(mutated());
      case 5 -> filled(random.nextBoolean() ? 0x00 : 0xFF);
      default -> sealed(mutated());
    };
  }

  /**
   * Decodes the page as every kind.
   *
   * @return what it was as each kind, in the order of {@link #KINDS}
   * @throws RuntimeException if a decoder does; the caller reports the page
   */
  public static List<Decoding<?>> decodeAll(RawPage page) {
    List<Decoding<?>> all = new ArrayList<>();
    for (PageKind kind : KINDS) {
      Decoding<? extends DecodedPage> decoding = PageDecoder.decode(kind, page);
      decoding.decoded().ifPresent(decoded -> show(decoded, page));
      decoding.decoded().ifPresent(decoded -> weigh(decoded, kind.wireName()));
      all.add(decoding);
    }
    PageAnswer answer = new PageAnswer.Got(page);
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    for (PageKind kind : PageKind.values()) {
      answers.put(kind, answer);
    }
    PartReading reading = new PartReading(answers);
    DriveFindings.of("drive-a", reading);
    DriveIdentity.of(reading);
    return all;
  }

  /** What a screen or a file would ask of it; a field outside its page is a mistake of ours. */
  private static void show(DecodedPage decoded, RawPage page) {
    decoded.json();
    for (FieldSpan span : decoded.spans()) {
      Objects.checkFromIndexSize(span.offset(), span.length(), page.size());
    }
  }

  /** Findings of what is no drive; those of drives are taken from all pages together. */
  private static void weigh(DecodedPage decoded, String page) {
    if (decoded instanceof BatteryReport report) {
      BatteryFindings.of(report, page, "The battery");
    } else if (decoded instanceof MemoryRecords records) {
      MemoryFindings.of(records, page);
    } else if (decoded instanceof Smbios table) {
      MemoryFindings.of(table, page);
    }
  }

  private byte[] mutated() {
    byte[] page = sound.get(random.nextInt(sound.size())).clone();
    int changes = 1 + random.nextInt(24);
    for (int i = 0; i < changes; i++) {
      int at = random.nextInt(page.length);
      switch (random.nextInt(4)) {
        case 0 -> page[at] ^= (byte) (1 << random.nextInt(9));
        case 1 -> page[at] = (byte) random.nextInt(256);
        case 2 -> page[at] = (byte) (random.nextBoolean() ? 0x00 : 0xFF);
        default -> {
          int length = Math.min(12, page.length - at);
          System.arraycopy(page, random.nextInt(page.length - length + 1), page, at, length);
        }
      }
    }
    return page;
  }

  private byte[] cut(byte[] page) {
    return Arrays.copyOf(page, random.nextInt(2 * page.length));
  }

  private static RawPage filled(int value) {
    byte[] bytes = new byte[512];
    Arrays.fill(bytes, (byte) value);
    return new RawPage(bytes);
  }

  private RawPage randomPage(int size) {
    byte[] bytes = new byte[size];
    random.nextBytes(bytes);
    return new RawPage(bytes);
  }

  /** ATA's checksum on the last block of 512 bytes, so that mutated pages reach their fields. */
  private static RawPage sealed(byte[] page) {
    int block = Math.max(0, page.length - 512);
    page[page.length - 1] -= (byte) new RawPage(page).sumModulo256(block, page.length - block);
    return new RawPage(page);
  }
}

package tekmerion.evaluation;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import tekmerion.core.drive.DriveReading;
import tekmerion.core.drive.DriveSigns;
import tekmerion.core.drive.ata.AtaJson;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.drive.ata.SmartThresholds;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.sim.SimMachines;

/**
 * Makes random and mutated pages and puts them through everything that reads raw bytes: decoders,
 * JSON, signs. Half of the mutated ones get a good checksum again, so that they reach the fields.
 */
public final class PageFuzzer {
  private static final List<String> MACHINES =
      List.of("sim:worn-disk,0", "sim:sound-drive,0", "sim:bad-bridge,0");
  private final Random random;
  private final List<byte[]> sound = new ArrayList<>();

  public PageFuzzer(long seed) {
    random = new Random(seed);
    for (String name : MACHINES) {
      MachineUnderTest machine = new SimMachines(Clock.systemUTC()).open(name).orElseThrow();
      for (PageKind kind : PageKind.values()) {
        machine.drives().get(0).pages().read(kind).bytes().ifPresent(p -> sound.add(p.bytes()));
      }
    }
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
   * @return what it was as each kind, in the order of {@link PageKind}
   * @throws RuntimeException if a decoder does; the caller reports the page
   */
  public static List<Decoding<?>> decodeAll(RawPage page) {
    Decoding<IdentifyDevice> identify = IdentifyDevice.decode(page);
    Decoding<SmartData> smart = SmartData.decode(page);
    Decoding<SmartThresholds> thresholds = SmartThresholds.decode(page);
    identify.decoded().ifPresent(AtaJson::of);
    smart.decoded().ifPresent(s -> AtaJson.of(s, thresholds.decoded()));
    PageAnswer answer = new PageAnswer.Got(page);
    DriveSigns.of(
        "drive-a",
        new DriveReading(
            Map.of(
                PageKind.ATA_IDENTIFY, answer,
                PageKind.ATA_SMART, answer,
                PageKind.ATA_THRESHOLDS, answer)));
    return List.of(identify, smart, thresholds);
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
          System.arraycopy(page, random.nextInt(page.length - length), page, at, length);
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

  private static RawPage sealed(byte[] page) {
    page[page.length - 1] -= (byte) new RawPage(page).sumModulo256();
    return new RawPage(page);
  }
}

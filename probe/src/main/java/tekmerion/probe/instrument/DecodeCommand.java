package tekmerion.probe.instrument;

import static java.nio.charset.StandardCharsets.US_ASCII;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.function.Function;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import tekmerion.core.battery.BatteryReport;
import tekmerion.core.battery.PackSum;
import tekmerion.core.battery.SmartBattery;
import tekmerion.core.battery.SupplyBattery;
import tekmerion.core.drive.PageDecoder;
import tekmerion.core.drive.ata.AtaJson;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.drive.ata.SmartThresholds;
import tekmerion.core.memory.identity.Spd;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageKind;
import tekmerion.probe.linux.LinuxBattery;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Decodes raw pages from files. The formats are in docs/formats.md. */
@Command(
    name = "decode",
    description = {
      "Decode raw pages from files and print JSON: one object for one file, one per line for several.",
      "Exit 0; 2 with an error object on standard error if a page is malformed."
    },
    mixinStandardHelpOptions = true)
public final class DecodeCommand implements Callable<Integer> {
  private static final int MAX_BYTES = 1 << 20;
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** Every SCSI log page has one decoder: its own header says which page it is. */
  private static final String SCSI_LOG = "scsi-log";

  /** A power supply's folder, its text, or a list of registers. */
  private static final String BATTERY = "battery";

  /** Kinds that are not those of one page. */
  private static final Map<String, Function<RawPage, Decoding<? extends DecodedPage>>> OTHERS =
      new TreeMap<>(
          Map.of(
              BATTERY,
              DecodeCommand::battery,
              "spd-ddr3",
              raw -> Spd.decode(Spd.Generation.DDR3, raw),
              "spd-ddr4",
              raw -> Spd.decode(Spd.Generation.DDR4, raw),
              "spd-ddr5",
              raw -> Spd.decode(Spd.Generation.DDR5, raw)));

  private static final String SMART = PageKind.ATA_SMART.wireName();

  @Parameters(
      index = "0",
      paramLabel = "KIND",
      completionCandidates = Kinds.class,
      description = "One of: ${COMPLETION-CANDIDATES}.")
  private String kind;

  @Parameters(
      index = "1..*",
      arity = "1..*",
      paramLabel = "FILE",
      description =
          "Raw pages; for battery also a folder of one of the system's power supplies; of several packs the"
              + " last line is their sum.")
  private List<Path> files;

  @Option(names = "--thresholds", description = "Thresholds page that goes with ata-smart.")
  private Path thresholds;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() {
    Optional<PageKind> page = pageKind();
    if (page.isEmpty() && !OTHERS.containsKey(kind)) {
      throw new ParameterException(
          spec.commandLine(),
          "KIND must be one of %s, was %s".formatted(String.join(", ", new Kinds()), kind));
    }
    if (thresholds != null && !kind.equals(SMART)) {
      throw new ParameterException(spec.commandLine(), "--thresholds goes with " + SMART);
    }
    List<Map<String, Object>> decoded = new ArrayList<>();
    for (Path file : files) {
      decoded.add(decode(file));
    }
    if (decoded.size() == 1) {
      System.out.println(
          JSON.writer()
              .with(SerializationFeature.INDENT_OUTPUT)
              .writeValueAsString(decoded.get(0)));
    } else {
      decoded.forEach(one -> System.out.println(JSON.writeValueAsString(one)));
      if (kind.equals(BATTERY)) {
        System.out.println(JSON.writeValueAsString(together()));
      }
    }
    return 0;
  }

  /** The packs of one machine, summed. */
  private Map<String, Object> together() {
    return PackSum.of(files.stream().map(f -> value(f, battery(read(f)))).toList()).json();
  }

  private static Decoding<BatteryReport> battery(RawPage raw) {
    boolean text = raw.size() > 0 && raw.u8(0) >= 0x20 && raw.u8(0) < 0x7F && raw.u8(0) != ' ';
    boolean supply = text && new String(raw.bytes(), US_ASCII).contains("=");
    return supply ? SupplyBattery.decode(raw) : SmartBattery.decode(raw);
  }

  private Optional<PageKind> pageKind() {
    return kind.equals(SCSI_LOG)
        ? Optional.of(PageKind.SCSI_LOG_TEMPERATURE)
        : PageKind.ofWireName(kind).filter(DecodeCommand::hasOwnName);
  }

  private static boolean hasOwnName(PageKind kind) {
    return !kind.wireName().startsWith(SCSI_LOG);
  }

  private Map<String, Object> decode(Path file) {
    RawPage raw = read(file);
    if (thresholds != null) {
      SmartThresholds limits = value(thresholds, SmartThresholds.decode(read(thresholds)));
      return AtaJson.of(value(file, SmartData.decode(raw)), Optional.of(limits));
    }
    if (OTHERS.containsKey(kind)) {
      return value(file, OTHERS.get(kind).apply(raw)).json();
    }
    return value(file, PageDecoder.decode(pageKind().orElseThrow(), raw)).json();
  }

  private static <T> T value(Path file, Decoding<T> decoding) {
    Optional<Fault> damage = decoding.damage();
    if (damage.isPresent()) {
      Fault f = damage.get();
      throw BadInputException.atOffset(f.what(), f.offset(), f.expected(), f.found(), file);
    }
    return decoding.decoded().orElseThrow();
  }

  private RawPage read(Path file) {
    if (Files.isDirectory(file) && kind.equals(BATTERY)) {
      try {
        return LinuxBattery.textOf(file);
      } catch (IOException e) {
        throw BadInputException.of(
            "the folder cannot be read", "a folder of power supplies", e.getMessage(), file);
      }
    }
    return new RawPage(Input.bytes(file, MAX_BYTES));
  }

  /** What may be given as KIND. */
  static final class Kinds extends ArrayList<String> {
    private static final long serialVersionUID = 1L;

    Kinds() {
      for (PageKind one : PageKind.values()) {
        if (hasOwnName(one)) {
          add(one.wireName());
        }
      }
      add(SCSI_LOG);
      addAll(OTHERS.keySet());
    }
  }
}

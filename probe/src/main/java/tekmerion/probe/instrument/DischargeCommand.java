package tekmerion.probe.instrument;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import org.apache.commons.csv.CSVRecord;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tekmerion.core.battery.Discharge;
import tekmerion.core.battery.Ranged;
import tekmerion.core.battery.Sensor;
import tekmerion.core.port.BatterySample;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What a discharge run in a file tells of a battery. The formats are in docs/formats.md. */
@Command(
    name = "discharge",
    description = {
      "Capacity, energy and resistance from a CSV file with the columns t_s, voltage_v, current_a;"
          + " optional temperature_c. Prints one JSON object.",
      "Exit 0; 2 with an error object on standard error if the file cannot be read so."
    },
    mixinStandardHelpOptions = true)
public final class DischargeCommand implements Callable<Integer> {
  private static final List<String> WANTED = List.of("t_s", "voltage_v", "current_a");
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @Parameters(paramLabel = "FILE.csv")
  private Path file;

  @Option(
      names = "--cut-off",
      paramLabel = "VOLTS",
      description = "Where the machine switches off; without it: at the end of the file.")
  private Double cutOffVolts;

  @Option(names = "--design", paramLabel = "AH", description = "Capacity of a new pack.")
  private Double designAh;

  @Option(names = "--new-resistance", paramLabel = "OHM", description = "Of a new pack.")
  private Double newOhm;

  @Option(names = "--sensor-gain", defaultValue = "0.01", description = "Default: 0.01.")
  private double gain;

  @Option(names = "--sensor-offset", defaultValue = "0.01", description = "[A]. Default: 0.01.")
  private double offsetAmperes;

  private final List<Map<String, Object>> left = new ArrayList<>();

  @Override
  public Integer call() {
    List<BatterySample> samples = read();
    System.out.println(JSON.writeValueAsString(json(samples)));
    return 0;
  }

  private Map<String, Object> json(List<BatterySample> samples) {
    Sensor sensor =
        new Sensor(
            Input.within("--sensor-gain", gain, 0, 1),
            Input.within("--sensor-offset", offsetAmperes, 0, 100));
    if (cutOffVolts != null) {
      Input.within("--cut-off", cutOffVolts, 0.1, 1_000);
    }
    if (designAh != null) {
      Input.within("--design", designAh, 0.01, 10_000);
    }
    if (newOhm != null) {
      Input.within("--new-resistance", newOhm, 1e-6, 1_000);
    }
    try {
      OptionalDouble cutOff =
          cutOffVolts == null ? OptionalDouble.empty() : OptionalDouble.of(cutOffVolts);
      return json(Discharge.of(samples, cutOff, sensor));
    } catch (IllegalArgumentException e) {
      throw BadInputException.of(
          "this is no discharge: " + e.getMessage(), "a pack that is run down", "other", file);
    }
  }

  private Map<String, Object> json(Discharge.Result result) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("chargeAh", result.chargeAh());
    json.put("energyWh", result.energyWh());
    json.put("reachedCutOff", cutOffVolts == null ? null : result.reachedCutOff());
    json.put("seconds", result.seconds());
    json.put("rowsLeftOut", left);
    json.put("gaps", result.gaps());
    json.put("secondsInGaps", result.secondsInGaps());
    json.put("resistanceOhm", result.resistanceOhm().orElse(null));
    json.put("loadSteps", result.steps());
    json.put("openCircuitVolts", result.openCircuitVolts().orElse(null));
    json.put(
        "warmedCelsius",
        result.warmedCelsius().isPresent() ? result.warmedCelsius().getAsDouble() : null);
    Ranged health = designAh == null ? null : result.healthByCapacity(designAh);
    json.put("healthByCapacity", health);
    json.put(
        "resistanceTimes", newOhm == null ? null : result.resistanceTimes(newOhm).orElse(null));
    return json;
  }

  /** A row that cannot be is a gap, and told; so many that nothing is left are an error. */
  private List<BatterySample> read() {
    List<BatterySample> samples = new ArrayList<>();
    CsvFile.read(
        file,
        WANTED,
        (row, line) -> {
          try {
            samples.add(sample(row));
          } catch (IllegalArgumentException e) {
            left.add(Map.of("line", line, "what", "no sample: " + String.join(",", row.values())));
          }
        });
    if (samples.size() < 2) {
      throw BadInputException.of(
          "the file has fewer than two samples",
          "rows of numbers",
          "%d rows that are none".formatted(left.size()),
          file);
    }
    return samples;
  }

  private static BatterySample sample(CSVRecord row) {
    boolean warm = row.isMapped("temperature_c") && !row.get("temperature_c").isEmpty();
    return new BatterySample(
        Double.parseDouble(row.get("t_s")),
        Double.parseDouble(row.get("voltage_v")),
        Double.parseDouble(row.get("current_a")),
        warm
            ? OptionalDouble.of(Double.parseDouble(row.get("temperature_c")))
            : OptionalDouble.empty());
  }
}

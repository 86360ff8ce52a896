package tekmerion.probe.instrument;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import org.apache.commons.csv.CSVParser;
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
  private static final int BAD = 2;
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

  @Override
  public Integer call() {
    try {
      List<BatterySample> samples = read();
      double cutOff = cutOffVolts != null ? cutOffVolts : samples.get(samples.size() - 1).volts();
      System.out.println(
          JSON.writeValueAsString(
              json(Discharge.of(samples, cutOff, new Sensor(gain, offsetAmperes)))));
      return 0;
    } catch (IOException | IllegalArgumentException e) {
      System.err.println(
          JSON.writeValueAsString(
              Map.of(
                  "error",
                  Map.of(
                      "what",
                      String.valueOf(e.getMessage()),
                      "file",
                      file.getFileName().toString()))));
      return BAD;
    }
  }

  private Map<String, Object> json(Discharge.Result result) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("chargeAh", result.chargeAh());
    json.put("energyWh", result.energyWh());
    json.put("reachedCutOff", result.reachedCutOff());
    json.put("seconds", result.seconds());
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

  private List<BatterySample> read() throws IOException {
    try (CSVParser parser = CsvFile.open(file)) {
      for (String column : WANTED) {
        if (!parser.getHeaderMap().containsKey(column)) {
          throw new IllegalArgumentException(
              "the column %s is missing; there are: %s"
                  .formatted(column, String.join(", ", parser.getHeaderNames())));
        }
      }
      List<BatterySample> samples = new ArrayList<>();
      for (CSVRecord row : parser) {
        samples.add(sample(row));
      }
      return samples;
    }
  }

  private static BatterySample sample(CSVRecord row) {
    try {
      boolean warm = row.isMapped("temperature_c") && !row.get("temperature_c").isEmpty();
      return new BatterySample(
          Double.parseDouble(row.get("t_s")),
          Double.parseDouble(row.get("voltage_v")),
          Double.parseDouble(row.get("current_a")),
          warm
              ? OptionalDouble.of(Double.parseDouble(row.get("temperature_c")))
              : OptionalDouble.empty());
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(
          "line %d is no sample: %s".formatted(row.getRecordNumber() + 1, e.getMessage()), e);
    }
  }
}

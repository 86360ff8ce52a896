package tekmerion.core.forecast;

import java.io.IOException;
import java.io.InputStream;
import java.util.EnumMap;
import java.util.Map;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** How long stages usually take: the shop's own history where there is enough, else judgement. */
public final class Typical {
  private static final String FILE = "/tekmerion/knowhow/typical-minutes.yaml";
  private static final Map<Stage, Spread> JUDGED = read();
  private final Map<Stage, Spread> spreads = new EnumMap<>(JUDGED);
  private final Map<Stage, Integer> measured = new EnumMap<>(Stage.class);

  /**
   * @param minutes what the shop measured, by stage; a stage may be missing
   */
  public Typical(Map<Stage, double[]> minutes) {
    minutes.forEach(
        (stage, values) ->
            Spread.of(values)
                .ifPresent(
                    spread -> {
                      spreads.put(stage, spread);
                      measured.put(stage, values.length);
                    }));
  }

  public Spread of(Stage stage) {
    return spreads.get(stage);
  }

  /** How many past jobs a stage rests on; 0 if on judgement. */
  public int jobs(Stage stage) {
    return measured.getOrDefault(stage, 0);
  }

  private static Map<Stage, Spread> read() {
    try (InputStream in = Typical.class.getResourceAsStream(FILE)) {
      return new YAMLMapper().readValue(in, new TypeReference<EnumMap<Stage, Spread>>() {});
    } catch (IOException e) {
      throw new IllegalStateException("cannot read " + FILE, e);
    }
  }
}

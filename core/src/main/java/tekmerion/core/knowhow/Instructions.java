package tekmerion.core.knowhow;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import tekmerion.core.knowhow.Move.Step;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * How remedies are done that no move guides. Data, in {@code knowhow/instructions.yaml}; none for a
 * remedy whose move has the steps.
 */
public final class Instructions {
  private static final String RESOURCE = "/tekmerion/knowhow/instructions.yaml";
  private static final Instructions SHIPPED = load();

  private final Map<String, List<Step>> steps;

  private Instructions(Map<String, List<Step>> steps) {
    this.steps = Map.copyOf(steps);
  }

  /** Those that ship with the product. */
  public static Instructions shipped() {
    return SHIPPED;
  }

  /** Remedies that have some, by id. */
  public Set<String> remedies() {
    return steps.keySet();
  }

  /** In order; none if a move guides it, or nobody wrote any. */
  public List<Step> of(String remedy) {
    return steps.getOrDefault(remedy, List.of());
  }

  private static Instructions load() {
    try (InputStream in = Instructions.class.getResourceAsStream(RESOURCE)) {
      Map<String, List<String>> texts =
          new YAMLMapper().readValue(in, new TypeReference<Map<String, List<String>>>() {});
      return new Instructions(
          texts.entrySet().stream()
              .collect(
                  Collectors.toMap(
                      Map.Entry::getKey, e -> e.getValue().stream().map(Step::of).toList())));
    } catch (IOException e) {
      throw new IllegalStateException("cannot read " + RESOURCE, e);
    }
  }
}

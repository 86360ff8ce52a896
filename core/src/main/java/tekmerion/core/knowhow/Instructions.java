package tekmerion.core.knowhow;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import tekmerion.core.knowhow.Move.Step;
import tekmerion.words.Speaking;
import tekmerion.words.Words;
import tools.jackson.databind.JsonNode;

/**
 * How remedies are done that no move guides. Data, in {@code knowhow/instructions.yaml}; none for a
 * remedy whose move has the steps.
 */
public final class Instructions {
  private static final Map<Speaking, Instructions> SHIPPED = new ConcurrentHashMap<>();

  private final Map<String, List<Step>> steps;

  private Instructions(Map<String, List<Step>> steps) {
    this.steps = Map.copyOf(steps);
  }

  /** Those that ship with the product, in the language that is spoken. */
  public static Instructions shipped() {
    return SHIPPED.computeIfAbsent(Words.speaking(), speaking -> load());
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
    Map<String, List<Step>> steps = new HashMap<>();
    for (Map.Entry<String, JsonNode> remedy :
        KnowHowFiles.translated("instructions.yaml").properties()) {
      steps.put(
          remedy.getKey(),
          remedy.getValue().valueStream().map(step -> Step.of(step.asString())).toList());
    }
    return new Instructions(steps);
  }
}

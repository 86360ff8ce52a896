package tekmerion.core.weigh;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.words.Sentences;

/** What remedies are called here: with the part that each is likeliest for, "Replace drive A". */
final class RemedyNames {
  private final Network network;
  private final Posterior faults;

  RemedyNames(Network network, Posterior faults) {
    this.network = network;
    this.faults = faults;
  }

  /** By id. */
  Map<String, String> of(Collection<Remedy> remedies) {
    Map<String, String> names = new HashMap<>();
    remedies.forEach(remedy -> names.put(remedy.id(), of(remedy)));
    return names;
  }

  String of(Remedy remedy) {
    String part = say("weigh.the", "part", remedy.part());
    if (!remedy.name().endsWith(part)) {
      return remedy.name();
    }
    return likeliest(List.of(remedy)).stream()
        .findFirst()
        .map(i -> network.instances().get(i).part())
        .filter(on -> on.kind().equals(remedy.part()))
        .map(on -> remedy.name().replace(part, Sentences.lowerFirst(on.name())))
        .orElse(remedy.name());
  }

  /** Causes that these mend, likeliest first. */
  List<Integer> likeliest(List<Remedy> remedies) {
    List<Integer> causes = new ArrayList<>();
    for (int i = 0; i < network.instances().size(); i++) {
      String cause = network.instances().get(i).cause().id();
      if (remedies.stream().anyMatch(r -> r.cures().getOrDefault(cause, 0.0) > 0)) {
        causes.add(i);
      }
    }
    causes.sort(Comparator.comparingDouble((Integer i) -> -faults.probability()[i]));
    return causes;
  }
}

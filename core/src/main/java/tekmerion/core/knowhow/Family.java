package tekmerion.core.knowhow;

import java.util.List;

/**
 * A complaint family: what owners come in with.
 *
 * @param says as the predicate of a sentence, e.g. "stops with an error screen"
 * @param words how owners say it
 */
public record Family(String id, String name, String says, List<String> words) {
  public Family {
    says = says == null ? name : says;
    words = words == null ? List.of() : List.copyOf(words);
  }
}

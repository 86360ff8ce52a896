package tekmerion.core.knowhow;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.Function;
import tekmerion.words.Language;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** Tells words that a shop chose from those that it only left in a form beside its numbers. */
final class ShippedWords {
  private ShippedWords() {}

  /**
   * What ships, in the language that is spoken, if that is what was typed in any language; else
   * what was typed.
   *
   * @param shipped the same words in what ships; empty if nothing of that id does
   */
  static <T> T orTyped(T typed, Function<KnowHow, Optional<T>> shipped) {
    boolean unchanged =
        Arrays.stream(Language.values())
            .map(language -> Words.in(Speaking.prose(language), () -> shipped(shipped)))
            .anyMatch(Optional.of(typed)::equals);
    return unchanged ? shipped(shipped).orElse(typed) : typed;
  }

  private static <T> Optional<T> shipped(Function<KnowHow, Optional<T>> of) {
    return of.apply(KnowHow.shipped());
  }
}

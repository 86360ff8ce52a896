package tekmerion.core.page;

import java.util.Optional;

/**
 * What some bytes turned out to be. Every case keeps them, so that a later release can decode them
 * again.
 */
public sealed interface Decoding<T> {
  RawPage raw();

  /** The bytes follow their standard. */
  record Decoded<T>(RawPage raw, T value) implements Decoding<T> {}

  /** The bytes do not follow it; {@code fault} is the first thing that is wrong. */
  record Malformed<T>(RawPage raw, Fault fault) implements Decoding<T> {}

  default Optional<T> decoded() {
    return this instanceof Decoded<T> d ? Optional.of(d.value()) : Optional.empty();
  }

  default Optional<Fault> damage() {
    return this instanceof Malformed<T> m ? Optional.of(m.fault()) : Optional.empty();
  }
}

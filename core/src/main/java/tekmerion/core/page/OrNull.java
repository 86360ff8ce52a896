package tekmerion.core.page;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;

/** What is not reported is null in JSON, never 0. */
public final class OrNull {
  private OrNull() {}

  public static Long orNull(OptionalLong value) {
    return value.isPresent() ? value.getAsLong() : null;
  }

  public static Integer orNull(OptionalInt value) {
    return value.isPresent() ? value.getAsInt() : null;
  }

  public static Double orNull(OptionalDouble value) {
    return value.isPresent() ? value.getAsDouble() : null;
  }
}

package tekmerion.core.trend;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A place where a series begins anew, because what comes after cannot be compared with what was
 * before.
 *
 * @param index of the first reading after it
 * @param reason why
 * @param words for a person, with the values concerned
 */
public record Split(int index, Reason reason, String words) {
  /** Why a series is cut. */
  public enum Reason {
    OTHER_SERIAL,
    NEW_FIRMWARE,
    HOURS_WENT_BACK,
    CLOCK_WENT_BACK,
    COUNTER_WENT_BACK
  }

  /**
   * @param readings in the order in which they were received
   * @param counter whether a falling value is impossible
   */
  static List<Split> in(List<TrendReading> readings, boolean counter) {
    List<Split> splits = new ArrayList<>();
    for (int i = 1; i < readings.size(); i++) {
      between(i, readings.get(i - 1), readings.get(i), counter).ifPresent(splits::add);
    }
    return splits;
  }

  private static Optional<Split> between(
      int i, TrendReading before, TrendReading after, boolean counter) {
    if (differ(before.serial(), after.serial())) {
      return split(
          i,
          Reason.OTHER_SERIAL,
          "another serial: %s, then %s".formatted(before.serial(), after.serial()));
    }
    if (differ(before.firmware(), after.firmware())) {
      return split(
          i,
          Reason.NEW_FIRMWARE,
          "new firmware: %s, then %s".formatted(before.firmware(), after.firmware()));
    }
    if (before.powerOnHours().isPresent()
        && after.powerOnHours().isPresent()
        && after.powerOnHours().getAsDouble() < before.powerOnHours().getAsDouble()) {
      return split(
          i,
          Reason.HOURS_WENT_BACK,
          String.format(
              Locale.ROOT,
              "power-on hours went back from %,.0f to %,.0f: another board, or the count was reset",
              before.powerOnHours().getAsDouble(),
              after.powerOnHours().getAsDouble()));
    }
    if (after.takenAt().isBefore(before.takenAt())) {
      return split(
          i,
          Reason.CLOCK_WENT_BACK,
          "the clock went back from %s to %s".formatted(before.takenAt(), after.takenAt()));
    }
    if (counter && after.value() < before.value()) {
      return split(
          i,
          Reason.COUNTER_WENT_BACK,
          String.format(
              Locale.ROOT,
              "the counter went back from %,.0f to %,.0f: wrapped or reset",
              before.value(),
              after.value()));
    }
    return Optional.empty();
  }

  private static boolean differ(String before, String after) {
    return !before.isEmpty() && !after.isEmpty() && !before.equals(after);
  }

  private static Optional<Split> split(int index, Reason reason, String words) {
    return Optional.of(new Split(index, reason, words));
  }
}

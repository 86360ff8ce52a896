package tekmerion.core.trend;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
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
          say("trend.another-serial", "before", before.serial(), "after", after.serial()));
    }
    if (differ(before.firmware(), after.firmware())) {
      return split(
          i,
          Reason.NEW_FIRMWARE,
          say("trend.new-firmware", "before", before.firmware(), "after", after.firmware()));
    }
    if (before.powerOnHours().isPresent()
        && after.powerOnHours().isPresent()
        && after.powerOnHours().getAsDouble() < before.powerOnHours().getAsDouble()) {
      return split(
          i,
          Reason.HOURS_WENT_BACK,
          say(
              "trend.hours-went-back",
              "before",
              before.powerOnHours().getAsDouble(),
              "after",
              after.powerOnHours().getAsDouble()));
    }
    if (after.takenAt().isBefore(before.takenAt())) {
      return split(
          i,
          Reason.CLOCK_WENT_BACK,
          say("trend.the-clock-went-back", "before", before.takenAt(), "after", after.takenAt()));
    }
    if (counter && after.value() < before.value()) {
      return split(
          i,
          Reason.COUNTER_WENT_BACK,
          say("trend.the-counter-went-back", "before", before.value(), "after", after.value()));
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

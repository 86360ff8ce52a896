package tekmerion.core.drive.ata;

import tekmerion.core.page.LayoutField;

/**
 * The statistics of ACS-3 (A.5 Device Statistics log) and, where said, of ACS-4. Each lies in a
 * quadword: value in the lower bytes, flags in byte 7.
 */
public enum DeviceStatistic {
  LIFETIME_POWER_ON_RESETS(1, 8, 4, ""),
  POWER_ON_HOURS(1, 16, 4, "h"),
  LOGICAL_SECTORS_WRITTEN(1, 24, 6, "sectors"),
  NUMBER_OF_WRITE_COMMANDS(1, 32, 6, ""),
  LOGICAL_SECTORS_READ(1, 40, 6, "sectors"),
  NUMBER_OF_READ_COMMANDS(1, 48, 6, ""),
  DATE_AND_TIME_TIMESTAMP(1, 56, 6, "ms"),
  /** ACS-4. */
  PENDING_ERROR_COUNT(1, 64, 4, ""),
  /** ACS-4. */
  WORKLOAD_UTILIZATION(1, 72, 2, "%"),
  NUMBER_OF_FREE_FALL_EVENTS_DETECTED(2, 8, 4, ""),
  OVERLIMIT_SHOCK_EVENTS(2, 16, 4, ""),
  SPINDLE_MOTOR_POWER_ON_HOURS(3, 8, 4, "h"),
  HEAD_FLYING_HOURS(3, 16, 4, "h"),
  HEAD_LOAD_EVENTS(3, 24, 4, ""),
  NUMBER_OF_REALLOCATED_LOGICAL_SECTORS(3, 32, 4, "sectors"),
  READ_RECOVERY_ATTEMPTS(3, 40, 4, ""),
  NUMBER_OF_MECHANICAL_START_FAILURES(3, 48, 4, ""),
  NUMBER_OF_REALLOCATION_CANDIDATE_LOGICAL_SECTORS(3, 56, 4, "sectors"),
  NUMBER_OF_HIGH_PRIORITY_UNLOAD_EVENTS(3, 64, 4, ""),
  NUMBER_OF_REPORTED_UNCORRECTABLE_ERRORS(4, 8, 4, ""),
  NUMBER_OF_RESETS_BETWEEN_COMMAND_ACCEPTANCE_AND_COMPLETION(4, 16, 4, ""),
  CURRENT_TEMPERATURE(5, 8, 1, "°C"),
  AVERAGE_SHORT_TERM_TEMPERATURE(5, 16, 1, "°C"),
  AVERAGE_LONG_TERM_TEMPERATURE(5, 24, 1, "°C"),
  HIGHEST_TEMPERATURE(5, 32, 1, "°C"),
  LOWEST_TEMPERATURE(5, 40, 1, "°C"),
  HIGHEST_AVERAGE_SHORT_TERM_TEMPERATURE(5, 48, 1, "°C"),
  LOWEST_AVERAGE_SHORT_TERM_TEMPERATURE(5, 56, 1, "°C"),
  HIGHEST_AVERAGE_LONG_TERM_TEMPERATURE(5, 64, 1, "°C"),
  LOWEST_AVERAGE_LONG_TERM_TEMPERATURE(5, 72, 1, "°C"),
  TIME_IN_OVER_TEMPERATURE(5, 80, 4, "min"),
  SPECIFIED_MAXIMUM_OPERATING_TEMPERATURE(5, 88, 1, "°C"),
  TIME_IN_UNDER_TEMPERATURE(5, 96, 4, "min"),
  SPECIFIED_MINIMUM_OPERATING_TEMPERATURE(5, 104, 1, "°C"),
  NUMBER_OF_HARDWARE_RESETS(6, 8, 4, ""),
  NUMBER_OF_ASR_EVENTS(6, 16, 4, ""),
  NUMBER_OF_INTERFACE_CRC_ERRORS(6, 24, 4, ""),
  PERCENTAGE_USED_ENDURANCE_INDICATOR(7, 8, 1, "%");

  private static final int TEMPERATURE_PAGE = 5;

  private final int page;
  private final int offset;
  private final int length;
  private final String unit;

  DeviceStatistic(int page, int offset, int length, String unit) {
    this.page = page;
    this.offset = offset;
    this.length = length;
    this.unit = unit;
  }

  /** Number of the log page, 1 to 7. */
  public int page() {
    return page;
  }

  /** Of its quadword in its page [bytes]. */
  public int offset() {
    return offset;
  }

  /** Of the value [bytes]. */
  public int length() {
    return length;
  }

  public String unit() {
    return unit;
  }

  /** Temperatures are signed bytes; everything else is unsigned. */
  boolean isSigned() {
    return page == TEMPERATURE_PAGE && length == 1;
  }

  public String jsonName() {
    return LayoutField.jsonName(name());
  }
}

package tekmerion.core.drive.nvme;

import static tekmerion.core.page.FieldLayout.code;
import static tekmerion.core.page.FieldLayout.flag;
import static tekmerion.core.page.FieldLayout.le;

import tekmerion.core.page.FieldLayout;
import tekmerion.core.page.LayoutField;

/** SMART / Health Information (log page 02h), figure 207. */
public enum HealthField implements LayoutField {
  AVAILABLE_SPARE_BELOW_THRESHOLD(flag(0, 0)),
  TEMPERATURE_OUT_OF_RANGE(flag(0, 1)),
  RELIABILITY_DEGRADED(flag(0, 2)),
  MEDIA_READ_ONLY(flag(0, 3)),
  VOLATILE_MEMORY_BACKUP_FAILED(flag(0, 4)),
  PERSISTENT_MEMORY_UNRELIABLE(flag(0, 5)),
  COMPOSITE_TEMPERATURE(le(1, 2, "K").notReportedAs(0)),
  AVAILABLE_SPARE(le(3, 1, "%")),
  AVAILABLE_SPARE_THRESHOLD(le(4, 1, "%")),
  /** May pass 100; 255 means above 254. */
  PERCENTAGE_USED(le(5, 1, "%")),
  ENDURANCE_GROUP_CRITICAL_WARNING_SUMMARY(code(6, 1)),
  DATA_UNITS_READ(le(32, 16, "1000 × 512 bytes")),
  DATA_UNITS_WRITTEN(le(48, 16, "1000 × 512 bytes")),
  HOST_READ_COMMANDS(le(64, 16)),
  HOST_WRITE_COMMANDS(le(80, 16)),
  CONTROLLER_BUSY_TIME(le(96, 16, "min")),
  POWER_CYCLES(le(112, 16)),
  POWER_ON_HOURS(le(128, 16, "h")),
  UNSAFE_SHUTDOWNS(le(144, 16)),
  MEDIA_AND_DATA_INTEGRITY_ERRORS(le(160, 16)),
  NUMBER_OF_ERROR_INFORMATION_LOG_ENTRIES(le(176, 16)),
  WARNING_COMPOSITE_TEMPERATURE_TIME(le(192, 4, "min")),
  CRITICAL_COMPOSITE_TEMPERATURE_TIME(le(196, 4, "min")),
  TEMPERATURE_SENSOR_1(le(200, 2, "K").notReportedAs(0)),
  TEMPERATURE_SENSOR_2(le(202, 2, "K").notReportedAs(0)),
  TEMPERATURE_SENSOR_3(le(204, 2, "K").notReportedAs(0)),
  TEMPERATURE_SENSOR_4(le(206, 2, "K").notReportedAs(0)),
  TEMPERATURE_SENSOR_5(le(208, 2, "K").notReportedAs(0)),
  TEMPERATURE_SENSOR_6(le(210, 2, "K").notReportedAs(0)),
  TEMPERATURE_SENSOR_7(le(212, 2, "K").notReportedAs(0)),
  TEMPERATURE_SENSOR_8(le(214, 2, "K").notReportedAs(0)),
  THERMAL_MANAGEMENT_TEMPERATURE_1_TRANSITION_COUNT(le(216, 4)),
  THERMAL_MANAGEMENT_TEMPERATURE_2_TRANSITION_COUNT(le(220, 4)),
  TOTAL_TIME_FOR_THERMAL_MANAGEMENT_TEMPERATURE_1(le(224, 4, "s")),
  TOTAL_TIME_FOR_THERMAL_MANAGEMENT_TEMPERATURE_2(le(228, 4, "s"));

  private final FieldLayout layout;

  HealthField(FieldLayout layout) {
    this.layout = layout;
  }

  @Override
  public FieldLayout layout() {
    return layout;
  }
}

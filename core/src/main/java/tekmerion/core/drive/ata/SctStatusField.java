package tekmerion.core.drive.ata;

import static tekmerion.core.page.FieldLayout.bytes;
import static tekmerion.core.page.FieldLayout.code;
import static tekmerion.core.page.FieldLayout.flag;
import static tekmerion.core.page.FieldLayout.le;
import static tekmerion.core.page.FieldLayout.signed;

import tekmerion.core.page.FieldLayout;
import tekmerion.core.page.LayoutField;

/** SCT status response: ACS-3, 8.3.2 table "Format of the SCT status response". */
public enum SctStatusField implements LayoutField {
  FORMAT_VERSION(le(0, 2)),
  SCT_VERSION(le(2, 2)),
  SCT_SPEC(le(4, 2)),
  SEGMENT_INITIALIZED_FLAG(flag(6, 0)),
  DEVICE_STATE(le(10, 1)),
  EXTENDED_STATUS_CODE(code(14, 2)),
  ACTION_CODE(code(16, 2)),
  FUNCTION_CODE(code(18, 2)),
  LBA(le(40, 8)),
  CURRENT_TEMPERATURE(temperature(200)),
  MINIMUM_TEMPERATURE_THIS_POWER_CYCLE(temperature(201)),
  MAXIMUM_TEMPERATURE_THIS_POWER_CYCLE(temperature(202)),
  LIFE_MINIMUM_TEMPERATURE(temperature(203)),
  LIFE_MAXIMUM_TEMPERATURE(temperature(204)),
  MAXIMUM_OPERATING_TEMPERATURE(temperature(205)),
  OVER_LIMIT_COUNT(le(206, 4)),
  UNDER_LIMIT_COUNT(le(210, 4)),
  SMART_STATUS(code(214, 2)),
  MINIMUM_ERROR_RECOVERY_TIME(le(216, 2, "100 ms").notReportedAs(0)),
  VENDOR_SPECIFIC(bytes(480, 32));

  private final FieldLayout layout;

  SctStatusField(FieldLayout layout) {
    this.layout = layout;
  }

  /** 80h: the temperature is not valid. */
  private static FieldLayout temperature(int offset) {
    return signed(offset, "°C").notReportedAs(-128);
  }

  @Override
  public FieldLayout layout() {
    return layout;
  }
}

package tekmerion.core.drive.nvme;

import static tekmerion.core.page.FieldLayout.bits;
import static tekmerion.core.page.FieldLayout.code;
import static tekmerion.core.page.FieldLayout.flag;
import static tekmerion.core.page.FieldLayout.le;

import tekmerion.core.page.FieldLayout;
import tekmerion.core.page.LayoutField;

/** Self-test Result data structure (log page 06h), figure 218. */
public enum SelfTestResultField implements LayoutField {
  RESULT(bits(0, 1, 3, 0)),
  SELF_TEST_CODE(bits(0, 1, 7, 4)),
  SEGMENT_NUMBER(le(1, 1).notReportedAs(0)),
  NAMESPACE_IDENTIFIER_VALID(flag(2, 0)),
  FAILING_LBA_VALID(flag(2, 1)),
  STATUS_CODE_TYPE_VALID(flag(2, 2)),
  STATUS_CODE_VALID(flag(2, 3)),
  POWER_ON_HOURS(le(4, 8, "h")),
  NAMESPACE_IDENTIFIER(le(12, 4)),
  FAILING_LBA(le(16, 8)),
  STATUS_CODE_TYPE(bits(24, 1, 2, 0)),
  STATUS_CODE(code(25, 1)),
  VENDOR_SPECIFIC(code(26, 2));

  private final FieldLayout layout;

  SelfTestResultField(FieldLayout layout) {
    this.layout = layout;
  }

  @Override
  public FieldLayout layout() {
    return layout;
  }
}

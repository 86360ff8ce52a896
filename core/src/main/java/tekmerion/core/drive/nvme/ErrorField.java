package tekmerion.core.drive.nvme;

import static tekmerion.core.page.FieldLayout.bits;
import static tekmerion.core.page.FieldLayout.code;
import static tekmerion.core.page.FieldLayout.flag;
import static tekmerion.core.page.FieldLayout.le;

import tekmerion.core.page.FieldLayout;
import tekmerion.core.page.LayoutField;

/** Error Information Log Entry data structure (log page 01h), figure 206. */
public enum ErrorField implements LayoutField {
  ERROR_COUNT(le(0, 8)),
  SUBMISSION_QUEUE_ID(le(8, 2).notReportedAs(0xFFFF)),
  COMMAND_ID(code(10, 2)),
  STATUS_CODE(bits(12, 2, 8, 1)),
  STATUS_CODE_TYPE(bits(12, 2, 11, 9)),
  DO_NOT_RETRY(flag(13, 7)),
  PARAMETER_ERROR_LOCATION(code(14, 2)),
  LBA(le(16, 8)),
  NAMESPACE(le(24, 4).notReportedAs(0xFFFFFFFFL)),
  VENDOR_SPECIFIC_LOG_PAGE(code(28, 1)),
  TRANSPORT_TYPE(le(29, 1).notReportedAs(0)),
  COMMAND_SPECIFIC_INFORMATION(code(32, 8)),
  TRANSPORT_TYPE_SPECIFIC_INFORMATION(code(40, 2));

  private final FieldLayout layout;

  ErrorField(FieldLayout layout) {
    this.layout = layout;
  }

  @Override
  public FieldLayout layout() {
    return layout;
  }
}

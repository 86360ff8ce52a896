package tekmerion.core.drive.nvme;

import static tekmerion.core.page.FieldLayout.bits;
import static tekmerion.core.page.FieldLayout.bytes;
import static tekmerion.core.page.FieldLayout.code;
import static tekmerion.core.page.FieldLayout.flag;
import static tekmerion.core.page.FieldLayout.le;

import tekmerion.core.page.FieldLayout;
import tekmerion.core.page.LayoutField;

/** Identify Namespace data structure (CNS 00h): NVM Command Set Specification 1.0, figure 97. */
public enum NamespaceField implements LayoutField {
  NAMESPACE_SIZE(le(0, 8, "blocks").notReportedAs(0)),
  NAMESPACE_CAPACITY(le(8, 8, "blocks")),
  NAMESPACE_UTILIZATION(le(16, 8, "blocks")),
  THIN_PROVISIONING(flag(24, 0)),
  DEALLOCATED_BLOCK_ERROR_SUPPORTED(flag(24, 2)),
  /** Highest index, so one less than the number of formats. */
  NUMBER_OF_LBA_FORMATS(le(25, 1)),
  FORMATTED_LBA_SIZE_INDEX(bits(26, 1, 3, 0)),
  METADATA_AT_END_OF_BLOCK(flag(26, 4)),
  METADATA_CAPABILITIES(code(27, 1)),
  END_TO_END_DATA_PROTECTION_CAPABILITIES(code(28, 1)),
  END_TO_END_DATA_PROTECTION_TYPE_SETTINGS(code(29, 1)),
  NAMESPACE_MULTI_PATH_CAPABILITIES(code(30, 1)),
  RESERVATION_CAPABILITIES(code(31, 1)),
  FORMAT_PERCENTAGE_REMAINING(bits(32, 1, 6, 0)),
  DEALLOCATE_LOGICAL_BLOCK_FEATURES(code(33, 1)),
  NAMESPACE_ATOMIC_WRITE_UNIT_NORMAL(le(34, 2)),
  NAMESPACE_ATOMIC_WRITE_UNIT_POWER_FAIL(le(36, 2)),
  NAMESPACE_ATOMIC_COMPARE_AND_WRITE_UNIT(le(38, 2)),
  NAMESPACE_ATOMIC_BOUNDARY_SIZE_NORMAL(le(40, 2)),
  NAMESPACE_ATOMIC_BOUNDARY_OFFSET(le(42, 2)),
  NAMESPACE_ATOMIC_BOUNDARY_SIZE_POWER_FAIL(le(44, 2)),
  NAMESPACE_OPTIMAL_IO_BOUNDARY(le(46, 2, "blocks").notReportedAs(0)),
  NVM_CAPACITY(le(48, 16, "bytes").notReportedAs(0)),
  NAMESPACE_PREFERRED_WRITE_GRANULARITY(le(64, 2, "blocks, less one")),
  NAMESPACE_PREFERRED_WRITE_ALIGNMENT(le(66, 2, "blocks, less one")),
  NAMESPACE_PREFERRED_DEALLOCATE_GRANULARITY(le(68, 2, "blocks, less one")),
  NAMESPACE_PREFERRED_DEALLOCATE_ALIGNMENT(le(70, 2, "blocks, less one")),
  NAMESPACE_OPTIMAL_WRITE_SIZE(le(72, 2, "blocks, less one")),
  ANA_GROUP_IDENTIFIER(le(92, 4)),
  WRITE_PROTECTED(flag(99, 0)),
  NVM_SET_IDENTIFIER(le(100, 2).notReportedAs(0)),
  ENDURANCE_GROUP_IDENTIFIER(le(102, 2).notReportedAs(0)),
  NAMESPACE_GLOBALLY_UNIQUE_IDENTIFIER(bytes(104, 16).notReportedAs(0)),
  IEEE_EXTENDED_UNIQUE_IDENTIFIER(bytes(120, 8).notReportedAs(0));

  private final FieldLayout layout;

  NamespaceField(FieldLayout layout) {
    this.layout = layout;
  }

  @Override
  public FieldLayout layout() {
    return layout;
  }
}

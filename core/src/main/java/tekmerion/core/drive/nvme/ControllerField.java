package tekmerion.core.drive.nvme;

import static tekmerion.core.page.FieldLayout.ascii;
import static tekmerion.core.page.FieldLayout.bytes;
import static tekmerion.core.page.FieldLayout.code;
import static tekmerion.core.page.FieldLayout.flag;
import static tekmerion.core.page.FieldLayout.le;

import tekmerion.core.page.FieldLayout;
import tekmerion.core.page.LayoutField;

/** Identify Controller data structure (CNS 01h), figure 275. */
public enum ControllerField implements LayoutField {
  PCI_VENDOR_ID(code(0, 2)),
  PCI_SUBSYSTEM_VENDOR_ID(code(2, 2)),
  SERIAL_NUMBER(ascii(4, 20).notReportedAs(0)),
  MODEL_NUMBER(ascii(24, 40)),
  FIRMWARE_REVISION(ascii(64, 8)),
  RECOMMENDED_ARBITRATION_BURST(le(72, 1)),
  IEEE_OUI_IDENTIFIER(code(73, 3)),
  CONTROLLER_MULTI_PATH_CAPABILITIES(code(76, 1)),
  /** As a power of two, in units of the smallest memory page. */
  MAXIMUM_DATA_TRANSFER_SIZE(le(77, 1).notReportedAs(0)),
  CONTROLLER_ID(code(78, 2)),
  VERSION(code(80, 4)),
  RTD3_RESUME_LATENCY(le(84, 4, "µs").notReportedAs(0)),
  RTD3_ENTRY_LATENCY(le(88, 4, "µs").notReportedAs(0)),
  OPTIONAL_ASYNCHRONOUS_EVENTS_SUPPORTED(code(92, 4)),
  CONTROLLER_ATTRIBUTES(code(96, 4)),
  READ_RECOVERY_LEVELS_SUPPORTED(code(100, 2)),
  CONTROLLER_TYPE(le(111, 1).notReportedAs(0)),
  FRU_GLOBALLY_UNIQUE_IDENTIFIER(bytes(112, 16).notReportedAs(0)),
  COMMAND_RETRY_DELAY_TIME_1(le(128, 2, "100 ms")),
  COMMAND_RETRY_DELAY_TIME_2(le(130, 2, "100 ms")),
  COMMAND_RETRY_DELAY_TIME_3(le(132, 2, "100 ms")),
  SECURITY_COMMANDS_SUPPORTED(flag(256, 0)),
  FORMAT_NVM_SUPPORTED(flag(256, 1)),
  FIRMWARE_COMMANDS_SUPPORTED(flag(256, 2)),
  NAMESPACE_MANAGEMENT_SUPPORTED(flag(256, 3)),
  DEVICE_SELF_TEST_SUPPORTED(flag(256, 4)),
  ABORT_COMMAND_LIMIT(le(258, 1)),
  ASYNCHRONOUS_EVENT_REQUEST_LIMIT(le(259, 1)),
  FIRMWARE_UPDATES(code(260, 1)),
  LOG_PAGE_ATTRIBUTES(code(261, 1)),
  SUPPORTED_LOG_PAGES_SUPPORTED(flag(261, 5)),
  /** Highest index, so one less than the number of entries. */
  ERROR_LOG_PAGE_ENTRIES(le(262, 1)),
  /** Highest index, so one less than the number of states. */
  NUMBER_OF_POWER_STATES_SUPPORT(le(263, 1)),
  WARNING_COMPOSITE_TEMPERATURE_THRESHOLD(le(266, 2, "K").notReportedAs(0)),
  CRITICAL_COMPOSITE_TEMPERATURE_THRESHOLD(le(268, 2, "K").notReportedAs(0)),
  MAXIMUM_TIME_FOR_FIRMWARE_ACTIVATION(le(270, 2, "100 ms").notReportedAs(0)),
  HOST_MEMORY_BUFFER_PREFERRED_SIZE(le(272, 4, "4 KiB")),
  HOST_MEMORY_BUFFER_MINIMUM_SIZE(le(276, 4, "4 KiB")),
  TOTAL_NVM_CAPACITY(le(280, 16, "bytes").notReportedAs(0)),
  UNALLOCATED_NVM_CAPACITY(le(296, 16, "bytes")),
  REPLAY_PROTECTED_MEMORY_BLOCK_SUPPORT(code(312, 4)),
  EXTENDED_DEVICE_SELF_TEST_TIME(le(316, 2, "min").notReportedAs(0)),
  DEVICE_SELF_TEST_OPTIONS(code(318, 1)),
  FIRMWARE_UPDATE_GRANULARITY(le(319, 1).notReportedAs(0)),
  KEEP_ALIVE_SUPPORT(le(320, 2, "100 ms").notReportedAs(0)),
  HOST_CONTROLLED_THERMAL_MANAGEMENT_ATTRIBUTES(code(322, 2)),
  MINIMUM_THERMAL_MANAGEMENT_TEMPERATURE(le(324, 2, "K").notReportedAs(0)),
  MAXIMUM_THERMAL_MANAGEMENT_TEMPERATURE(le(326, 2, "K").notReportedAs(0)),
  CRYPTO_ERASE_SUPPORTED(flag(328, 0)),
  BLOCK_ERASE_SUPPORTED(flag(328, 1)),
  OVERWRITE_SUPPORTED(flag(328, 2)),
  SUBMISSION_QUEUE_ENTRY_SIZE(code(512, 1)),
  COMPLETION_QUEUE_ENTRY_SIZE(code(513, 1)),
  MAXIMUM_OUTSTANDING_COMMANDS(le(514, 2).notReportedAs(0)),
  NUMBER_OF_NAMESPACES(le(516, 4)),
  OPTIONAL_NVM_COMMAND_SUPPORT(code(520, 2)),
  FUSED_OPERATION_SUPPORT(code(522, 2)),
  FORMAT_NVM_ATTRIBUTES(code(524, 1)),
  VOLATILE_WRITE_CACHE_PRESENT(flag(525, 0)),
  ATOMIC_WRITE_UNIT_NORMAL(le(526, 2, "blocks, less one")),
  ATOMIC_WRITE_UNIT_POWER_FAIL(le(528, 2, "blocks, less one")),
  SGL_SUPPORT(code(536, 4)),
  MAXIMUM_NUMBER_OF_ALLOWED_NAMESPACES(le(540, 4).notReportedAs(0)),
  NVM_SUBSYSTEM_NVME_QUALIFIED_NAME(ascii(768, 256));

  private final FieldLayout layout;

  ControllerField(FieldLayout layout) {
    this.layout = layout;
  }

  @Override
  public FieldLayout layout() {
    return layout;
  }
}

package tekmerion.core.drive.ata;

import static tekmerion.core.drive.ata.IdentifyLayout.bits;
import static tekmerion.core.drive.ata.IdentifyLayout.code;
import static tekmerion.core.drive.ata.IdentifyLayout.flag;
import static tekmerion.core.drive.ata.IdentifyLayout.name64;
import static tekmerion.core.drive.ata.IdentifyLayout.number;
import static tekmerion.core.drive.ata.IdentifyLayout.text;

import java.util.Optional;
import tekmerion.core.page.LayoutField;
import tekmerion.core.page.RawPage;

/**
 * The fields of IDENTIFY DEVICE data in order of word: ACS-3 (T13/2161-D), clause 7.12.7, table
 * "IDENTIFY DEVICE data". Words that it calls reserved, retired, obsolete or vendor specific are
 * left out, but for the few that drives in shops still use. A word is 16 bits, little-endian; text
 * has the first character in the upper byte.
 */
public enum IdentifyField {
  // General configuration and identity
  ATAPI_DEVICE(flag(0, 15), Reported.ALWAYS),
  RESPONSE_INCOMPLETE(flag(0, 2), Reported.ALWAYS),
  SPECIFIC_CONFIGURATION(code(2), Reported.ALWAYS),
  SERIAL_NUMBER(text(10, 10), Reported.NOT_ONE_CHARACTER),
  FIRMWARE_REVISION(text(23, 4), Reported.ALWAYS),
  MODEL_NUMBER(text(27, 20), Reported.ALWAYS),
  // Capabilities
  MAXIMUM_LOGICAL_SECTORS_PER_DRQ_DATA_BLOCK(bits(47, 7, 0), Reported.ALWAYS),
  TRUSTED_COMPUTING_SUPPORTED(flag(48, 0), Reported.SIGNATURE_01),
  STANDBY_TIMER_VALUES_STANDARD(flag(49, 13), Reported.ALWAYS),
  IORDY_SUPPORTED(flag(49, 11), Reported.ALWAYS),
  IORDY_MAY_BE_DISABLED(flag(49, 10), Reported.ALWAYS),
  LBA_SUPPORTED(flag(49, 9), Reported.ALWAYS),
  DMA_SUPPORTED(flag(49, 8), Reported.ALWAYS),
  ALIGNMENT_ERROR_REPORTING(bits(49, 1, 0), Reported.ALWAYS),
  VENDOR_SPECIFIC_MINIMUM_STANDBY_TIMER(flag(50, 0), Reported.SIGNATURE_01),
  FREE_FALL_CONTROL_SENSITIVITY(bits(53, 15, 8), Reported.ALWAYS),
  WORD_88_VALID(flag(53, 2), Reported.ALWAYS),
  WORDS_64_TO_70_VALID(flag(53, 1), Reported.ALWAYS),
  BLOCK_ERASE_EXT_SUPPORTED(flag(59, 15), Reported.ALWAYS),
  OVERWRITE_EXT_SUPPORTED(flag(59, 14), Reported.ALWAYS),
  CRYPTO_SCRAMBLE_EXT_SUPPORTED(flag(59, 13), Reported.ALWAYS),
  SANITIZE_SUPPORTED(flag(59, 12), Reported.ALWAYS),
  COMMANDS_ALLOWED_DURING_SANITIZE_AS_ACS(flag(59, 11), Reported.ALWAYS),
  SANITIZE_ANTIFREEZE_LOCK_EXT_SUPPORTED(flag(59, 10), Reported.ALWAYS),
  MULTIPLE_LOGICAL_SECTOR_SETTING_VALID(flag(59, 8), Reported.ALWAYS),
  LOGICAL_SECTORS_PER_DRQ_DATA_BLOCK(bits(59, 7, 0), Reported.ALWAYS),
  USER_ADDRESSABLE_LOGICAL_SECTORS_28_BIT(number(60, 2), Reported.NUMBER_NOT_ZERO),
  MULTIWORD_DMA_MODE_2_SELECTED(flag(63, 10), Reported.ALWAYS),
  MULTIWORD_DMA_MODE_1_SELECTED(flag(63, 9), Reported.ALWAYS),
  MULTIWORD_DMA_MODE_0_SELECTED(flag(63, 8), Reported.ALWAYS),
  MULTIWORD_DMA_MODE_2_SUPPORTED(flag(63, 2), Reported.ALWAYS),
  MULTIWORD_DMA_MODE_1_SUPPORTED(flag(63, 1), Reported.ALWAYS),
  MULTIWORD_DMA_MODE_0_SUPPORTED(flag(63, 0), Reported.ALWAYS),
  PIO_MODE_4_SUPPORTED(flag(64, 1), Reported.WORDS_64_TO_70),
  PIO_MODE_3_SUPPORTED(flag(64, 0), Reported.WORDS_64_TO_70),
  MINIMUM_MULTIWORD_DMA_CYCLE_TIME_NS(number(65, 1), Reported.WORDS_64_TO_70),
  RECOMMENDED_MULTIWORD_DMA_CYCLE_TIME_NS(number(66, 1), Reported.WORDS_64_TO_70),
  MINIMUM_PIO_CYCLE_TIME_WITHOUT_IORDY_NS(number(67, 1), Reported.WORDS_64_TO_70),
  MINIMUM_PIO_CYCLE_TIME_WITH_IORDY_NS(number(68, 1), Reported.WORDS_64_TO_70),
  CFAST_SPECIFICATION_SUPPORTED(flag(69, 15), Reported.WORDS_64_TO_70),
  DETERMINISTIC_DATA_IN_TRIMMED_RANGES(flag(69, 14), Reported.WORDS_64_TO_70),
  ALIGNMENT_ERROR_REPORTING_CONTROL_SUPPORTED(flag(69, 13), Reported.WORDS_64_TO_70),
  READ_BUFFER_DMA_SUPPORTED(flag(69, 11), Reported.WORDS_64_TO_70),
  WRITE_BUFFER_DMA_SUPPORTED(flag(69, 10), Reported.WORDS_64_TO_70),
  DOWNLOAD_MICROCODE_DMA_SUPPORTED(flag(69, 8), Reported.WORDS_64_TO_70),
  OPTIONAL_28_BIT_COMMANDS_NOT_SUPPORTED(flag(69, 6), Reported.WORDS_64_TO_70),
  TRIMMED_RANGES_RETURN_ZEROED_DATA(flag(69, 5), Reported.WORDS_64_TO_70),
  DEVICE_ENCRYPTS_ALL_USER_DATA(flag(69, 4), Reported.WORDS_64_TO_70),
  EXTENDED_NUMBER_OF_SECTORS_SUPPORTED(flag(69, 3), Reported.WORDS_64_TO_70),
  ALL_WRITE_CACHE_NON_VOLATILE(flag(69, 2), Reported.WORDS_64_TO_70),
  ZONED_CAPABILITIES(bits(69, 1, 0), Reported.WORDS_64_TO_70),
  MAXIMUM_QUEUE_DEPTH_MINUS_ONE(bits(75, 4, 0), Reported.ALWAYS),
  // Serial ATA
  READ_LOG_DMA_EXT_EQUIVALENT_TO_READ_LOG_EXT(flag(76, 15), Reported.SERIAL_ATA),
  DEVICE_AUTOMATIC_PARTIAL_TO_SLUMBER_SUPPORTED(flag(76, 14), Reported.SERIAL_ATA),
  HOST_AUTOMATIC_PARTIAL_TO_SLUMBER_SUPPORTED(flag(76, 13), Reported.SERIAL_ATA),
  NCQ_PRIORITY_INFORMATION_SUPPORTED(flag(76, 12), Reported.SERIAL_ATA),
  UNLOAD_WHILE_NCQ_OUTSTANDING_SUPPORTED(flag(76, 11), Reported.SERIAL_ATA),
  PHY_EVENT_COUNTERS_LOG_SUPPORTED(flag(76, 10), Reported.SERIAL_ATA),
  HOST_INITIATED_POWER_MANAGEMENT_SUPPORTED(flag(76, 9), Reported.SERIAL_ATA),
  NCQ_SUPPORTED(flag(76, 8), Reported.SERIAL_ATA),
  SATA_GEN3_SUPPORTED(flag(76, 3), Reported.SERIAL_ATA),
  SATA_GEN2_SUPPORTED(flag(76, 2), Reported.SERIAL_ATA),
  SATA_GEN1_SUPPORTED(flag(76, 1), Reported.SERIAL_ATA),
  SEND_RECEIVE_FPDMA_QUEUED_SUPPORTED(flag(77, 6), Reported.SERIAL_ATA),
  NCQ_QUEUE_MANAGEMENT_SUPPORTED(flag(77, 5), Reported.SERIAL_ATA),
  NCQ_STREAMING_SUPPORTED(flag(77, 4), Reported.SERIAL_ATA),
  CURRENT_NEGOTIATED_SATA_GENERATION(bits(77, 3, 1), Reported.SERIAL_ATA),
  DEVICE_SLEEP_SUPPORTED(flag(78, 8), Reported.SERIAL_ATA),
  NCQ_AUTOSENSE_SUPPORTED(flag(78, 7), Reported.SERIAL_ATA),
  SOFTWARE_SETTINGS_PRESERVATION_SUPPORTED(flag(78, 6), Reported.SERIAL_ATA),
  HARDWARE_FEATURE_CONTROL_SUPPORTED(flag(78, 5), Reported.SERIAL_ATA),
  IN_ORDER_DATA_DELIVERY_SUPPORTED(flag(78, 4), Reported.SERIAL_ATA),
  DEVICE_INITIATED_POWER_MANAGEMENT_SUPPORTED(flag(78, 3), Reported.SERIAL_ATA),
  DMA_SETUP_AUTO_ACTIVATION_SUPPORTED(flag(78, 2), Reported.SERIAL_ATA),
  NON_ZERO_BUFFER_OFFSETS_SUPPORTED(flag(78, 1), Reported.SERIAL_ATA),
  DEVICE_SLEEP_ENABLED(flag(79, 8), Reported.SERIAL_ATA),
  AUTOMATIC_PARTIAL_TO_SLUMBER_ENABLED(flag(79, 7), Reported.SERIAL_ATA),
  SOFTWARE_SETTINGS_PRESERVATION_ENABLED(flag(79, 6), Reported.SERIAL_ATA),
  HARDWARE_FEATURE_CONTROL_ENABLED(flag(79, 5), Reported.SERIAL_ATA),
  IN_ORDER_DATA_DELIVERY_ENABLED(flag(79, 4), Reported.SERIAL_ATA),
  DEVICE_INITIATED_POWER_MANAGEMENT_ENABLED(flag(79, 3), Reported.SERIAL_ATA),
  DMA_SETUP_AUTO_ACTIVATION_ENABLED(flag(79, 2), Reported.SERIAL_ATA),
  NON_ZERO_BUFFER_OFFSETS_ENABLED(flag(79, 1), Reported.SERIAL_ATA),
  // Versions
  SUPPORTS_ACS_4(flag(80, 11), Reported.NOT_0000_OR_FFFF),
  SUPPORTS_ACS_3(flag(80, 10), Reported.NOT_0000_OR_FFFF),
  SUPPORTS_ACS_2(flag(80, 9), Reported.NOT_0000_OR_FFFF),
  SUPPORTS_ATA8_ACS(flag(80, 8), Reported.NOT_0000_OR_FFFF),
  SUPPORTS_ATA_ATAPI_7(flag(80, 7), Reported.NOT_0000_OR_FFFF),
  SUPPORTS_ATA_ATAPI_6(flag(80, 6), Reported.NOT_0000_OR_FFFF),
  SUPPORTS_ATA_ATAPI_5(flag(80, 5), Reported.NOT_0000_OR_FFFF),
  MINOR_VERSION_NUMBER(code(81), Reported.NOT_0000_OR_FFFF),
  // Commands and feature sets supported
  NOP_SUPPORTED(flag(82, 14), Reported.ALWAYS),
  READ_BUFFER_SUPPORTED(flag(82, 13), Reported.ALWAYS),
  WRITE_BUFFER_SUPPORTED(flag(82, 12), Reported.ALWAYS),
  HOST_PROTECTED_AREA_SUPPORTED(flag(82, 10), Reported.ALWAYS),
  DEVICE_RESET_SUPPORTED(flag(82, 9), Reported.ALWAYS),
  READ_LOOK_AHEAD_SUPPORTED(flag(82, 6), Reported.ALWAYS),
  VOLATILE_WRITE_CACHE_SUPPORTED(flag(82, 5), Reported.ALWAYS),
  PACKET_SUPPORTED(flag(82, 4), Reported.ALWAYS),
  POWER_MANAGEMENT_SUPPORTED(flag(82, 3), Reported.ALWAYS),
  SECURITY_SUPPORTED(flag(82, 1), Reported.ALWAYS),
  SMART_SUPPORTED(flag(82, 0), Reported.ALWAYS),
  FLUSH_CACHE_EXT_SUPPORTED(flag(83, 13), Reported.SIGNATURE_01),
  FLUSH_CACHE_SUPPORTED(flag(83, 12), Reported.SIGNATURE_01),
  DEVICE_CONFIGURATION_OVERLAY_SUPPORTED(flag(83, 11), Reported.SIGNATURE_01),
  ADDRESS_48_BIT_SUPPORTED(flag(83, 10), Reported.SIGNATURE_01),
  AUTOMATIC_ACOUSTIC_MANAGEMENT_SUPPORTED(flag(83, 9), Reported.SIGNATURE_01),
  SET_MAX_SECURITY_SUPPORTED(flag(83, 8), Reported.SIGNATURE_01),
  SET_FEATURES_REQUIRED_TO_SPIN_UP(flag(83, 6), Reported.SIGNATURE_01),
  POWER_UP_IN_STANDBY_SUPPORTED(flag(83, 5), Reported.SIGNATURE_01),
  ADVANCED_POWER_MANAGEMENT_SUPPORTED(flag(83, 3), Reported.SIGNATURE_01),
  CFA_SUPPORTED(flag(83, 2), Reported.SIGNATURE_01),
  TAGGED_COMMAND_QUEUING_SUPPORTED(flag(83, 1), Reported.SIGNATURE_01),
  DOWNLOAD_MICROCODE_SUPPORTED(flag(83, 0), Reported.SIGNATURE_01),
  IDLE_IMMEDIATE_WITH_UNLOAD_SUPPORTED(flag(84, 13), Reported.SIGNATURE_01),
  WORLD_WIDE_NAME_SUPPORTED(flag(84, 8), Reported.SIGNATURE_01),
  WRITE_DMA_FUA_EXT_SUPPORTED(flag(84, 6), Reported.SIGNATURE_01),
  GENERAL_PURPOSE_LOGGING_SUPPORTED(flag(84, 5), Reported.SIGNATURE_01),
  STREAMING_SUPPORTED(flag(84, 4), Reported.SIGNATURE_01),
  SMART_SELF_TEST_SUPPORTED(flag(84, 1), Reported.SIGNATURE_01),
  SMART_ERROR_LOGGING_SUPPORTED(flag(84, 0), Reported.SIGNATURE_01),
  // Commands and feature sets supported or enabled
  NOP_ENABLED(flag(85, 14), Reported.ALWAYS),
  READ_BUFFER_ENABLED(flag(85, 13), Reported.ALWAYS),
  WRITE_BUFFER_ENABLED(flag(85, 12), Reported.ALWAYS),
  HOST_PROTECTED_AREA_ENABLED(flag(85, 10), Reported.ALWAYS),
  DEVICE_RESET_ENABLED(flag(85, 9), Reported.ALWAYS),
  READ_LOOK_AHEAD_ENABLED(flag(85, 6), Reported.ALWAYS),
  VOLATILE_WRITE_CACHE_ENABLED(flag(85, 5), Reported.ALWAYS),
  PACKET_ENABLED(flag(85, 4), Reported.ALWAYS),
  POWER_MANAGEMENT_ENABLED(flag(85, 3), Reported.ALWAYS),
  SECURITY_ENABLED(flag(85, 1), Reported.ALWAYS),
  SMART_ENABLED(flag(85, 0), Reported.ALWAYS),
  WORDS_119_TO_120_VALID(flag(86, 15), Reported.ALWAYS),
  FLUSH_CACHE_EXT_ENABLED(flag(86, 13), Reported.ALWAYS),
  FLUSH_CACHE_ENABLED(flag(86, 12), Reported.ALWAYS),
  DEVICE_CONFIGURATION_OVERLAY_ENABLED(flag(86, 11), Reported.ALWAYS),
  ADDRESS_48_BIT_ENABLED(flag(86, 10), Reported.ALWAYS),
  AUTOMATIC_ACOUSTIC_MANAGEMENT_ENABLED(flag(86, 9), Reported.ALWAYS),
  SET_MAX_SECURITY_ENABLED(flag(86, 8), Reported.ALWAYS),
  POWER_UP_IN_STANDBY_ENABLED(flag(86, 5), Reported.ALWAYS),
  ADVANCED_POWER_MANAGEMENT_ENABLED(flag(86, 3), Reported.ALWAYS),
  CFA_ENABLED(flag(86, 2), Reported.ALWAYS),
  TAGGED_COMMAND_QUEUING_ENABLED(flag(86, 1), Reported.ALWAYS),
  DOWNLOAD_MICROCODE_ENABLED(flag(86, 0), Reported.ALWAYS),
  IDLE_IMMEDIATE_WITH_UNLOAD_ENABLED(flag(87, 13), Reported.SIGNATURE_01),
  WORLD_WIDE_NAME_ENABLED(flag(87, 8), Reported.SIGNATURE_01),
  WRITE_DMA_FUA_EXT_ENABLED(flag(87, 6), Reported.SIGNATURE_01),
  GENERAL_PURPOSE_LOGGING_ENABLED(flag(87, 5), Reported.SIGNATURE_01),
  STREAMING_ENABLED(flag(87, 4), Reported.SIGNATURE_01),
  MEDIA_SERIAL_NUMBER_VALID(flag(87, 2), Reported.SIGNATURE_01),
  SMART_SELF_TEST_ENABLED(flag(87, 1), Reported.SIGNATURE_01),
  SMART_ERROR_LOGGING_ENABLED(flag(87, 0), Reported.SIGNATURE_01),
  // Ultra DMA, security, power
  ULTRA_DMA_MODES_SELECTED(bits(88, 14, 8), Reported.WORD_88),
  ULTRA_DMA_MODES_SUPPORTED(bits(88, 6, 0), Reported.WORD_88),
  NORMAL_SECURITY_ERASE_EXTENDED_TIME_REPORTED(flag(89, 15), Reported.ALWAYS),
  NORMAL_SECURITY_ERASE_TIME_CODE(bits(89, 14, 0), Reported.ALWAYS),
  ENHANCED_SECURITY_ERASE_EXTENDED_TIME_REPORTED(flag(90, 15), Reported.ALWAYS),
  ENHANCED_SECURITY_ERASE_TIME_CODE(bits(90, 14, 0), Reported.ALWAYS),
  CURRENT_ADVANCED_POWER_MANAGEMENT_LEVEL(bits(91, 7, 0), Reported.ALWAYS),
  MASTER_PASSWORD_IDENTIFIER(code(92), Reported.ALWAYS),
  HARDWARE_RESET_RESULT(code(93), Reported.ALWAYS),
  RECOMMENDED_ACOUSTIC_MANAGEMENT_LEVEL(bits(94, 15, 8), Reported.ALWAYS),
  CURRENT_ACOUSTIC_MANAGEMENT_LEVEL(bits(94, 7, 0), Reported.ALWAYS),
  STREAM_MINIMUM_REQUEST_SIZE(number(95, 1), Reported.ALWAYS),
  STREAMING_TRANSFER_TIME_DMA(number(96, 1), Reported.ALWAYS),
  STREAMING_ACCESS_LATENCY(number(97, 1), Reported.ALWAYS),
  STREAMING_PERFORMANCE_GRANULARITY(number(98, 2), Reported.ALWAYS),
  // Size
  USER_ADDRESSABLE_LOGICAL_SECTORS(number(100, 4), Reported.NUMBER_NOT_ZERO),
  STREAMING_TRANSFER_TIME_PIO(number(104, 1), Reported.ALWAYS),
  MAXIMUM_512_BYTE_BLOCKS_PER_DATA_SET_MANAGEMENT(number(105, 1), Reported.ALWAYS),
  MULTIPLE_LOGICAL_SECTORS_PER_PHYSICAL_SECTOR(flag(106, 13), Reported.SIGNATURE_01),
  LOGICAL_SECTOR_LONGER_THAN_256_WORDS(flag(106, 12), Reported.SIGNATURE_01),
  LOGICAL_SECTORS_PER_PHYSICAL_SECTOR_EXPONENT(bits(106, 3, 0), Reported.SIGNATURE_01),
  INTER_SEEK_DELAY_US(number(107, 1), Reported.ALWAYS),
  WORLD_WIDE_NAME(name64(108), Reported.NOT_ONE_CHARACTER),
  LOGICAL_SECTOR_SIZE_WORDS(number(117, 2), Reported.LONG_SECTOR),
  DEVICE_STATISTICS_NOTIFICATION_SUPPORTED(flag(119, 9), Reported.SIGNATURE_01),
  ACCESSIBLE_MAX_ADDRESS_SUPPORTED(flag(119, 8), Reported.SIGNATURE_01),
  EXTENDED_POWER_CONDITIONS_SUPPORTED(flag(119, 7), Reported.SIGNATURE_01),
  SENSE_DATA_REPORTING_SUPPORTED(flag(119, 6), Reported.SIGNATURE_01),
  FREE_FALL_CONTROL_SUPPORTED(flag(119, 5), Reported.SIGNATURE_01),
  DOWNLOAD_MICROCODE_MODE_3_SUPPORTED(flag(119, 4), Reported.SIGNATURE_01),
  READ_WRITE_LOG_DMA_EXT_SUPPORTED(flag(119, 3), Reported.SIGNATURE_01),
  WRITE_UNCORRECTABLE_EXT_SUPPORTED(flag(119, 2), Reported.SIGNATURE_01),
  WRITE_READ_VERIFY_SUPPORTED(flag(119, 1), Reported.SIGNATURE_01),
  DEVICE_STATISTICS_NOTIFICATION_ENABLED(flag(120, 9), Reported.SIGNATURE_01),
  ACCESSIBLE_MAX_ADDRESS_ENABLED(flag(120, 8), Reported.SIGNATURE_01),
  EXTENDED_POWER_CONDITIONS_ENABLED(flag(120, 7), Reported.SIGNATURE_01),
  SENSE_DATA_REPORTING_ENABLED(flag(120, 6), Reported.SIGNATURE_01),
  FREE_FALL_CONTROL_ENABLED(flag(120, 5), Reported.SIGNATURE_01),
  DOWNLOAD_MICROCODE_MODE_3_ENABLED(flag(120, 4), Reported.SIGNATURE_01),
  READ_WRITE_LOG_DMA_EXT_ENABLED(flag(120, 3), Reported.SIGNATURE_01),
  WRITE_UNCORRECTABLE_EXT_ENABLED(flag(120, 2), Reported.SIGNATURE_01),
  WRITE_READ_VERIFY_ENABLED(flag(120, 1), Reported.SIGNATURE_01),
  // Security status, form, media
  MASTER_PASSWORD_CAPABILITY_MAXIMUM(flag(128, 8), Reported.ALWAYS),
  ENHANCED_SECURITY_ERASE_SUPPORTED(flag(128, 5), Reported.ALWAYS),
  SECURITY_COUNT_EXPIRED(flag(128, 4), Reported.ALWAYS),
  SECURITY_FROZEN(flag(128, 3), Reported.ALWAYS),
  SECURITY_LOCKED(flag(128, 2), Reported.ALWAYS),
  SECURITY_STATUS_ENABLED(flag(128, 1), Reported.ALWAYS),
  SECURITY_STATUS_SUPPORTED(flag(128, 0), Reported.ALWAYS),
  CFA_POWER_MODE_1(code(160), Reported.ALWAYS),
  NOMINAL_FORM_FACTOR_CODE(bits(168, 3, 0), Reported.ALWAYS),
  TRIM_SUPPORTED(flag(169, 0), Reported.ALWAYS),
  ADDITIONAL_PRODUCT_IDENTIFIER(text(170, 4), Reported.ALWAYS),
  CURRENT_MEDIA_SERIAL_NUMBER(text(176, 30), Reported.ALWAYS),
  SCT_DATA_TABLES_SUPPORTED(flag(206, 5), Reported.ALWAYS),
  SCT_FEATURE_CONTROL_SUPPORTED(flag(206, 4), Reported.ALWAYS),
  SCT_ERROR_RECOVERY_CONTROL_SUPPORTED(flag(206, 3), Reported.ALWAYS),
  SCT_WRITE_SAME_SUPPORTED(flag(206, 2), Reported.ALWAYS),
  SCT_COMMAND_TRANSPORT_SUPPORTED(flag(206, 0), Reported.ALWAYS),
  LOGICAL_SECTOR_0_OFFSET_IN_PHYSICAL_SECTOR(bits(209, 13, 0), Reported.SIGNATURE_01),
  WRITE_READ_VERIFY_MODE_3_SECTOR_COUNT(number(210, 2), Reported.ALWAYS),
  WRITE_READ_VERIFY_MODE_2_SECTOR_COUNT(number(212, 2), Reported.ALWAYS),
  NOMINAL_MEDIA_ROTATION_RATE_CODE(number(217, 1), Reported.NOT_ZERO),
  WRITE_READ_VERIFY_CURRENT_MODE(bits(220, 7, 0), Reported.ALWAYS),
  TRANSPORT_TYPE(bits(222, 15, 12), Reported.NOT_0000_OR_FFFF),
  TRANSPORT_MAJOR_VERSION_BITS(bits(222, 11, 0), Reported.NOT_0000_OR_FFFF),
  TRANSPORT_MINOR_VERSION_NUMBER(code(223), Reported.NOT_0000_OR_FFFF),
  EXTENDED_USER_ADDRESSABLE_LOGICAL_SECTORS(number(230, 4), Reported.NUMBER_NOT_ZERO),
  MINIMUM_512_BYTE_BLOCKS_PER_DOWNLOAD_MICROCODE(number(234, 1), Reported.ALWAYS),
  MAXIMUM_512_BYTE_BLOCKS_PER_DOWNLOAD_MICROCODE(number(235, 1), Reported.ALWAYS),
  INTEGRITY_CHECKSUM(bits(255, 15, 8), Reported.INTEGRITY_A5),
  INTEGRITY_INDICATOR(bits(255, 7, 0), Reported.ALWAYS);

  private final IdentifyLayout layout;
  private final Reported reported;

  IdentifyField(IdentifyLayout layout, Reported reported) {
    this.layout = layout;
    this.reported = reported;
  }

  public IdentifyLayout layout() {
    return layout;
  }

  /** Boolean, Long or String by the kind of field; empty if the drive does not report the field. */
  public Optional<Object> in(RawPage page) {
    if (!reported.in(page, layout.word())) {
      return Optional.empty();
    }
    Object value = layout.read(page);
    boolean told =
        switch (reported) {
          case NOT_ONE_CHARACTER ->
              tekmerion.core.page.Reported.serial(value.toString()).isPresent();
          case NUMBER_NOT_ZERO -> !value.equals(0L);
          default -> !"".equals(value); // blank text is none
        };
    return told ? Optional.of(value) : Optional.empty();
  }

  /** The field's name in lower camel case, as JSON shows it. */
  public String jsonName() {
    return LayoutField.jsonName(name());
  }

  /** When a word counts as reported; the standard has a rule for each group of words. */
  enum Reported {
    ALWAYS,
    /** A name of one character all over, as 00000000, is none. */
    NOT_ONE_CHARACTER,
    NUMBER_NOT_ZERO,
    /** Bits 15:14 of the word itself shall be 01b. */
    SIGNATURE_01,
    /** Word 53 bit 1. */
    WORDS_64_TO_70,
    /** Word 53 bit 2. */
    WORD_88,
    /** Word 76 is neither 0000h nor FFFFh: the device is a Serial ATA device. */
    SERIAL_ATA,
    NOT_0000_OR_FFFF,
    NOT_ZERO,
    /** Word 106 holds its signature and says that a logical sector is longer than 256 words. */
    LONG_SECTOR,
    /** The validity indicator is A5h. */
    INTEGRITY_A5;

    boolean in(RawPage page, int word) {
      int value = page.u16(2 * word);
      return switch (this) {
        case ALWAYS, NOT_ONE_CHARACTER, NUMBER_NOT_ZERO -> true;
        case SIGNATURE_01 -> hasSignature(value);
        case WORDS_64_TO_70 -> (page.u16(2 * 53) & 1 << 1) != 0;
        case WORD_88 -> (page.u16(2 * 53) & 1 << 2) != 0;
        case SERIAL_ATA -> isSet(page.u16(2 * 76));
        case NOT_0000_OR_FFFF -> isSet(value);
        case NOT_ZERO -> value != 0;
        case LONG_SECTOR -> hasSignature(page.u16(2 * 106)) && (page.u16(2 * 106) & 1 << 12) != 0;
        case INTEGRITY_A5 -> (value & 0xFF) == 0xA5;
      };
    }

    private static boolean hasSignature(int value) {
      return value >> 14 == 0b01;
    }

    private static boolean isSet(int value) {
      return value != 0x0000 && value != 0xFFFF;
    }
  }
}

package tekmerion.core.drive.scsi;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import tekmerion.core.page.FieldSpan;

/** Reads the parameters of the log pages that concern health; any other one stays hex. */
final class ParameterReader {
  private static final int UNKNOWN_TEMPERATURE = 0xFF;
  private static final int SELF_TEST_BYTES = 16;
  private static final int SCAN_STATUS_BYTES = 12;
  private static final int SCAN_FINDING_BYTES = 20;
  private static final BigInteger NO_ADDRESS =
      BigInteger.ONE.shiftLeft(64).subtract(BigInteger.ONE);

  private final LogParameter p;
  private final List<FieldSpan> fields = new ArrayList<>();

  private ParameterReader(LogParameter parameter) {
    this.p = parameter;
  }

  static List<FieldSpan> read(int pageCode, LogParameter parameter) {
    ParameterReader reader = new ParameterReader(parameter);
    switch (pageCode) {
      case ScsiLog.WRITE_ERRORS, ScsiLog.READ_ERRORS, ScsiLog.VERIFY_ERRORS -> reader.counter();
      case ScsiLog.TEMPERATURE -> reader.temperature();
      case ScsiLog.SELF_TESTS -> reader.selfTest();
      case ScsiLog.SOLID_STATE -> reader.solidState();
      case ScsiLog.BACKGROUND_SCAN -> reader.backgroundScan();
      case ScsiLog.EXCEPTIONS -> reader.exceptions();
      default -> reader.unknown();
    }
    return reader.fields;
  }

  /** SPC-5, 7.3.2: error counter log pages, parameters 0000h to 0006h. */
  private void counter() {
    String[] names = {
      "correctedWithoutSubstantialDelay",
      "correctedWithPossibleDelays",
      "total",
      "totalCorrected",
      "timesCorrectionAlgorithmProcessed",
      "totalBytesProcessed",
      "totalUncorrected"
    };
    if (p.code() < names.length && p.has(1)) {
      add(names[p.code()], 0, p.dataLength(), ScsiLog.number(unsigned(0, p.dataLength())), "");
    } else {
      unknown();
    }
  }

  /** SPC-5: Temperature, parameters 0000h and 0001h; byte 1 of the data, FFh unknown. */
  private void temperature() {
    if (p.code() <= 1 && p.has(2)) {
      add(p.code() == 0 ? "temperature" : "referenceTemperature", 1, 1, celsius(1), "°C");
    } else {
      unknown();
    }
  }

  /** SPC-5: Self-Test Results, parameters 0001h to 0014h, newest first. */
  private void selfTest() {
    if (p.code() < 1 || p.code() > 20 || !p.has(SELF_TEST_BYTES)) {
      unknown();
      return;
    }
    if (p.raw().isFilledWith(0, p.dataOffset(), SELF_TEST_BYTES)) {
      return; // never run: the parameter is there all the same
    }
    String prefix = "test " + p.code() + ": ";
    add(prefix + "selfTestCode", 0, 1, (long) (p.u8(0) >> 5), "");
    add(prefix + "result", 0, 1, (long) (p.u8(0) & 0x0F), "");
    add(prefix + "outcome", 0, 1, outcome(p.u8(0) & 0x0F), "");
    add(prefix + "selfTestNumber", 1, 1, (long) p.u8(1), "");
    add(prefix + "accumulatedPowerOnHours", 2, 2, unsigned(2, 2).longValue(), "h");
    BigInteger address = unsigned(4, 8);
    add(
        prefix + "firstFailingAddress",
        4,
        8,
        address.equals(NO_ADDRESS) ? null : ScsiLog.number(address),
        "");
    add(prefix + "senseKey", 12, 1, "%Xh".formatted(p.u8(12) & 0x0F), "");
    add(prefix + "additionalSense", 13, 2, sense(13), "");
  }

  private static String outcome(int result) {
    return switch (result) {
      case 0 -> "completed without error";
      case 1 -> "aborted by a command to do so";
      case 2 -> "aborted for another reason";
      case 3 -> "an unknown error kept it from completing";
      case 4 -> "failed in an unknown segment";
      case 5 -> "failed in the first segment";
      case 6 -> "failed in the second segment";
      case 7 -> "failed in another segment";
      case 0xF -> "in progress";
      default -> "reserved code";
    };
  }

  /** SBC-4: Solid State Media, parameter 0001h, byte 3 of the data; may pass 100. */
  private void solidState() {
    if (p.code() == 1 && p.has(4)) {
      add("percentageUsedEnduranceIndicator", 3, 1, (long) p.u8(3), "%");
    } else {
      unknown();
    }
  }

  /** SBC-4: Background Scan, parameter 0000h status, 0001h to 0800h findings. */
  private void backgroundScan() {
    if (p.code() == 0 && p.has(SCAN_STATUS_BYTES)) {
      add("accumulatedPowerOnMinutes", 0, 4, unsigned(0, 4).longValue(), "min");
      add("backgroundScanStatus", 5, 1, (long) p.u8(5), "");
      add("backgroundScansPerformed", 6, 2, unsigned(6, 2).longValue(), "");
      add("progress", 8, 2, 100.0 * unsigned(8, 2).longValue() / 65_536, "%");
      add("backgroundMediumScansPerformed", 10, 2, unsigned(10, 2).longValue(), "");
    } else if (p.code() >= 1 && p.code() <= 0x800 && p.has(SCAN_FINDING_BYTES)) {
      String prefix = "finding " + p.code() + ": ";
      add(prefix + "accumulatedPowerOnMinutes", 0, 4, unsigned(0, 4).longValue(), "min");
      add(prefix + "reassignStatus", 4, 1, (long) (p.u8(4) >> 4), "");
      add(prefix + "senseKey", 4, 1, "%Xh".formatted(p.u8(4) & 0x0F), "");
      add(prefix + "additionalSense", 5, 2, sense(5), "");
      add(prefix + "lba", 12, 8, ScsiLog.number(unsigned(12, 8)), "");
    } else {
      unknown();
    }
  }

  /**
   * SPC-5: Informational Exceptions, parameter 0000h. An additional sense of 5Dh: a failure ahead.
   */
  private void exceptions() {
    if (p.code() == 0 && p.has(2)) {
      add("additionalSense", 0, 2, sense(0), "");
      add("failurePredicted", 0, 1, p.u8(0) == 0x5D, "");
      if (p.has(3)) {
        add("temperature", 2, 1, celsius(2), "°C");
      }
    } else {
      unknown();
    }
  }

  private void unknown() {
    add("parameter %04Xh".formatted(p.code()), 0, p.dataLength(), p.hex(), "");
  }

  private Long celsius(int i) {
    return p.u8(i) == UNKNOWN_TEMPERATURE ? null : (Long) (long) p.u8(i);
  }

  private String sense(int i) {
    return "%02Xh/%02Xh".formatted(p.u8(i), p.u8(i + 1));
  }

  private BigInteger unsigned(int i, int length) {
    return new BigInteger(p.raw().hex(p.dataOffset() + i, length), 16);
  }

  private void add(String name, int i, int length, Object value, String unit) {
    fields.add(new FieldSpan(name, p.dataOffset() + i, length, value, unit));
  }
}

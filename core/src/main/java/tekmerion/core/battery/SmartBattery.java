package tekmerion.core.battery;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.TreeMap;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.Fault;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Hex;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * A pack's own registers. The page is a list of answers, each one byte with the command, one with
 * the length and that many bytes as they came from the bus: words low byte first, texts without
 * their length byte. A register that was not asked for, or not answered, is not in it.
 *
 * @see "Smart Battery Data Specification 1.1, clause 5.1 (registers), 5.1.25 (scale factors),
 *     5.1.26 (manufacture date)"
 */
public final class SmartBattery {
  private static final int BATTERY_MODE = 0x03;
  private static final int TEMPERATURE = 0x08;
  private static final int VOLTAGE = 0x09;
  private static final int CURRENT = 0x0A;
  private static final int MAX_ERROR = 0x0C;
  private static final int RELATIVE_STATE_OF_CHARGE = 0x0D;
  private static final int REMAINING_CAPACITY = 0x0F;
  private static final int FULL_CHARGE_CAPACITY = 0x10;
  private static final int RUN_TIME_TO_EMPTY = 0x11;
  private static final int BATTERY_STATUS = 0x16;
  private static final int CYCLE_COUNT = 0x17;
  private static final int DESIGN_CAPACITY = 0x18;
  private static final int DESIGN_VOLTAGE = 0x19;
  private static final int SPECIFICATION_INFO = 0x1A;
  private static final int MANUFACTURE_DATE = 0x1B;
  private static final int SERIAL_NUMBER = 0x1C;

  /** First register with a text; all below are words. */
  private static final int MANUFACTURER_NAME = 0x20;

  private static final int DEVICE_NAME = 0x21;
  private static final int DEVICE_CHEMISTRY = 0x22;

  /** "More than can be told" for counts and times. */
  private static final int OVER = 0xFFFF;

  /** Fewer registers of ones may be what they say. */
  private static final int MIN_WORDS = 3;

  private static final int CAPACITY_MODE_BIT = 15;
  private static final int INITIALIZED_BIT = 7;
  private static final int DISCHARGING_BIT = 6;
  private static final int FULLY_CHARGED_BIT = 5;
  private static final int FULLY_DISCHARGED_BIT = 4;
  private static final double KELVIN = 273.15;

  /** Bits of BatteryStatus that are alarms (clause 5.1.21). */
  private static final Map<Integer, String> ALARMS =
      new TreeMap<>(
          Map.of(
              15, "overcharged",
              14, "terminate charge",
              12, "over temperature",
              11, "terminate discharge",
              9, "remaining capacity",
              8, "remaining time"));

  /** Its bits 3 to 0: how the last command went. */
  private static final List<String> ERRORS =
      List.of(
          "ok",
          "busy",
          "reserved command",
          "unsupported command",
          "access denied",
          "overflow or underflow",
          "bad size",
          "unknown error");

  private static final Map<Integer, String> NAMES =
      Map.ofEntries(
          Map.entry(BATTERY_MODE, "batteryMode"),
          Map.entry(TEMPERATURE, "temperature"),
          Map.entry(VOLTAGE, "voltage"),
          Map.entry(CURRENT, "current"),
          Map.entry(MAX_ERROR, "maxError"),
          Map.entry(RELATIVE_STATE_OF_CHARGE, "relativeStateOfCharge"),
          Map.entry(REMAINING_CAPACITY, "remainingCapacity"),
          Map.entry(FULL_CHARGE_CAPACITY, "fullChargeCapacity"),
          Map.entry(RUN_TIME_TO_EMPTY, "runTimeToEmpty"),
          Map.entry(BATTERY_STATUS, "batteryStatus"),
          Map.entry(CYCLE_COUNT, "cycleCount"),
          Map.entry(DESIGN_CAPACITY, "designCapacity"),
          Map.entry(DESIGN_VOLTAGE, "designVoltage"),
          Map.entry(SPECIFICATION_INFO, "specificationInfo"),
          Map.entry(MANUFACTURE_DATE, "manufactureDate"),
          Map.entry(SERIAL_NUMBER, "serialNumber"),
          Map.entry(MANUFACTURER_NAME, "manufacturerName"),
          Map.entry(DEVICE_NAME, "deviceName"),
          Map.entry(DEVICE_CHEMISTRY, "deviceChemistry"));

  private final RawPage raw;
  private final Map<Integer, FieldSpan> answers = new TreeMap<>();
  private final List<String> doubts = new ArrayList<>();

  private SmartBattery(RawPage raw) {
    this.raw = raw;
  }

  /** Never an exception for what the bytes are. */
  public static Decoding<BatteryReport> decode(RawPage raw) {
    SmartBattery battery = new SmartBattery(raw);
    Optional<Fault> fault =
        PageDamage.ofAtLeast(raw, say("battery.the-register-list"), 4)
            .or(battery::split)
            .or(battery::silentBus);
    return fault.isPresent()
        ? new Malformed<>(raw, fault.get())
        : new Decoded<>(raw, battery.report());
  }

  /** Into answers; the first thing that is wrong, if anything is. */
  private Optional<Fault> split() {
    int at = 0;
    while (at < raw.size()) {
      if (raw.size() - at < 2) {
        return Optional.of(
            cut(at, say("battery.a-command-and-a-length"), say("page.bytes", "count", 1)));
      }
      int command = raw.u8(at);
      int length = raw.u8(at + 1);
      if (at + 2 + length > raw.size()) {
        return Optional.of(
            cut(
                at + 1,
                say("battery.a-length-within-the-page"),
                say("battery.of-left", "length", length, "left", raw.size() - at - 2)));
      }
      if (command < MANUFACTURER_NAME && length != 2) {
        return Optional.of(
            cut(
                at + 1,
                say("battery.2-bytes-of-register", "register", Hex.code(command, 2)),
                say("page.bytes", "count", length)));
      }
      Object value = command < MANUFACTURER_NAME ? raw.u16(at + 2) : text(at + 2, length);
      String name = NAMES.getOrDefault(command, "register%02Xh".formatted(command));
      if (answers.put(command, new FieldSpan(name, at + 2, length, value, "")) != null) {
        return Optional.of(
            cut(
                at,
                say("battery.each-register-once"),
                say("battery.register-again", "register", Hex.code(command, 2))));
      }
      at += 2 + length;
    }
    return Optional.empty();
  }

  /** Nobody drove the bus: every answer is ones, and none of them is the pack's. */
  private Optional<Fault> silentBus() {
    List<FieldSpan> words =
        answers.entrySet().stream()
            .filter(a -> a.getKey() < MANUFACTURER_NAME)
            .map(Map.Entry::getValue)
            .toList();
    boolean silent =
        words.size() >= MIN_WORDS
            && words.stream().allMatch(w -> ((Number) w.value()).longValue() == OVER);
    return silent
        ? Optional.of(
            new Fault(
                Fault.Kind.ALL_ONES,
                say("battery.every-register-reads-ones"),
                words.get(0).offset(),
                say("battery.answers-of-a-pack"),
                say("battery.ones-in-registers", "count", words.size())))
        : Optional.empty();
  }

  /** What a maker has to write into a pack and did not. */
  private void doubtWhatWasNeverWritten() {
    OptionalLong design = word(DESIGN_CAPACITY);
    if (design.isPresent() && (design.getAsLong() == 0 || design.getAsLong() == OVER)) {
      doubts.add("its design capacity was never written");
    }
    if (word(MANUFACTURE_DATE).isPresent() && word(MANUFACTURE_DATE).getAsLong() == 0) {
      doubts.add("its date of manufacture was never written");
    }
    if (answers.containsKey(DEVICE_CHEMISTRY) && string(DEVICE_CHEMISTRY).isEmpty()) {
      doubts.add("its chemistry was never written");
    }
  }

  private static Fault cut(int at, String expected, String found) {
    return new Fault(
        Fault.Kind.WRONG_SIZE,
        say("page.does-not-hold-together", "page", say("battery.the-register-list")),
        at,
        expected,
        found);
  }

  private String text(int at, int length) {
    byte[] bytes = new byte[length];
    System.arraycopy(raw.bytes(), at, bytes, 0, length);
    for (int i = 0; i < length; i++) {
      if (bytes[i] < 0x20 || bytes[i] > 0x7E) {
        bytes[i] = '?'; // the specification has printable ASCII only
      }
    }
    return new String(bytes, StandardCharsets.US_ASCII).strip();
  }

  private OptionalLong word(int command) {
    return answers.containsKey(command)
        ? OptionalLong.of(((Number) answers.get(command).value()).longValue())
        : OptionalLong.empty();
  }

  private Optional<String> string(int command) {
    return Optional.ofNullable(answers.get(command))
        .map(a -> a.value().toString())
        .filter(s -> !s.isEmpty());
  }

  /** Bits 11:8 scale voltages, bits 15:12 currents and capacities, each a power of ten. */
  private double scale(boolean voltage) {
    long info = word(SPECIFICATION_INFO).orElse(0);
    long power = info >> (voltage ? 8 : 12) & 0xF;
    if (power > 3) {
      doubts.add("its %s scale is 10^%d".formatted(voltage ? "voltage" : "current", power));
      return 1;
    }
    return Math.pow(10, power);
  }

  private BatteryReport report() {
    doubtWhatWasNeverWritten();
    double volt = scale(true) / 1000;
    double current = scale(false) / 1000;
    boolean energy = (word(BATTERY_MODE).orElse(0) >> CAPACITY_MODE_BIT & 1) == 1;
    Amount.Unit unit = energy ? Amount.Unit.WATT_HOURS : Amount.Unit.AMPERE_HOURS;
    double capacity = energy ? current * 10 : current; // in that mode it counts by 10 mWh
    long status = word(BATTERY_STATUS).orElse(0);
    return new BatteryReport(
        string(MANUFACTURER_NAME),
        string(DEVICE_NAME),
        word(SERIAL_NUMBER).isPresent()
            ? Optional.of("%04X".formatted(word(SERIAL_NUMBER).getAsLong()))
            : Optional.empty(),
        string(DEVICE_CHEMISTRY),
        made(),
        amount(DESIGN_CAPACITY, capacity, unit, true),
        amount(FULL_CHARGE_CAPACITY, capacity, unit, true),
        amount(REMAINING_CAPACITY, capacity, unit, false),
        counted(CYCLE_COUNT),
        scaled(VOLTAGE, volt),
        scaled(DESIGN_VOLTAGE, volt),
        amperes(current),
        celsius(),
        percent(RELATIVE_STATE_OF_CHARGE),
        percent(MAX_ERROR),
        counted(RUN_TIME_TO_EMPTY),
        OptionalDouble.empty(), // a pack knows no limit: the machine sets it
        word(BATTERY_STATUS).isPresent() ? Optional.of(state(status)) : Optional.empty(),
        word(BATTERY_STATUS).isPresent() ? flags(status) : List.of(),
        ALARMS.entrySet().stream()
            .filter(a -> (status >> a.getKey() & 1) == 1)
            .map(Map.Entry::getValue)
            .toList(),
        doubts,
        List.copyOf(answers.values()));
  }

  private static String state(long status) {
    if ((status >> DISCHARGING_BIT & 1) == 1) {
      return "Discharging";
    }
    return (status >> FULLY_CHARGED_BIT & 1) == 1 ? "Full" : "Charging";
  }

  /** What its bits say beside the alarms, and how the last command went. */
  private List<String> flags(long status) {
    List<String> flags = new ArrayList<>();
    if ((status >> INITIALIZED_BIT & 1) == 1) {
      flags.add("initialized");
    } else {
      doubts.add("it calls its own gauge not initialized");
    }
    if ((status >> FULLY_CHARGED_BIT & 1) == 1) {
      flags.add("fully charged");
    }
    if ((status >> FULLY_DISCHARGED_BIT & 1) == 1) {
      flags.add("fully discharged");
    }
    int error = (int) status & 0xF;
    if (error != 0) {
      flags.add(error < ERRORS.size() ? ERRORS.get(error) : "error code %Xh".formatted(error));
    }
    return flags;
  }

  private OptionalDouble scaled(int command, double scale) {
    OptionalLong word = word(command);
    return word.isPresent() && word.getAsLong() != OVER && word.getAsLong() != 0
        ? OptionalDouble.of(word.getAsLong() * scale)
        : OptionalDouble.empty();
  }

  private Optional<Amount> amount(int command, double scale, Amount.Unit unit, boolean whole) {
    OptionalLong word = word(command);
    return word.isEmpty() || word.getAsLong() == OVER || whole && word.getAsLong() == 0
        ? Optional.empty()
        : Optional.of(new Amount(word.getAsLong() * scale, unit));
  }

  private OptionalLong counted(int command) {
    OptionalLong word = word(command);
    return word.isPresent() && word.getAsLong() == OVER ? OptionalLong.empty() : word;
  }

  /** Signed; the register is negative while it discharges. */
  private OptionalDouble amperes(double scale) {
    OptionalLong word = word(CURRENT);
    return word.isPresent()
        ? OptionalDouble.of(-(short) word.getAsLong() * scale)
        : OptionalDouble.empty();
  }

  private OptionalDouble celsius() {
    OptionalLong word = word(TEMPERATURE);
    if (word.isEmpty()) {
      return OptionalDouble.empty();
    }
    double celsius = word.getAsLong() / 10.0 - KELVIN;
    if (celsius < -40 || celsius > 120) {
      doubts.add(String.format(Locale.ROOT, "its temperature cannot be %.1f °C", celsius));
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(celsius);
  }

  private OptionalDouble percent(int command) {
    OptionalLong word = word(command);
    if (word.isEmpty()) {
      return OptionalDouble.empty();
    }
    if (word.getAsLong() > 100) {
      doubts.add("%s cannot be %d %%".formatted(NAMES.get(command), word.getAsLong()));
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(word.getAsLong() / 100.0);
  }

  /** (year − 1980) · 512 + month · 32 + day. */
  private Optional<LocalDate> made() {
    OptionalLong word = word(MANUFACTURE_DATE);
    if (word.isEmpty() || word.getAsLong() == 0) {
      return Optional.empty();
    }
    int date = (int) word.getAsLong();
    try {
      return Optional.of(LocalDate.of(1980 + (date >> 9), date >> 5 & 0xF, date & 0x1F));
    } catch (DateTimeException e) {
      doubts.add("its date of manufacture is no date: %04Xh".formatted(date));
      return Optional.empty();
    }
  }
}

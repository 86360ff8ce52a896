package tekmerion.core.drive.nvme;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.OptionalLong;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Fields;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * Device Self-test (log page 06h): what runs now and the last 20 results, newest first.
 *
 * <pre>
 * 0      current operation, bits 3:0 (0 none, 1 short, 2 extended)
 * 1      current completion, bits 6:0 [%]
 * 4–563  20 results of 28 bytes; result Fh marks an unused one
 * </pre>
 */
public record DeviceSelfTestLog(
    int currentOperation, int currentCompletionPercent, List<Result> results)
    implements DecodedPage {
  public static final int PAGE_BYTES = 564;
  private static final int RESULTS_OFFSET = 4;
  private static final int RESULT_BYTES = 28;
  private static final int RESULTS = 20;
  private static final int UNUSED = 0xF;

  /** A field without its bit says nothing. */
  private static final Map<SelfTestResultField, SelfTestResultField> VALID_BY =
      Map.of(
          SelfTestResultField.FAILING_LBA,
          SelfTestResultField.FAILING_LBA_VALID,
          SelfTestResultField.NAMESPACE_IDENTIFIER,
          SelfTestResultField.NAMESPACE_IDENTIFIER_VALID,
          SelfTestResultField.STATUS_CODE_TYPE,
          SelfTestResultField.STATUS_CODE_TYPE_VALID,
          SelfTestResultField.STATUS_CODE,
          SelfTestResultField.STATUS_CODE_VALID);

  /** One finished self-test. */
  public record Result(Fields<SelfTestResultField> fields) {
    public int code() {
      return fields.small(SelfTestResultField.RESULT).orElse(UNUSED);
    }

    public String test() {
      return switch (fields.small(SelfTestResultField.SELF_TEST_CODE).orElse(0)) {
        case 1 -> "short";
        case 2 -> "extended";
        case 0xE -> "vendor specific";
        default -> "reserved";
      };
    }

    /** The drive itself found a fault: results 5h, 6h and 7h. */
    public boolean isFailure() {
      return code() >= 5 && code() <= 7;
    }

    public String words() {
      return switch (code()) {
        case 0 -> "completed without error";
        case 1 -> "aborted by a command";
        case 2 -> "aborted by a controller reset";
        case 3 -> "aborted because a namespace was removed";
        case 4 -> "aborted by a format";
        case 5 -> "a fatal or unknown error kept it from completing";
        case 6 -> "completed; a segment failed, which one is not known";
        case 7 -> "completed; one or more segments failed";
        case 8 -> "aborted for an unknown reason";
        case 9 -> "aborted by a sanitize operation";
        default -> "reserved code";
      };
    }

    public OptionalLong failingLba() {
      return fields.isSet(SelfTestResultField.FAILING_LBA_VALID)
          ? fields.number(SelfTestResultField.FAILING_LBA)
          : OptionalLong.empty();
    }
  }

  public DeviceSelfTestLog {
    results = List.copyOf(results);
  }

  public static Decoding<DeviceSelfTestLog> decode(RawPage raw) {
    return PageDamage.of(raw, "Device Self-test log", PAGE_BYTES)
        .<Decoding<DeviceSelfTestLog>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, read(raw)));
  }

  private static DeviceSelfTestLog read(RawPage raw) {
    List<Result> results = new ArrayList<>();
    for (int i = 0; i < RESULTS; i++) {
      int at = RESULTS_OFFSET + i * RESULT_BYTES;
      if ((raw.u8(at) & 0x0F) != UNUSED && !raw.isFilledWith(0, at, RESULT_BYTES)) {
        results.add(new Result(Fields.read(SelfTestResultField.class, raw, at)));
      }
    }
    return new DeviceSelfTestLog(raw.u8(0) & 0x0F, raw.u8(1) & 0x7F, results);
  }

  /** Only while a test runs. */
  public OptionalInt completionPercent() {
    return currentOperation == 0 ? OptionalInt.empty() : OptionalInt.of(currentCompletionPercent);
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "Device Self-test (06h)");
    json.put("standard", "NVM Express 2.0");
    json.put("currentOperation", currentOperation);
    json.put("currentCompletionPercent", currentOperation == 0 ? null : currentCompletionPercent);
    List<Map<String, Object>> list = new ArrayList<>();
    for (Result result : results) {
      Map<String, Object> one = new LinkedHashMap<>();
      one.put("test", result.test());
      one.put("outcome", result.words());
      one.put("failed", result.isFailure());
      one.put(
          "firstFailingLba",
          result.failingLba().isPresent() ? result.failingLba().getAsLong() : null);
      one.putAll(result.fields().json());
      VALID_BY.forEach(
          (field, bit) -> {
            if (!result.fields().isSet(bit)) {
              one.put(field.jsonName(), null);
            }
          });
      list.add(one);
    }
    json.put("results", list);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>();
    spans.add(new FieldSpan("currentOperation", 0, 1, currentOperation, ""));
    spans.add(new FieldSpan("currentCompletion", 1, 1, currentCompletionPercent, "%"));
    for (int i = 0; i < results.size(); i++) {
      spans.addAll(results.get(i).fields().spans("test %d: ".formatted(i + 1)));
    }
    return spans;
  }
}

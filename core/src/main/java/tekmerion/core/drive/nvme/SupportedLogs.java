package tekmerion.core.drive.nvme;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Decoding.Decoded;
import tekmerion.core.page.Decoding.Malformed;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.Hex;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/**
 * Supported Log Pages (log page 00h): which logs the drive has. NVM Express 2.0, figure 203: 256
 * descriptors of 4 bytes, bit 0 of each "supported".
 *
 * @param identifiers of the supported logs, rising
 */
public record SupportedLogs(List<Integer> identifiers) implements DecodedPage {
  public static final int PAGE_BYTES = 1024;
  private static final int DESCRIPTOR_BYTES = 4;

  public SupportedLogs {
    identifiers = List.copyOf(identifiers);
  }

  public static Decoding<SupportedLogs> decode(RawPage raw) {
    return PageDamage.of(raw, "Supported Log Pages", PAGE_BYTES)
        .<Decoding<SupportedLogs>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, read(raw)));
  }

  private static SupportedLogs read(RawPage raw) {
    List<Integer> identifiers = new ArrayList<>();
    for (int log = 0; log < PAGE_BYTES / DESCRIPTOR_BYTES; log++) {
      if ((raw.u8(log * DESCRIPTOR_BYTES) & 1) != 0) {
        identifiers.add(log);
      }
    }
    return new SupportedLogs(identifiers);
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "Supported Log Pages (00h)");
    json.put("standard", "NVM Express 2.0");
    json.put("supported", identifiers.stream().map(i -> Hex.code(i, 2)).toList());
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    return identifiers.stream()
        .map(
            i ->
                new FieldSpan(
                    "supportedLog", i * DESCRIPTOR_BYTES, DESCRIPTOR_BYTES, Hex.code(i, 2), ""))
        .toList();
  }
}

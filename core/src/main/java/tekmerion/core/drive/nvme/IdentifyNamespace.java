package tekmerion.core.drive.nvme;

import static tekmerion.core.page.OrNull.orNull;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
 * Identify Namespace: how large the drive is and how it is formatted. Formats follow from byte 128,
 * 4 bytes each: metadata size (2), LBA data size as a power of two (1), relative performance (1).
 */
public record IdentifyNamespace(Fields<NamespaceField> fields, List<Format> formats)
    implements DecodedPage {
  public static final int PAGE_BYTES = 4096;
  private static final int FORMATS_OFFSET = 128;
  private static final int FORMAT_BYTES = 4;
  private static final int MAX_FORMATS = 16;
  private static final int LARGEST_POWER = 30;

  /**
   * A way in which the namespace can be formatted.
   *
   * @param lbaBytes bytes in a logical block; empty if the format is not in use
   * @param relativePerformance 0 best to 3 degraded
   */
  public record Format(int metadataBytes, OptionalLong lbaBytes, int relativePerformance) {}

  public IdentifyNamespace {
    formats = List.copyOf(formats);
  }

  public static Decoding<IdentifyNamespace> decode(RawPage raw) {
    return PageDamage.of(raw, "Identify Namespace", PAGE_BYTES)
        .<Decoding<IdentifyNamespace>>map(fault -> new Malformed<>(raw, fault))
        .orElseGet(() -> new Decoded<>(raw, read(raw)));
  }

  private static IdentifyNamespace read(RawPage raw) {
    List<Format> formats = new ArrayList<>();
    int count = Math.min(raw.u8(25) + 1, MAX_FORMATS);
    for (int i = 0; i < count; i++) {
      int at = FORMATS_OFFSET + i * FORMAT_BYTES;
      int power = raw.u8(at + 2);
      // Below 9 (512 bytes) the standard says: not supported.
      OptionalLong bytes =
          power < 9 || power > LARGEST_POWER ? OptionalLong.empty() : OptionalLong.of(1L << power);
      formats.add(new Format(raw.u16(at), bytes, raw.u8(at + 3) & 3));
    }
    return new IdentifyNamespace(Fields.read(NamespaceField.class, raw, 0), formats);
  }

  /** Bytes in a logical block as formatted now. */
  public OptionalLong logicalBlockBytes() {
    int index = fields.small(NamespaceField.FORMATTED_LBA_SIZE_INDEX).orElse(0);
    return index < formats.size() ? formats.get(index).lbaBytes() : OptionalLong.empty();
  }

  /** Empty if it cannot be told or does not fit 63 bits. */
  public OptionalLong sizeBytes() {
    OptionalLong blocks = fields.number(NamespaceField.NAMESPACE_SIZE);
    OptionalLong bytes = logicalBlockBytes();
    if (blocks.isEmpty() || bytes.isEmpty()) {
      return OptionalLong.empty();
    }
    long high = Math.multiplyHigh(blocks.getAsLong(), bytes.getAsLong());
    long low = blocks.getAsLong() * bytes.getAsLong();
    return high == 0 && low >= 0 ? OptionalLong.of(low) : OptionalLong.empty();
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "Identify Namespace (CNS 00h)");
    json.put("standard", "NVM Command Set 1.0");
    json.put("logicalBlockBytes", orNull(logicalBlockBytes()));
    json.put("sizeBytes", orNull(sizeBytes()));
    json.putAll(fields.json());
    List<Map<String, Object>> list = new ArrayList<>();
    for (Format format : formats) {
      Map<String, Object> one = new LinkedHashMap<>();
      one.put("metadataBytes", format.metadataBytes());
      one.put("lbaBytes", orNull(format.lbaBytes()));
      one.put("relativePerformance", format.relativePerformance());
      list.add(one);
    }
    json.put("lbaFormats", list);
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    List<FieldSpan> spans = new ArrayList<>(fields.spans(""));
    for (int i = 0; i < formats.size(); i++) {
      spans.add(
          new FieldSpan(
              "format %d: lbaBytes".formatted(i),
              FORMATS_OFFSET + i * FORMAT_BYTES + 2,
              1,
              orNull(formats.get(i).lbaBytes()),
              "bytes"));
    }
    return spans;
  }
}

package tekmerion.core.survey;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.TreeMap;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.ByteSource;

/**
 * A stretch of a source with the reads that were made of it. Every look is by position in the
 * stretch; what lies beyond it is simply not there.
 */
public final class Window {
  private final ByteSource source;
  private final long start;
  private final long size;
  private final TreeMap<Long, Long> failed;

  private Window(ByteSource source, long start, long size, TreeMap<Long, Long> failed) {
    this.source = source;
    this.start = start;
    this.size = size;
    this.failed = failed;
  }

  public static Window whole(ByteSource source) {
    return new Window(source, 0, source.sizeBytes(), new TreeMap<>());
  }

  /** A part of it; cut at the end of the source. */
  public Window part(long from, long bytes) {
    long begin = Math.max(0, Math.min(from, size));
    return new Window(source, start + begin, Math.max(0, Math.min(bytes, size - begin)), failed);
  }

  public long start() {
    return start;
  }

  public long size() {
    return size;
  }

  public int sectorBytes() {
    return source.sectorBytes();
  }

  /** Empty if it is not wholly there, or cannot be read; the latter is remembered. */
  public Optional<RawPage> at(long offset, int length) {
    if (offset < 0 || length <= 0 || offset > size - length) {
      return Optional.empty();
    }
    Optional<byte[]> bytes = source.bytes(start + offset, length);
    if (bytes.isEmpty()) {
      failed.put(start + offset, (long) length);
      return Optional.empty();
    }
    return Optional.of(new RawPage(bytes.get()));
  }

  /** How many looks at this source failed so far, by place. */
  int failedReads() {
    return failed.size();
  }

  /** Whether the bytes of a text stand there. */
  boolean says(long offset, String text) {
    byte[] wanted = text.getBytes(StandardCharsets.ISO_8859_1);
    return at(offset, wanted.length).filter(p -> p.equals(new RawPage(wanted))).isPresent();
  }

  /** Text up to its first zero, trimmed; empty if there is none. */
  static Optional<String> text(RawPage page, int offset, int length, Charset charset) {
    String text = new String(page.bytes(), offset, length, charset);
    int zero = text.indexOf('\0');
    String cut = (zero < 0 ? text : text.substring(0, zero)).strip();
    return cut.isEmpty() ? Optional.empty() : Optional.of(cut);
  }

  /** A UUID as its sixteen bytes stand, the usual way of Unix file systems. */
  static String uuid(RawPage page, int offset) {
    String hex = page.hex(offset, 16);
    return "%s-%s-%s-%s-%s"
        .formatted(
            hex.substring(0, 8),
            hex.substring(8, 12),
            hex.substring(12, 16),
            hex.substring(16, 20),
            hex.substring(20));
  }

  /** A GUID: its first three fields are little-endian. */
  public static String guid(RawPage page, int offset) {
    return "%08x-%04x-%04x-%s-%s"
        .formatted(
            page.unsignedLe(offset, 4),
            page.u16(offset + 4),
            page.u16(offset + 6),
            page.hex(offset + 8, 2),
            page.hex(offset + 10, 6));
  }
}

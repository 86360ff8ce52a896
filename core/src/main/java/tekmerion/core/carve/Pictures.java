package tekmerion.core.carve;

import java.util.Optional;
import java.util.zip.CRC32;

/**
 * Photos.
 *
 * @see "JPEG: ITU-T T.81 (1992), annex B; PNG: ISO/IEC 15948, clause 5"
 */
final class Pictures {
  /** Longer than this no photo is. */
  private static final long MAX = 200L << 20;

  private static final int SOI = 0xD8;
  private static final int EOI = 0xD9;
  private static final int SOS = 0xDA;

  private Pictures() {}

  /** Segment by segment to the scan, and through it to the end mark. */
  static Optional<Carved> jpeg(Bytes b, long start) {
    if (b.at(start) != 0xFF || b.at(start + 1) != SOI || b.at(start + 2) != 0xFF) {
      return Optional.empty();
    }
    boolean frame = false;
    boolean scan = false;
    long at = start + 2;
    while (at - start < MAX) {
      if (b.at(at) != 0xFF) {
        return Optional.empty();
      }
      int marker = b.at(at + 1);
      if (marker == 0xFF) {
        at++; // fill bytes before a marker: B.1.1.2
        continue;
      }
      if (marker == EOI) {
        return frame && scan
            ? Optional.of(
                new Carved("jpg", start, at + 2 - start, "every segment, frame, scan and end"))
            : Optional.empty();
      }
      long length = b.be(at + 2, 2);
      if (marker < 0xC0 || marker >= 0xD0 && marker <= SOI || length < 2) {
        return Optional.empty();
      }
      // Frames: C0 to CF but for tables (C4), reserved (C8) and arithmetic conditioning (CC).
      boolean isFrame = marker <= 0xCF && marker != 0xC4 && marker != 0xC8 && marker != 0xCC;
      if (isFrame && (b.be(at + 5, 2) == 0 || b.be(at + 7, 2) <= 0)) {
        return Optional.empty();
      }
      frame |= isFrame;
      at += 2 + length;
      if (marker == SOS) {
        scan = true;
        at = behindScan(b, at, start + MAX);
        if (at < 0) {
          return Optional.empty();
        }
      }
    }
    return Optional.empty();
  }

  /** Within a scan an FF is followed by 00 or a restart mark: B.1.1.5. */
  private static long behindScan(Bytes b, long from, long most) {
    for (long at = from; at < most; at++) {
      int here = b.at(at);
      if (here == Bytes.GONE) {
        return -1;
      }
      if (here == 0xFF) {
        int next = b.at(at + 1);
        if (next != 0 && (next < 0xD0 || next > 0xD7) && next != 0xFF) {
          return at;
        }
      }
    }
    return -1;
  }

  /** Chunk by chunk, each under its own checksum. */
  static Optional<Carved> png(Bytes b, long start) {
    if (b.be(start, 7) != 0x89504E470D0A1AL || b.at(start + 7) != 0x0A) {
      return Optional.empty();
    }
    int chunks = 0;
    for (long at = start + 8; at - start < MAX; chunks++) {
      long length = b.be(at, 4);
      if (length < 0 || length > MAX || !isChecked(b, at + 4, length + 4)) {
        return Optional.empty();
      }
      if (chunks == 0 && !b.says(at + 4, "IHDR")) {
        return Optional.empty();
      }
      boolean end = b.says(at + 4, "IEND");
      at += 12 + length;
      if (end) {
        return Optional.of(
            new Carved(
                "png", start, at - start, "%d chunks by their checksums".formatted(chunks + 1)));
      }
    }
    return Optional.empty();
  }

  private static boolean isChecked(Bytes b, long from, long length) {
    CRC32 crc = new CRC32();
    for (long i = 0; i < length; i++) {
      int here = b.at(from + i);
      if (here == Bytes.GONE) {
        return false;
      }
      crc.update(here);
    }
    return crc.getValue() == b.be(from + length, 4);
  }
}

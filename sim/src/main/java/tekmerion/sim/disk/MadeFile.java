package tekmerion.sim.disk;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/**
 * A file that is made up.
 *
 * @param path with slashes
 * @param at place in the volume, in clusters; −1 for the next free one
 */
public record MadeFile(String path, int bytes, long at) {
  public static MadeFile of(String path, int bytes) {
    return new MadeFile(path, bytes, -1);
  }

  /** The bytes from a place in it: its kind's beginning, then what its name and place say. */
  void fill(long from, byte[] into, int at, int length) {
    if (path.endsWith(".jpg") && bytes > MadePicture.MIN) {
      MadePicture.of(path).fill(bytes, from, into, at, length);
      return;
    }
    byte[] begin = beginning();
    ByteBuffer word = ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN);
    long known = -1;
    for (int i = 0; i < length; i++) {
      long place = from + i;
      if (place < begin.length) {
        into[at + i] = begin[(int) place];
      } else {
        if (place / 8 != known) {
          known = place / 8;
          word.putLong(0, mixed(path.hashCode() + known * 0x9E37_79B9_7F4A_7C15L));
        }
        into[at + i] = word.get((int) (place % 8));
      }
    }
  }

  private byte[] beginning() {
    String end = path.substring(path.lastIndexOf('.') + 1);
    return switch (end) {
      case "pdf" -> "%PDF-1.7\n".getBytes(StandardCharsets.US_ASCII);
      default -> new byte[0];
    };
  }

  /** SplitMix64's last steps. */
  private static long mixed(long z) {
    long a = (z ^ z >>> 30) * 0xBF58_476D_1CE4_E5B9L;
    long b = (a ^ a >>> 27) * 0x94D0_49BB_1331_11EBL;
    return b ^ b >>> 31;
  }
}

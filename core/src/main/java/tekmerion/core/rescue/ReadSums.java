package tekmerion.core.rescue;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;

/**
 * What was read of a source, as sums that do not depend on the order of reading: for each zone the
 * sum (modulo 2^64, in four lanes) of SHA-256 over place and content of every sector read in it.
 * The same sums over the image say whether it holds what was read.
 *
 * @see "SHA-256: FIPS 180-4. Sums of hashes for sets: Bellare and Micciancio, A New Paradigm for
 *     Collision-Free Hashing, EUROCRYPT 1997"
 */
public final class ReadSums {
  private static final int SECTOR = 512;
  private static final int MAX_ZONES = 256;
  private static final long MIN_ZONE = 1 << 20;
  private static final int LANES = 4;

  private final long size;
  private final long zoneBytes;
  private final long[][] sums;
  private final MessageDigest sha;
  private final ByteBuffer place = ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN);

  /** Nothing was read of a source of this size. */
  public ReadSums(long size) {
    this.size = size;
    long each = (size + MAX_ZONES - 1) / MAX_ZONES;
    this.zoneBytes = Math.max(1, (each + MIN_ZONE - 1) / MIN_ZONE) * MIN_ZONE;
    this.sums = new long[(int) ((size + zoneBytes - 1) / zoneBytes)][LANES];
    try {
      this.sha = MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Every zone but the last is so long. */
  public long zoneBytes() {
    return zoneBytes;
  }

  /**
   * @param offset of the first byte, at the beginning of a sector of 512 bytes
   * @param bytes whole sectors, unless it is the source's last one
   */
  public void add(long offset, byte[] bytes) {
    if (offset % SECTOR != 0) {
      throw new IllegalArgumentException("offset %d is within a sector".formatted(offset));
    }
    for (int at = 0; at < bytes.length; at += SECTOR) {
      place.putLong(0, (offset + at) / SECTOR);
      sha.update(place.array());
      sha.update(bytes, at, Math.min(SECTOR, bytes.length - at));
      ByteBuffer digest = ByteBuffer.wrap(sha.digest());
      long[] zone = sums[(int) ((offset + at) / zoneBytes)];
      for (int lane = 0; lane < LANES; lane++) {
        zone[lane] += digest.getLong(8 * lane);
      }
    }
  }

  /**
   * Indices of zones that are not the same.
   *
   * @throws IllegalArgumentException if the other is of a source of another size
   */
  public List<Integer> differing(ReadSums other) {
    if (other.size != size) {
      throw new IllegalArgumentException("sums of sources of different sizes");
    }
    List<Integer> differing = new ArrayList<>();
    for (int i = 0; i < sums.length; i++) {
      if (!Arrays.equals(sums[i], other.sums[i])) {
        differing.add(i);
      }
    }
    return differing;
  }

  /** One short name for all of it. */
  public String whole() {
    sha.reset();
    sha.update(text().getBytes(StandardCharsets.US_ASCII));
    return HexFormat.of().formatHex(sha.digest());
  }

  /** A line for each zone in which something was read: its index and its sum in hex. */
  public String text() {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < sums.length; i++) {
      if (!Arrays.equals(sums[i], new long[LANES])) {
        text.append(i);
        text.append(' ');
        for (long lane : sums[i]) {
          text.append(HexFormat.of().toHexDigits(lane));
        }
        text.append('\n');
      }
    }
    return text.toString();
  }

  /**
   * @throws IllegalArgumentException if a line is no sum
   */
  static ReadSums parse(long size, List<String> lines) {
    ReadSums sums = new ReadSums(size);
    for (String line : lines) {
      try {
        int space = line.indexOf(' ');
        int zone = Integer.parseInt(line.substring(0, space));
        String hex = line.substring(space + 1);
        for (int lane = 0; lane < LANES; lane++) {
          sums.sums[zone][lane] = HexFormat.fromHexDigitsToLong(hex, 16 * lane, 16 * lane + 16);
        }
      } catch (IndexOutOfBoundsException | IllegalArgumentException e) {
        throw new IllegalArgumentException("a sum is damaged: " + line, e);
      }
    }
    return sums;
  }
}

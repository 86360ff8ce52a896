package tekmerion.link.stick;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import tekmerion.link.Sha256;

/**
 * The file in which a stick keeps sealed captures. Its size never changes, and it lies in one piece
 * on the stick, so that it is written by position: no file system is mounted for it. It begins with
 * a sector that says whose it is and where on the stick it lies; then come the captures, each with
 * a sector of its own in front. Only the end is written to, the capture before its sector: one that
 * was interrupted was never there.
 *
 * <pre>
 *   first sector   16 "TEKMERION STORE\n"   8 where it lies   8 its length   32 the shop's key   32 SHA-256 of these
 *   each capture   16 "TEKMERION KEPT 1"   16 its id   8 length   32 SHA-256 of what follows   32 SHA-256 of these
 * </pre>
 *
 * Numbers are big-endian, lengths and places in bytes. What is in the sectors tells nobody
 * anything.
 */
public final class StickStore {
  public static final int SECTOR = 512;

  /** How it is called on the stick, for whoever uploads it. */
  public static final String FILE_NAME = "kept.tek";

  private static final byte[] STORE = "TEKMERION STORE\n".getBytes(StandardCharsets.US_ASCII);
  private static final byte[] KEPT = "TEKMERION KEPT 1".getBytes(StandardCharsets.US_ASCII);
  private static final int SHA = 32;

  private static final byte[] ZEROS = new byte[SECTOR];

  /** What is longer was made by nobody's stick; it is read as a whole. */
  private static final long MAX_BYTES = 256L << 20;

  private final Bytes bytes;
  private final Head head;

  /** Where it is read from and written to, by position on the stick or in the file. */
  public interface Bytes {
    /**
     * @return as many as were asked for
     */
    byte[] read(long at, int length) throws IOException;

    /** On the stick when this returns. */
    void write(long at, byte[] what) throws IOException;
  }

  /**
   * The first sector.
   *
   * @param at where on the stick it lies, in bytes
   * @param length of all of it, in bytes
   */
  public record Head(long at, long length, StickKey key) {
    public byte[] sector() {
      byte[] told =
          ByteBuffer.allocate(STORE.length + 2 * Long.BYTES + StickKey.BYTES)
              .put(STORE)
              .putLong(at)
              .putLong(length)
              .put(key.bytes())
              .array();
      return withSha(told);
    }

    /** Empty if these bytes are none. */
    public static Optional<Head> of(byte[] sector) {
      return told(sector, STORE, 2 * Long.BYTES + StickKey.BYTES)
          .map(
              in -> {
                long at = in.getLong();
                long length = in.getLong();
                byte[] key = new byte[StickKey.BYTES];
                in.get(key);
                return new Head(at, length, StickKey.of(key));
              })
          .filter(
              h ->
                  h.at >= 0
                      && h.length >= 2 * SECTOR
                      && h.length <= MAX_BYTES
                      && h.length % SECTOR == 0);
    }
  }

  /** A capture that is in it, sealed. */
  public record Kept(UUID id, byte[] sealed) {
    /** What it is bound to. */
    public static byte[] about(UUID id) {
      return ByteBuffer.allocate(2 * Long.BYTES)
          .putLong(id.getMostSignificantBits())
          .putLong(id.getLeastSignificantBits())
          .array();
    }
  }

  /**
   * All that is there now.
   *
   * @param end where the next one goes: behind all that was ever written, so that what is damaged,
   *     or was interrupted, is never written over
   */
  private record Content(List<Kept> kept, long end) {}

  private StickStore(Bytes bytes, Head head) {
    this.bytes = bytes;
    this.head = head;
  }

  /**
   * One on a stick.
   *
   * @param at where it should lie; the sector must say the same
   * @return empty if none lies there
   */
  public static Optional<StickStore> on(Bytes stick, long at) throws IOException {
    return Head.of(stick.read(at, SECTOR))
        .filter(head -> head.at() == at)
        .map(head -> new StickStore(stick, head));
  }

  /**
   * One that was copied off its stick.
   *
   * @return empty if these bytes are none
   */
  public static Optional<StickStore> in(byte[] file) {
    if (file.length < SECTOR) {
      return Optional.empty();
    }
    return Head.of(Arrays.copyOf(file, SECTOR))
        .map(
            head ->
                new StickStore(
                    new Copied(file, head.at()),
                    new Head(
                        head.at(),
                        Math.min(head.length(), file.length / SECTOR * SECTOR),
                        head.key())));
  }

  public StickKey key() {
    return head.key();
  }

  /** All that are whole, in the order in which they were kept. */
  public List<Kept> kept() throws IOException {
    return content().kept();
  }

  /** So many bytes are left, at most, for the next one. */
  public long free() throws IOException {
    return Math.max(0, head.at() + head.length() - content().end() - SECTOR);
  }

  /**
   * Keeps one more behind the others; the same id again changes nothing.
   *
   * @throws StoreFullException if there is no room; what is there stays as it is
   */
  public void keep(Kept one) throws IOException {
    Content now = content();
    if (now.kept().stream().anyMatch(k -> k.id().equals(one.id()))) {
      return;
    }
    byte[] body = Arrays.copyOf(one.sealed(), sectors(one.sealed().length) * SECTOR);
    long end = now.end() + SECTOR + body.length;
    if (end > head.at() + head.length()) {
      throw new StoreFullException(now.kept().size());
    }
    bytes.write(now.end() + SECTOR, body);
    byte[] told =
        ByteBuffer.allocate(KEPT.length + 3 * Long.BYTES + SHA)
            .put(KEPT)
            .put(Kept.about(one.id()))
            .putLong(one.sealed().length)
            .put(Sha256.of(one.sealed()))
            .array();
    bytes.write(now.end(), withSha(told));
  }

  private Content content() throws IOException {
    byte[] all = bytes.read(head.at() + SECTOR, (int) (head.length() - SECTOR));
    List<Kept> kept = new ArrayList<>();
    int end = 0;
    int at = 0;
    while (at + SECTOR <= all.length) {
      Optional<Kept> whole = whole(all, at);
      if (whole.isPresent()) {
        kept.add(whole.get());
        at += SECTOR * (1 + sectors(whole.get().sealed().length));
        end = at;
      } else {
        end = isEmpty(all, at) ? end : at + SECTOR;
        at += SECTOR;
      }
    }
    return new Content(kept, head.at() + SECTOR + end);
  }

  /** The capture whose sector this is; empty if it is none, or not as it was written. */
  private static Optional<Kept> whole(byte[] all, int at) {
    Optional<ByteBuffer> told =
        told(Arrays.copyOfRange(all, at, at + SECTOR), KEPT, 3 * Long.BYTES + SHA);
    if (told.isEmpty()) {
      return Optional.empty();
    }
    ByteBuffer in = told.get();
    UUID id = new UUID(in.getLong(), in.getLong());
    long length = in.getLong();
    byte[] sha = new byte[SHA];
    in.get(sha);
    int from = at + SECTOR;
    if (length < 1 || length > all.length - from) {
      return Optional.empty();
    }
    byte[] sealed = Arrays.copyOfRange(all, from, from + (int) length);
    return Arrays.equals(Sha256.of(sealed), sha)
        ? Optional.of(new Kept(id, sealed))
        : Optional.empty();
  }

  private static boolean isEmpty(byte[] all, int sector) {
    return Arrays.equals(all, sector, sector + SECTOR, ZEROS, 0, SECTOR);
  }

  private static int sectors(int length) {
    return (length + SECTOR - 1) / SECTOR;
  }

  private static byte[] withSha(byte[] told) {
    return ByteBuffer.allocate(SECTOR).put(told).put(Sha256.of(told)).array();
  }

  /** What a sector tells behind its first 16 bytes; empty if it is not one of these, or damaged. */
  private static Optional<ByteBuffer> told(byte[] sector, byte[] begin, int length) {
    int all = begin.length + length;
    boolean good =
        sector.length >= all + SHA
            && Arrays.equals(sector, 0, begin.length, begin, 0, begin.length)
            && Arrays.equals(
                Sha256.of(Arrays.copyOf(sector, all)), Arrays.copyOfRange(sector, all, all + SHA));
    return good
        ? Optional.of(ByteBuffer.wrap(sector, begin.length, length).slice())
        : Optional.empty();
  }

  /** A file in which the store begins at 0, read as if it lay on its stick. */
  private record Copied(byte[] file, long at) implements Bytes {
    @Override
    public byte[] read(long from, int length) {
      int begin = (int) (from - at);
      return Arrays.copyOfRange(file, begin, begin + length);
    }

    @Override
    public void write(long to, byte[] what) {
      throw new UnsupportedOperationException("a copy is only read");
    }
  }
}

package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import com.sun.jna.LastErrorException;
import com.sun.jna.Native;
import com.sun.jna.NativeLong;
import com.sun.jna.Pointer;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.LongBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.concurrent.locks.LockSupport;
import tekmerion.core.port.MemoryRegion;

/**
 * Memory of this machine, taken from the system and, where it allows that, locked so that it is not
 * written out to a drive.
 *
 * <p>A sweep does the operations of {@value #BLOCK_WORDS} neighbouring words one operation after
 * the other. That is 4 KiB, which stay in the processor's own caches meanwhile: the memory cells
 * see each line fetched once and written back once, in either order.
 */
public final class RealMemory implements MemoryRegion {
  private static final int BLOCK_WORDS = 1 << 9;
  private static final int PIECE_WORDS = 1 << 26;
  private static final int PAGE = 4096;
  private static final int MADV_HUGEPAGE = 14;
  private static final int PROT_READ_WRITE = 3;
  private static final int MAP_PRIVATE_ANONYMOUS = 0x22;

  static {
    Native.register("c");
  }

  private final Pointer memory;
  private final long bytes;
  private final long bytesInAll;
  private final boolean locked;
  private final LongBuffer[] pieces;

  private static native Pointer mmap(
      Pointer at, NativeLong length, int protection, int flags, int fd, NativeLong offset)
      throws LastErrorException;

  private static native int munmap(Pointer at, NativeLong length);

  private static native int mlock(Pointer at, NativeLong length);

  private static native int madvise(Pointer at, NativeLong length, int advice);

  private RealMemory(Pointer memory, long bytes, long bytesInAll) {
    this.memory = memory;
    this.bytes = bytes;
    this.bytesInAll = bytesInAll;
    madvise(memory, new NativeLong(bytes), MADV_HUGEPAGE); // where there are none, small ones do
    locked = mlock(memory, new NativeLong(bytes)) == 0;
    List<LongBuffer> all = new ArrayList<>();
    for (long at = 0; at < bytes; at += 8L * PIECE_WORDS) {
      long length = Math.min(8L * PIECE_WORDS, bytes - at);
      all.add(memory.getByteBuffer(at, length).order(ByteOrder.nativeOrder()).asLongBuffer());
    }
    pieces = all.toArray(LongBuffer[]::new);
  }

  /**
   * @param bytes at least a page for each part
   * @param parts how many regions, alike, one for each thread
   * @throws IOException if the system does not give so much
   */
  public static List<RealMemory> take(long bytes, int parts) throws IOException {
    long each = bytes / parts / PAGE * PAGE;
    if (each <= 0) {
      throw new IllegalArgumentException(
          "at least %d bytes for each of %d parts: %d".formatted(PAGE, parts, bytes));
    }
    List<RealMemory> regions = new ArrayList<>();
    try {
      for (int i = 0; i < parts; i++) {
        Pointer memory =
            mmap(
                null,
                new NativeLong(each),
                PROT_READ_WRITE,
                MAP_PRIVATE_ANONYMOUS,
                -1,
                new NativeLong(0));
        regions.add(new RealMemory(memory, each, each * parts));
      }
      return regions;
    } catch (LastErrorException e) {
      regions.forEach(RealMemory::close);
      throw new IOException(
          String.format(
              Locale.ROOT,
              "the system does not give %,d bytes of memory: %s",
              bytes,
              e.getMessage()),
          e);
    }
  }

  @Override
  public long words() {
    return bytes / 8;
  }

  @Override
  public long read(long word) {
    return pieces[(int) (word / PIECE_WORDS)].get((int) (word % PIECE_WORDS));
  }

  @Override
  public void write(long word, long value) {
    pieces[(int) (word / PIECE_WORDS)].put((int) (word % PIECE_WORDS), value);
  }

  @Override
  public void sweep(
      long from, long to, boolean down, Operation[] operations, Data data, Mismatch mismatch) {
    LongBuffer zeros = LongBuffer.allocate(BLOCK_WORDS);
    LongBuffer ones = LongBuffer.allocate(BLOCK_WORDS);
    boolean filled = false;
    long at = down ? to : from;
    while (down ? at > from : at < to) {
      long low = down ? Math.max(from, (at - 1) / BLOCK_WORDS * BLOCK_WORDS) : at;
      long high = down ? at : Math.min(to, (at / BLOCK_WORDS + 1) * BLOCK_WORDS);
      int count = (int) (high - low);
      if (!filled || !data.isSolid()) {
        for (int i = 0; i < BLOCK_WORDS; i++) {
          long zero = data.zeroAt(low + i);
          zeros.put(i, zero);
          ones.put(i, ~zero);
        }
        filled = true;
      }
      for (int o = 0; o < operations.length; o++) {
        LongBuffer wanted = operations[o].one() ? ones : zeros;
        if (operations[o].write()) {
          write(low, count, wanted);
        } else {
          compare(low, count, wanted, o, mismatch);
        }
      }
      at = down ? low : high;
    }
  }

  private void write(long low, int count, LongBuffer wanted) {
    pieces[(int) (low / PIECE_WORDS)].put((int) (low % PIECE_WORDS), wanted, 0, count);
  }

  /** A wrong word is still in the cache as it came from the memory, so it can be read again. */
  private void compare(long low, int count, LongBuffer wanted, int operation, Mismatch mismatch) {
    LongBuffer piece = pieces[(int) (low / PIECE_WORDS)].duplicate();
    int first = (int) (low % PIECE_WORDS);
    for (int done = 0; done < count; ) {
      piece.limit(first + count).position(first + done);
      wanted.limit(count).position(done);
      int wrong = piece.mismatch(wanted);
      if (wrong < 0) {
        break;
      }
      int word = done + wrong;
      mismatch.at(low + word, wanted.get(word), piece.get(first + word), operation);
      done = word + 1;
    }
    wanted.clear();
  }

  @Override
  public void hold(Duration time) {
    LockSupport.parkNanos(time.toNanos());
  }

  /** Few machines say how warm their memory is; where none does, it is not guessed. */
  @Override
  public OptionalDouble celsius() {
    return OptionalDouble.empty();
  }

  @Override
  public String coverage() {
    long inAll = totalBytes();
    String share =
        inAll <= 0
            ? say("probe.how-much-memory-is-not-said")
            : say(
                "probe.of-its-memory",
                "tested",
                bytesInAll / gib(),
                "all",
                inAll / gib(),
                "share",
                ofHundred(bytesInAll, inAll));
    return say(
        "probe.what-was-tested",
        "share",
        share,
        "held",
        say(locked ? "probe.locked-in-place" : "probe.not-locked"));
  }

  private static String ofHundred(long bytes, long inAll) {
    long share = Math.round(100.0 * bytes / inAll);
    return share == 0 ? say("probe.less-than-1") : String.valueOf(share);
  }

  private static double gib() {
    return 1L << 30;
  }

  private static long totalBytes() {
    try {
      return Files.readAllLines(Path.of("/proc/meminfo")).stream()
          .filter(line -> line.startsWith("MemTotal:"))
          .map(line -> line.replaceAll("\\D", ""))
          .mapToLong(kib -> 1024 * Long.parseLong(kib))
          .findFirst()
          .orElse(-1);
    } catch (IOException e) {
      return -1;
    }
  }

  /** Where it begins, for measuring against the C library's own fill and compare. */
  public Pointer pointer() {
    return memory;
  }

  @Override
  public void close() {
    munmap(memory, new NativeLong(bytes));
  }
}

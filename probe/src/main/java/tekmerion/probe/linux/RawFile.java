package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import com.sun.jna.Memory;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import tekmerion.core.port.BlockSource;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadResult;

/** A file or block device, read in pieces that the device itself takes. For one thread. */
public final class RawFile implements BlockSource, ByteSource {
  /** Memory for O_DIRECT satisfies every common device if it is aligned to this. */
  private static final int PAGE = 4_096;

  private static final int DEFAULT_TIMEOUT_S = 30;

  /** Where an answer is looked for before it is said that there is none anywhere. */
  private static final int PLACES = 8;

  private final DeviceCalls calls;
  private final Identity identity;
  private final long timeoutNanos;

  /** What positions and lengths must be multiples of. */
  private int step;

  private Memory buffer = new Memory(PAGE);
  private long lastGood = -1;

  /**
   * @param timeoutSeconds how long the system waits for an answer of the drive
   */
  RawFile(DeviceCalls calls, Identity identity, int timeoutSeconds) {
    this.calls = calls;
    this.identity = identity;
    this.step = identity.sectorBytes();
    this.timeoutNanos = timeoutSeconds * 1_000_000_000L;
  }

  /**
   * A device past the page cache, so that no sector is asked for that nobody wants; a file through
   * it.
   *
   * @throws IOException if it cannot be opened for reading, or is empty
   */
  public static RawFile open(Path path) throws IOException {
    return open(path, Files.isRegularFile(path));
  }

  /**
   * Past the page cache (O_DIRECT). Where the file system cannot do that the reads go through the
   * cache and {@link Identity#cacheBypassed()} says so.
   *
   * @throws IOException if it cannot be opened for reading, or is empty
   */
  public static RawFile direct(Path path) throws IOException {
    return open(path, false);
  }

  private static RawFile open(Path path, boolean cached) throws IOException {
    OpenDevice calls = OpenDevice.open(path, cached);
    try {
      long size = calls.sizeBytes(path);
      if (size <= 0) {
        throw new IOException(path + " is empty: nothing to read");
      }
      int told = calls.timeoutSeconds();
      return new RawFile(
          calls,
          new Identity(
              name(path), size, calls.sectorBytes(), calls.physicalBytes(), calls.isDirect()),
          told > 0 ? told : DEFAULT_TIMEOUT_S);
    } catch (IOException | RuntimeException e) {
      calls.close();
      throw e;
    }
  }

  /** Of a drive that tells who it is, that: it may be called otherwise when it is back. */
  private static String name(Path path) {
    return LocalDrives.find(path.toString())
        .filter(d -> !d.serial().isEmpty())
        .map(d -> "%s %s".formatted(d.model(), d.serial()).strip())
        .orElse(path.getFileName().toString());
  }

  @Override
  public Identity identity() {
    return identity;
  }

  @Override
  public long sizeBytes() {
    return identity.sizeBytes();
  }

  @Override
  public int sectorBytes() {
    return identity.sectorBytes();
  }

  @Override
  public ReadResult read(long offset, int length) {
    if (offset < 0 || length <= 0 || offset > identity.sizeBytes() - length) {
      return new ReadResult.CouldNotRun(
          ReadErrors.EINVAL,
          say(
              "probe.not-within-its-bytes",
              "length",
              length,
              "offset",
              offset,
              "size",
              identity.sizeBytes()));
    }
    ReadResult result = aligned(offset, length);
    if (result instanceof ReadResult.CouldNotRun refused
        && refused.errno() == ReadErrors.EINVAL
        && step < PAGE) {
      step = PAGE; // some file systems want more than a sector
      result = aligned(offset, length);
    }
    return result;
  }

  /** In whole steps around what is wanted. */
  private ReadResult aligned(long offset, int length) {
    long from = offset / step * step;
    int skip = (int) (offset - from);
    long wanted = (skip + (long) length + step - 1) / step * step;
    if (buffer.size() < wanted + PAGE) {
      buffer = new Memory(wanted + PAGE);
    }
    Memory into = buffer.align(PAGE);
    long began = System.nanoTime();
    long got = 0;
    while (got < skip + length) {
      long n = calls.pread(into, got, wanted - got, from + got);
      if (n == -ReadErrors.EINTR) {
        continue;
      }
      long took = System.nanoTime() - began;
      if (n < 0) {
        return failure((int) -n, took, from + got);
      }
      got += n;
      if (n == 0 || got < skip + length && got % step != 0) {
        return calls.isThere()
            ? new ReadResult.CouldNotRun(
                0, say("probe.it-is-shorter-than-it-was", "came", got, "asked", wanted))
            : new ReadResult.Gone(say("probe.it-is-not-there-any-more"));
      }
    }
    lastGood = from;
    return new ReadResult.Data(() -> into.getByteArray(skip, length), System.nanoTime() - began);
  }

  private ReadResult failure(int errno, long tookNanos, long offset) {
    String words = OpenDevice.words(errno);
    return switch (ReadErrors.of(errno)) {
      case MEDIUM -> new ReadResult.MediumError(tookNanos, words);
      case TIMED_OUT -> new ReadResult.TimedOut(tookNanos, words);
      case GONE -> new ReadResult.Gone(words);
      case OURS -> new ReadResult.CouldNotRun(errno, words);
      case UNCLEAR -> unclear(errno, words, tookNanos, offset);
    };
  }

  /** It is the sectors' only if the drive is there and answers for others. */
  private ReadResult unclear(int errno, String words, long tookNanos, long offset) {
    if (!calls.isThere()) {
      return new ReadResult.Gone(say("probe.it-is-gone", "why", words));
    }
    if (tookNanos >= timeoutNanos) {
      return new ReadResult.TimedOut(tookNanos, words);
    }
    if (answersElsewhere(offset)) {
      return new ReadResult.MediumError(tookNanos, words);
    }
    return calls.isThere()
        ? new ReadResult.CouldNotRun(errno, say("probe.it-answers-nowhere", "why", words))
        : new ReadResult.Gone(say("probe.it-is-gone", "why", words));
  }

  private boolean answersElsewhere(long offset) {
    if (lastGood >= 0 && lastGood != offset && answersAt(lastGood)) {
      return true;
    }
    long steps = identity.sizeBytes() / step;
    for (int i = 0; i < PLACES; i++) {
      long place = steps * i / PLACES * step;
      if (place != offset && place + step <= identity.sizeBytes() && answersAt(place)) {
        lastGood = place;
        return true;
      }
    }
    return false;
  }

  private boolean answersAt(long place) {
    try (Memory look = new Memory(step + PAGE)) {
      return calls.pread(look.align(PAGE), 0, step, place) == step;
    }
  }

  @Override
  public void close() {
    calls.close();
  }
}

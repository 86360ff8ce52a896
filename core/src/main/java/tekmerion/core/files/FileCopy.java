package tekmerion.core.files;

import static tekmerion.words.Words.say;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import tekmerion.core.port.ByteSource;

/**
 * Copies files, and reads each again from its destination: it counts only if both are the same by
 * SHA-256.
 */
public final class FileCopy {
  private FileCopy() {}

  /** Where copies go. */
  public interface Destination {
    /**
     * Begins a file; an older one of this path is replaced.
     *
     * @throws DestinationException if it cannot be written
     */
    Target begin(FoundFile file);

    /** SHA-256 of what is there now, in hex, read anew. */
    String digest(FoundFile file);
  }

  /** One file while it is written. */
  public interface Target extends AutoCloseable {
    void write(byte[] bytes, int length);

    /** All is written: makes it hold, in its place. */
    void keep();

    /** What was not kept goes without a trace. */
    @Override
    void close();
  }

  /** The destination does not take it; says nothing about the source. */
  public static final class DestinationException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public DestinationException(String what, Throwable cause) {
      super(what, cause);
    }
  }

  /** What became of a file. */
  public enum Outcome {
    /** Whole, and the same when read again. */
    VERIFIED,
    /** What could be read is the same when read again; the rest is zero. */
    PARTLY,
    /** It is not what was written. */
    DIFFERS,
    /** The destination did not take it. */
    NOT_WRITTEN
  }

  /**
   * @param lostBytes that could not be read
   * @param sha256 of what was read; empty if it was not written
   * @param why in a sentence; empty if it is whole
   */
  public record Copied(
      FoundFile file, Outcome outcome, long lostBytes, String sha256, String why) {}

  /**
   * In the order of their place on the source, as far as the caller sorted them so.
   *
   * @param told of every file when it is done
   * @return whether it came to its end
   */
  public static boolean run(
      ByteSource source,
      List<FoundFile> files,
      Destination destination,
      Consumer<Copied> told,
      BooleanSupplier stopped) {
    for (FoundFile file : files) {
      if (stopped.getAsBoolean()) {
        return false;
      }
      told.accept(copy(source, file, destination));
    }
    return true;
  }

  private static Copied copy(ByteSource source, FoundFile file, Destination destination) {
    MessageDigest sha = sha256();
    long lost;
    try {
      try (Target target = destination.begin(file)) {
        lost =
            FileBody.read(
                source,
                file,
                (bytes, length) -> {
                  sha.update(bytes, 0, length);
                  target.write(bytes, length);
                });
        target.keep();
      }
      String wanted = HexFormat.of().formatHex(sha.digest());
      if (!destination.digest(file).equals(wanted)) {
        return new Copied(
            file, Outcome.DIFFERS, lost, wanted, say("files.what-was-written-reads-otherwise"));
      }
      if (lost > 0) {
        String why = say("files.bytes-of-it-could-not-be", "lost", lost);
        return new Copied(file, Outcome.PARTLY, lost, wanted, why);
      }
      return file.trouble().isPresent()
          ? new Copied(file, Outcome.PARTLY, 0, wanted, file.trouble().get())
          : new Copied(file, Outcome.VERIFIED, 0, wanted, "");
    } catch (DestinationException e) {
      return new Copied(file, Outcome.NOT_WRITTEN, 0, "", e.getMessage());
    }
  }

  private static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}

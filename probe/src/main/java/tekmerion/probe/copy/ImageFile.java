package tekmerion.probe.copy;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadResult;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.RescueImage;
import tekmerion.core.rescue.RescueMap;
import tekmerion.link.files.WholeFile;

/**
 * The image of a rescue with its map and sums. Bytes are on disk before the map that speaks of
 * them; the map is written beside and then put in its place, so that there is always a whole one.
 * Both about once a second: what was read since then is read again after a kill.
 */
public final class ImageFile implements RescueImage.Keeper, AutoCloseable {
  private static final long KEEP_NANOS = 1_000_000_000L;

  private final FileChannel image;
  private final Path mapFile;
  private final KeptRescue kept;
  private long keptAt = System.nanoTime();

  private ImageFile(FileChannel image, Path mapFile, KeptRescue kept) {
    this.image = image;
    this.mapFile = mapFile;
    this.kept = kept;
  }

  /**
   * Goes on with the map that is there, or begins.
   *
   * @throws IOException if the map is there without its image
   * @throws IllegalArgumentException if the map is of a source of another size, or is damaged
   */
  public static ImageFile open(Path image, Path mapFile, long sourceBytes) throws IOException {
    boolean begun = Files.exists(mapFile);
    if (begun && !Files.exists(image)) {
      throw new IOException(
          "the map is there, but not the image that it is of: give the image, or another map");
    }
    KeptRescue kept =
        begun ? KeptRescue.parse(Files.readString(mapFile)) : KeptRescue.begin(sourceBytes);
    if (kept.map().size() != sourceBytes) {
      throw new IllegalArgumentException(
          "the map is of a source of %d bytes, this one has %d"
              .formatted(kept.map().size(), sourceBytes));
    }
    Private.createFile(image);
    FileChannel channel =
        FileChannel.open(
            image, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
    return new ImageFile(channel, mapFile, kept);
  }

  /** What is known, which a rescue goes on changing. */
  public KeptRescue kept() {
    return kept;
  }

  /** What is in the image until now; closing it does not close the image. */
  public ByteSource written() {
    return new Written();
  }

  private final class Written implements ByteSource {
    @Override
    public long sizeBytes() {
      return kept.map().size();
    }

    @Override
    public int sectorBytes() {
      return 512;
    }

    @Override
    public ReadResult read(long offset, int length) {
      ByteBuffer buffer = ByteBuffer.allocate(length);
      try {
        while (buffer.hasRemaining()) {
          if (image.read(buffer, offset + buffer.position()) < 0) {
            return new ReadResult.CouldNotRun(0, say("probe.the-image-ends-before"));
          }
        }
        return ReadResult.data(buffer.array(), 0);
      } catch (IOException e) {
        return new ReadResult.CouldNotRun(
            0, say("probe.the-image-cannot-be-read", "why", e.getMessage()));
      }
    }

    @Override
    public void close() {
      // the image goes on
    }
  }

  @Override
  public void write(long offset, byte[] bytes) {
    ByteBuffer buffer = ByteBuffer.wrap(bytes);
    try {
      while (buffer.hasRemaining()) {
        image.write(buffer, offset + buffer.position());
      }
    } catch (IOException e) {
      throw new UncheckedIOException("the image cannot be written", e);
    }
    kept.sums().add(offset, bytes);
  }

  @Override
  public void keep(RescueMap map) {
    if (System.nanoTime() - keptAt >= KEEP_NANOS) {
      now();
    }
  }

  /** Whatever the time. */
  public void now() {
    try {
      image.force(false);
      WholeFile.write(mapFile, kept.text());
      keptAt = System.nanoTime();
    } catch (IOException e) {
      throw new UncheckedIOException("the map cannot be kept", e);
    }
  }

  /** As long as its source, also where its end could not be read. */
  @Override
  public void close() throws IOException {
    try (image) {
      if (image.size() < kept.map().size()) {
        image.write(ByteBuffer.allocate(1), kept.map().size() - 1);
        image.force(false);
      }
    }
  }
}

package tekmerion.probe.instrument;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import tekmerion.core.rescue.RescueCopy;
import tekmerion.core.rescue.RescueMap;

/**
 * The image of a rescue and its map. Bytes are on disk before the map that speaks of them; the map
 * is written beside and then put in its place, so that there is always a whole one. Both about once
 * a second: what was read since then is read again after a kill.
 */
final class ImageFile implements RescueCopy.Keeper, AutoCloseable {
  private static final long KEEP_NANOS = 1_000_000_000L;

  private final FileChannel image;
  private final Path mapFile;
  private long keptAt = System.nanoTime();

  private ImageFile(FileChannel image, Path mapFile) {
    this.image = image;
    this.mapFile = mapFile;
  }

  static ImageFile open(Path image, Path mapFile) throws IOException {
    return new ImageFile(
        FileChannel.open(image, StandardOpenOption.CREATE, StandardOpenOption.WRITE), mapFile);
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
  }

  @Override
  public void keep(RescueMap map) {
    if (System.nanoTime() - keptAt >= KEEP_NANOS) {
      now(map);
    }
  }

  void now(RescueMap map) {
    try {
      image.force(false);
      Path beside = mapFile.resolveSibling(mapFile.getFileName() + ".new");
      Files.writeString(
          beside,
          map.text(),
          StandardOpenOption.CREATE,
          StandardOpenOption.WRITE,
          StandardOpenOption.TRUNCATE_EXISTING,
          StandardOpenOption.SYNC);
      Files.move(beside, mapFile, StandardCopyOption.ATOMIC_MOVE);
      keptAt = System.nanoTime();
    } catch (IOException e) {
      throw new UncheckedIOException("the map cannot be kept", e);
    }
  }

  @Override
  public void close() throws IOException {
    image.close();
  }
}

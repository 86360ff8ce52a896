package tekmerion.core.rescue;

import static tekmerion.words.Words.say;

import java.util.Optional;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadResult;

/**
 * A source by its image: what was read comes from there. What was not is asked of the source, if
 * there is one still; it stays unreadable otherwise.
 */
public final class RescuedBytes implements ByteSource {
  private final ByteSource image;
  private final RescueMap map;
  private final Optional<ByteSource> source;

  /**
   * @param image may be shorter than the source where its end was not read
   * @param source closed by whoever opened it
   */
  public RescuedBytes(ByteSource image, RescueMap map, Optional<ByteSource> source) {
    this.image = image;
    this.map = map;
    this.source = source;
  }

  @Override
  public long sizeBytes() {
    return map.size();
  }

  @Override
  public int sectorBytes() {
    return image.sectorBytes();
  }

  @Override
  public ReadResult read(long offset, int length) {
    if (map.bytes(State.READ, offset, length) == length) {
      return image.read(offset, length);
    }
    return source
        .map(s -> s.read(offset, length))
        .orElseGet(() -> new ReadResult.MediumError(0, say("rescue.it-was-not-read-when-the")));
  }

  @Override
  public void close() {
    image.close();
  }
}

package tekmerion.core.port;

/** Another source, looked at through something that notes, times or keeps what is read. */
public abstract class SeenBytes implements ByteSource {
  protected final ByteSource source;

  /**
   * @param source closed with this one
   */
  protected SeenBytes(ByteSource source) {
    this.source = source;
  }

  @Override
  public final long sizeBytes() {
    return source.sizeBytes();
  }

  @Override
  public final int sectorBytes() {
    return source.sectorBytes();
  }

  @Override
  public void close() {
    source.close();
  }
}

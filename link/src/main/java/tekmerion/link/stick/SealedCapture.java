package tekmerion.link.stick;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.UUID;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import tekmerion.link.CaptureFile;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkFormatException;

/** A capture on its way to the shop: written small, then sealed. */
public final class SealedCapture {
  private SealedCapture() {}

  public static StickStore.Kept seal(CaptureFile capture, StickKey key) {
    UUID id = UUID.randomUUID();
    ByteArrayOutputStream small = new ByteArrayOutputStream();
    try (GZIPOutputStream zip = new GZIPOutputStream(small)) {
      zip.write(LinkCodec.encode(capture).getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new IllegalStateException("in memory nothing can fail", e);
    }
    return new StickStore.Kept(id, key.seal(small.toByteArray(), StickStore.Kept.about(id)));
  }

  /**
   * @return empty if it was sealed to another shop's key, or was changed since
   * @throws LinkFormatException if it opens and what is in it is no capture
   */
  public static Optional<CaptureFile> open(StickStore.Kept kept, StickOpener opener) {
    return opener
        .open(kept.sealed(), StickStore.Kept.about(kept.id()))
        .map(small -> CaptureFile.parse(unpacked(small)));
  }

  private static String unpacked(byte[] small) {
    try (GZIPInputStream zip = new GZIPInputStream(new ByteArrayInputStream(small))) {
      byte[] all = zip.readNBytes(CaptureFile.MAX_CHARS);
      if (zip.read() >= 0) {
        throw new LinkFormatException(
            "a capture of more than %d bytes".formatted(CaptureFile.MAX_CHARS));
      }
      return new String(all, StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new LinkFormatException("a capture that is not packed as one", e);
    }
  }
}

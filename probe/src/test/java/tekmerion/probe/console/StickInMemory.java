package tekmerion.probe.console;

import java.io.IOException;
import java.util.Arrays;
import tekmerion.link.stick.StickKey;
import tekmerion.link.stick.StickStore;

/** The store of a stick, without a stick. */
final class StickInMemory implements StickStore.Bytes {
  private final byte[] all = new byte[1 << 20];

  StickInMemory(StickKey key) {
    byte[] head = new StickStore.Head(0, all.length, key).sector();
    System.arraycopy(head, 0, all, 0, head.length);
  }

  StickStore store() throws IOException {
    return StickStore.on(this, 0).orElseThrow();
  }

  @Override
  public byte[] read(long at, int length) {
    return Arrays.copyOfRange(all, (int) at, (int) at + length);
  }

  @Override
  public void write(long at, byte[] what) {
    System.arraycopy(what, 0, all, (int) at, what.length);
  }
}

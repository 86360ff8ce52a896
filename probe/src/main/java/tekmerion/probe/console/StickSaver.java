package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import tekmerion.link.stick.SealedCapture;
import tekmerion.link.stick.StickKey;
import tekmerion.link.stick.StickStore;
import tekmerion.link.stick.StoreFullException;
import tekmerion.probe.link.SoleBench;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** Puts what was read and run here onto the stick, sealed to the shop's key. */
final class StickSaver {
  private static final long LOOK_MS = 200;

  private final SoleBench bench;
  private final Optional<StickKey> key;
  private final StoreFinder finder;
  private SoleBench.Kept saved = new SoleBench.Kept(0, 0, false);

  /** In codes, read where it is shown. */
  private volatile String said = "";

  private Thread running;

  /** Finds the store of a shop's stick; empty if it is not plugged in. */
  interface StoreFinder {
    Optional<StickStore> find(StickKey key) throws IOException;
  }

  /**
   * @param key of the shop; empty if the stick was made without one, and keeps nothing
   */
  StickSaver(SoleBench bench, Optional<StickKey> key, StoreFinder finder) {
    this.bench = bench;
    this.key = key;
    this.finder = finder;
  }

  boolean canSave() {
    return key.isPresent();
  }

  /** Whether something was kept that is not on the stick. */
  synchronized boolean isAllSaved() {
    SoleBench.Kept now = bench.kept();
    return now.isEmpty() || now.readings() == saved.readings() && now.runs() == saved.runs();
  }

  /** What the last saving came to; empty before any. */
  String said() {
    return Words.read(said);
  }

  /** Saves all that is there once nothing more is being read; reads all first if nothing was. */
  void begin() {
    if (key.isEmpty() || running != null && running.isAlive()) {
      return;
    }
    if (bench.kept().readings() == 0 && !bench.kept().isReading()) {
      bench.readAll();
    }
    said = in(() -> say("console.saving"));
    running = new Thread(() -> said = save(), "save");
    running.setDaemon(true);
    running.start();
  }

  private String save() {
    try {
      while (bench.kept().isReading()) {
        Thread.sleep(LOOK_MS);
      }
      return in(this::saveNow);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return "";
    }
  }

  private synchronized String saveNow() {
    if (!bench.kept().isEmpty() && isAllSaved()) {
      return say("console.saved");
    }
    try {
      Optional<StickStore> store = finder.find(key.orElseThrow());
      if (store.isEmpty()) {
        return say("console.no-store");
      }
      SoleBench.Kept now = bench.kept();
      store.get().keep(SealedCapture.seal(bench.capture(), key.get()));
      saved = now;
      return say("console.saved");
    } catch (StoreFullException e) {
      return say("console.store-full", "visits", e.kept());
    } catch (IOException | UncheckedIOException e) {
      return say("console.could-not-save", "why", String.valueOf(e.getMessage()));
    }
  }

  private static String in(java.util.function.Supplier<String> words) {
    return Words.in(Speaking.IN_CODES, words);
  }
}

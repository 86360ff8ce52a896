package tekmerion.core.memory.identity;

/** The size of a memory module in words. */
final class ModuleSize {
  private static final long GIBI = 1L << 30;

  private ModuleSize() {}

  /** "16 GB"; below one, or between two, "1536 MB". */
  static String words(long bytes) {
    return bytes >= GIBI && bytes % GIBI == 0 ? bytes / GIBI + " GB" : (bytes >> 20) + " MB";
  }
}

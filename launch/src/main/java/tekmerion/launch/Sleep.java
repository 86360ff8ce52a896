package tekmerion.launch;

/** Waiting between two looks. */
final class Sleep {
  private Sleep() {}

  static void millis(long millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new LaunchException("Stopped while starting.", e);
    }
  }
}

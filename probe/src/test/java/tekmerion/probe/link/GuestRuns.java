package tekmerion.probe.link;

import java.util.List;

/** Runs of the bench link within the guest of the device tests, without a server. */
public final class GuestRuns {
  private GuestRuns() {}

  public static int run(List<String> words) {
    return 0;
  }
}

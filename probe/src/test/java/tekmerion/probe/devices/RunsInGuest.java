package tekmerion.probe.devices;

import java.io.IOException;
import tools.jackson.databind.JsonNode;

/** Runs of the bench link in a guest: begun, and waited for. */
record RunsInGuest(Guest guest) {
  private static final int MAX_LOOKS = 600;
  private static final long LOOK_MS = 200;

  /** What a state must be. */
  interface Until {
    boolean is(JsonNode state);
  }

  /**
   * @return its number
   */
  String start(String kind, TestDisk disk) throws IOException {
    return guest.run("start", kind, key(disk)).out().strip();
  }

  /** Under which the probe names it; its serial if it sees none such. */
  String key(TestDisk disk) throws IOException {
    return guest.run("keys").json().path(guest.device(disk)).asString(disk.serial());
  }

  JsonNode waitFor(String id, Until until) throws IOException, InterruptedException {
    for (int i = 0; i < MAX_LOOKS; i++) {
      JsonNode state = state(id);
      if (until.is(state)) {
        return state;
      }
      Thread.sleep(LOOK_MS);
    }
    throw new IOException("the run does not come to it: " + guest.run("state", id).out());
  }

  JsonNode state(String id) throws IOException {
    return guest.run("state", id).json();
  }

  /** As it ended. */
  JsonNode end(String id) throws IOException, InterruptedException {
    return waitFor(id, s -> s.has("ended")).get("ended");
  }

  static boolean isOnItsWay(JsonNode state) {
    return state.path("share").asDouble(0) > 0.2 || state.has("ended");
  }

  static boolean isWaiting(JsonNode state) {
    return state.path("waits").isString() || state.has("ended");
  }

  String sha256(String file) throws IOException {
    return guest.sh("sha256sum " + file).out().split(" ")[0];
  }

  /** Of the image that a copy of this drive made. */
  String imageSha256(TestDisk disk) throws IOException {
    return sha256("/scratch/probe/copies/J-2291/%s/drive.img".formatted(key(disk)));
  }
}

package tekmerion.sim;

import java.util.List;
import java.util.Map;
import java.util.Random;
import tekmerion.sim.HistoryMachine.Trouble;

/** How owners tell of a trouble, and what a shop does about it. */
final class Symptoms {
  /**
   * @param changed what was changed; empty if nothing on the machine
   */
  record Story(
      String complaint,
      String errorText,
      Map<String, List<String>> said,
      List<String> courses,
      String reason,
      String changed) {}

  private Symptoms() {}

  static Story of(Trouble trouble, Random random) {
    return switch (trouble) {
      case DRIVE ->
          new Story(
              one(
                  random,
                  "Freezes on the logo, and clicked once",
                  "It is slow and hangs for minutes",
                  "The drive asks to format itself",
                  "Drive management hangs",
                  "Keeps restarting, start-up repair never ends"),
              "",
              Map.of(
                  "boot-stage", List.of(one(random, "loader", "recovery", "desktop")),
                  "often", List.of(one(random, "always", "most-days"))),
              List.of("RECOVER_DATA", "REPLACE_PART"),
              "Pending sectors and the count grows.",
              "drive replaced");
      case CABLE ->
          new Story(
              one(
                  random,
                  "The drive is not recognised now and then",
                  "Drive missing after the move"),
              "",
              Map.of(
                  "when", List.of("when-moved"),
                  "often", List.of("now-and-then"),
                  "changed", List.of("drop")),
              List.of("REPAIR"),
              "Link errors, no bad sectors; gone with another cable.",
              "drive cable replaced");
      case MEMORY ->
          new Story(
              one(
                  random,
                  "Stops with an error screen now and then",
                  "The memory test failed",
                  "Keeps restarting by itself"),
              one(random, "MEMORY_REFERENCE", ""),
              Map.of(
                  "boot-stage", List.of(one(random, "desktop", "limited")),
                  "often", List.of("most-days"),
                  "senses", List.of()),
              List.of("REPLACE_PART"),
              "One module fails alone in either slot.",
              "memory module replaced");
      case HEAT ->
          new Story(
              one(random, "Gets hot, the fan roars", "Shuts off in games, it is hot"),
              "",
              Map.of(
                  "boot-stage", List.of("desktop"),
                  "when", List.of(one(random, "when-warm", "under-load")),
                  "senses", List.of("hot", "fan")),
              List.of("REPAIR"),
              "Dust on the fins; cool after cleaning.",
              "fan and fins cleaned");
      case BATTERY ->
          new Story(
              one(
                  random,
                  "The battery dies quickly",
                  "Shuts off unplugged",
                  "The battery is swollen"),
              "",
              Map.of(
                  "boot-stage", List.of("desktop"),
                  "charge-lasts", List.of(one(random, "half", "minutes")),
                  "runs-on", List.of(one(random, "both", "only-with-adapter"))),
              List.of("REPLACE_PART"),
              "Little of the design capacity is left.",
              "battery replaced");
      case SYSTEM ->
          new Story(
              one(
                  random,
                  "Stuck update, it restarts again and again",
                  "Stops with an error screen since the update",
                  "Does not boot after a power cut"),
              one(random, "system file missing", ""),
              Map.of(
                  "boot-stage", List.of(one(random, "loader", "recovery")),
                  "changed", List.of(one(random, "update", "power-cut")),
                  "often", List.of("always")),
              List.of("REPAIR_FILE_SYSTEM"),
              "Drive and memory are sound; system files were damaged.",
              "system files repaired");
      case BOARD ->
          new Story(
              one(random, "Does not turn on any more", "Starts and stops, no picture"),
              "",
              Map.of(
                  "boot-stage", List.of(one(random, "nothing", "power")),
                  "changed", List.of(one(random, "liquid", "drop")),
                  "often", List.of("always")),
              List.of("REFER_OUT"),
              "No light after the charge was drained; the board is at fault.",
              "");
      case SLOW ->
          new Story(
              one(random, "It is slow since a while", "Sound drops out and video jumps"),
              "",
              Map.of("boot-stage", List.of("desktop"), "changed", List.of("program")),
              List.of("REPAIR"),
              "Start-up load; drive and memory are sound.",
              "start-up items taken out");
    };
  }

  private static String one(Random random, String... words) {
    return words[random.nextInt(words.length)];
  }
}

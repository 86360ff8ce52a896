package tekmerion.server.run;

import static tekmerion.words.Words.say;

import java.time.Instant;
import tekmerion.core.words.Sentences;
import tekmerion.link.RunKind;
import tekmerion.link.RunNames;

/** How stored runs are told; see {@link RunNames} for what they are called. */
public final class RunWords {
  private RunWords() {}

  /** Of one that is ended. */
  public static String outcome(Run run) {
    return RunNames.outcome(run.ending().end(), run.kind(), run.result());
  }

  /** "Surface 61 %", for the floor and the bay, where room is short. */
  public static String brief(Run run) {
    String name = RunNames.brief(run.kind());
    if (run.waits() != null) {
      return run.share() == null
          ? say("run.waits", "run", name)
          : say("run.waits-2", "name", name, "share", 100 * run.share());
    }
    return run.share() == null
        ? say("run.begins", "run", name)
        : say("run.at", "run", name, "percent", 100 * run.share());
  }

  /**
   * "rescue image of what is in use, 58 %", of one that somebody stopped for now.
   *
   * @param share null if it has not told how far it came
   */
  public static String paused(RunKind kind, Double share) {
    String name = Sentences.lowerFirst(RunNames.name(kind));
    return share == null ? name : say("run.stopped-at", "run", name, "percent", 100 * share);
  }

  /**
   * When a run that goes on will likely end.
   *
   * @param run null if none goes on
   * @return {@code now} if there is none, or its end cannot be told yet
   */
  public static Instant likelyEnd(Run run, Instant now) {
    if (run == null || run.waits() != null || run.secondsLeft() == null || run.secondsLeft() < 0) {
      return now;
    }
    Instant end = run.toldAt().plusMillis((long) (1000 * run.secondsLeft()));
    return end.isAfter(now) ? end : now;
  }
}

package tekmerion.server.isolate;

import tekmerion.core.isolate.HowOften;
import tekmerion.core.sign.Sign;
import tekmerion.core.weigh.Tilt;
import tekmerion.server.job.JobSigns;

/** What every isolation has in common: how sure it must be, and how it shows what it is not. */
final class Suspicions {
  /** How often an innocent one may be named. */
  static final double ERROR = 0.05;

  private Suspicions() {}

  /** As for causes; below two hundredths it is cleared. */
  static Tilt tilt(double probability, boolean anyStart) {
    if (probability >= 1 - ERROR) {
      return Tilt.IMPLICATED;
    }
    if (probability >= 0.35) {
      return Tilt.LEANING;
    }
    if (!anyStart) {
      return Tilt.UNKNOWN;
    }
    if (probability >= 0.1) {
      return Tilt.OPEN;
    }
    return probability < 0.02 ? Tilt.CLEARED : Tilt.LEANING_CLEAR;
  }

  /** What the owner said of how often it comes. */
  static HowOften often(JobSigns signs, Long jobId) {
    return HowOften.of(
        signs.standing(jobId).stream()
            .filter(s -> s.id().equals("often"))
            .map(Sign::level)
            .findFirst()
            .orElse(""));
  }
}

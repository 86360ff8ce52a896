package tekmerion.server.isolate;

import tekmerion.core.finding.Finding;
import tekmerion.core.isolate.HowOften;
import tekmerion.core.weigh.Suspicion;
import tekmerion.server.job.JobFindings;

/** What every isolation has in common: how sure it must be, and how it shows what it is not. */
final class Suspicions {
  /** How often an innocent one may be named. */
  static final double ERROR = 0.05;

  private Suspicions() {}

  /** As for causes; below two hundredths it is cleared. */
  static Suspicion suspicion(double probability, boolean anyStart) {
    if (probability >= 1 - ERROR) {
      return Suspicion.IMPLICATED;
    }
    if (probability >= 0.35) {
      return Suspicion.LEANING;
    }
    if (!anyStart) {
      return Suspicion.UNKNOWN;
    }
    if (probability >= 0.1) {
      return Suspicion.OPEN;
    }
    return probability < 0.02 ? Suspicion.CLEARED : Suspicion.LEANING_CLEAR;
  }

  /** What the owner said of how often it comes. */
  static HowOften often(JobFindings findings, Long jobId) {
    return HowOften.of(
        findings.standing(jobId).stream()
            .filter(s -> s.id().equals("often"))
            .map(Finding::level)
            .findFirst()
            .orElse(""));
  }
}

package tekmerion.server.job;

import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a part of the job's view is about. A change of a job names those that it may have changed,
 * so that browsers ask for no more; what it does not name it did not change ({@code
 * JobAspectTest}).
 */
public enum JobAspect {
  /** Machine, complaint, stage, version: the version counts up with nearly every change. */
  CASE,
  /** Holder, waiting, open change, bay and its probe, photos, the owner's password. */
  CUSTODY,
  /** Drives, places, pending readings, what is on the drives. */
  EVIDENCE,
  /** Causes and next moves. */
  DIAGNOSIS,
  /** Plans, courses, decisions, proof. */
  PLAN,
  /** What was done and what happened. */
  HISTORY;

  public static final Set<JobAspect> ALL =
      Collections.unmodifiableSet(EnumSet.allOf(JobAspect.class));

  /** As live events carry them: {@code CASE,HISTORY}. */
  static String words(Set<JobAspect> aspects) {
    return Arrays.stream(values())
        .filter(aspects::contains)
        .map(JobAspect::name)
        .collect(Collectors.joining(","));
  }
}

package tekmerion.server.run;

import tekmerion.core.permit.NamedDrive;
import tekmerion.link.RunKind;
import tekmerion.server.job.Job;
import tekmerion.server.problem.Refusal;

/** Whether a drive may be written to. */
public interface Writing {
  /**
   * As it told of itself in this job.
   *
   * @param key of the probe that would do it
   */
  record Drive(String model, String serial, long sizeBytes, byte[] key) {}

  /**
   * @param kind that writes
   * @throws Refusal with what locks it and what opens it
   */
  Drive allowed(Job job, String driveKey, RunKind kind, NamedDrive named);
}

package tekmerion.server.run;

import tekmerion.core.gate.NamedDrive;
import tekmerion.server.job.Job;
import tekmerion.server.problem.Refusal;

/** Whether a drive may be erased. */
public interface Erasing {
  /**
   * As it told of itself in this job.
   *
   * @param key of the probe that would do it
   */
  record Drive(String model, String serial, long sizeBytes, byte[] key) {}

  /**
   * @throws Refusal with what locks it and what opens it
   */
  Drive allowed(Job job, String driveKey, NamedDrive named);
}

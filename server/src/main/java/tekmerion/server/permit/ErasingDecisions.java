package tekmerion.server.permit;

/** What permissions ask of the decisions that were signed. */
public interface ErasingDecisions {
  /** Whether the newest that was signed here erases. */
  boolean decidesToErase(long jobId);
}

package tekmerion.server.job;

/** Told when it was said what came of a change, in the same transaction. */
public interface ChangeClosed {
  void closed(Job job);
}

package tekmerion.server.job;

/**
 * A view that shows a job. Before an archive is kept, every view of its job is made once: what one
 * of them cannot show is refused with all of it.
 */
public interface Shown {
  /** Makes the view and throws it away. */
  void mustShow(String jobNumber);
}

/** Jobs: the floor, the job view, what was said, the trace. */
package tekmerion.server.job;

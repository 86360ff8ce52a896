/** Probes that are enrolled: which of them works for a job, whether it is there, the way to it. */
package tekmerion.server.probe;

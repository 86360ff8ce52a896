/** Feeds a job's evidence to core's weighing. */
package tekmerion.server.weighing;

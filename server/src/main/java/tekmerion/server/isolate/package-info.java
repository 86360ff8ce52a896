/**
 * Isolation of memory by swapping: what was placed where and how it started, and which start tells
 * most next. The thinking is core's; what is named becomes a finding of the job.
 */
package tekmerion.server.isolate;

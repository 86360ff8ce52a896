/**
 * Isolation, of memory by placing modules otherwise and of all else by putting things in and out of
 * play: how it was arranged and how it started, and which start tells most next. One {@link
 * tekmerion.server.isolate.IsolationSession} for all sorts; a {@link
 * tekmerion.server.isolate.Layout} says what a sort arranges. The thinking is core's; what is named
 * becomes a finding of the job.
 */
package tekmerion.server.isolate;

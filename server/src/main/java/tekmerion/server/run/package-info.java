/**
 * Runs on drives: asked for, watched, paused, ended. Way in: {@link tekmerion.server.run.Runs} and
 * its controller. What came of a run is kept as evidence and never changed.
 */
package tekmerion.server.run;

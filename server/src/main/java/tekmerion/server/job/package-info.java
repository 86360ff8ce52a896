/** Jobs: what was said, whose they are, one change at a time, the history, the bell. */
package tekmerion.server.job;

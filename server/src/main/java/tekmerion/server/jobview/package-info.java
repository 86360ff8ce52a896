/** The job view: everything about one job, put together for the screen. */
package tekmerion.server.jobview;

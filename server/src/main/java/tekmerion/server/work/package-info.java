/** A job's machine at its work. Way in: {@link tekmerion.server.work.WorkViews}. */
package tekmerion.server.work;

/** The data on a drive: what is there, what was copied of it, and whether the copy holds. */
package tekmerion.server.data;

/**
 * Photos in a job's history: checked, drawn anew, kept outside everything that is served as files.
 */
package tekmerion.server.photo;

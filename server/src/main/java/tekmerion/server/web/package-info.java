/** Serves the browser's part, with a strict content security policy. */
package tekmerion.server.web;

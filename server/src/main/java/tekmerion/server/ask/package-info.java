/**
 * Asking probes for work: every reading and every run begins here, after the permission was asked.
 */
package tekmerion.server.ask;

/**
 * Offline instruments: the same code as on the bench, on files. Way in: the command classes. No
 * server, no network.
 */
package tekmerion.probe.instrument;

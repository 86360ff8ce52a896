/**
 * What comes in from probes: enrolment, the socket, and what is made of readings, runs, copies and
 * questions for a release. Stands on top: it knows every feature, and none knows it.
 */
package tekmerion.server.inbox;

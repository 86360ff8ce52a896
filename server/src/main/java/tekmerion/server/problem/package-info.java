/** Refusals: every error that leaves the server says what happened, what was kept, what to do. */
package tekmerion.server.problem;

/**
 * What must be answered for later: who signed in, opened, exported, signed, released. Way in:
 * {@link tekmerion.server.audit.Audit}.
 */
package tekmerion.server.audit;

/**
 * What the probe must not lose: its identity and every event until the server has committed it. Way
 * in: {@link tekmerion.probe.outbox.Outbox}. Knows no network.
 */
package tekmerion.probe.outbox;

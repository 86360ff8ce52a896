/**
 * Keeps the probe on the bench link. Way in: {@link tekmerion.probe.link.LinkClient}. Reconnects by
 * itself; everything that must not be lost goes through the outbox first.
 */
package tekmerion.probe.link;

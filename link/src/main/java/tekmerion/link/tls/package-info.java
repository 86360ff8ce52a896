/**
 * How a probe, or whoever else asks a shop's server, knows that it is this server: by the shop's
 * own certificate authority, known beforehand by its fingerprint. Knows nothing of who makes it.
 */
package tekmerion.link.tls;

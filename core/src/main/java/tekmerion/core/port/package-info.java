/**
 * What core needs from the world: small ports that the probe implements on Linux and sim in
 * software. No implementation lives here.
 */
package tekmerion.core.port;

/**
 * The shop's own certificate authority and the certificate of its server, made at the first start
 * and renewed in time. Way in: {@link tekmerion.launch.tls.ShopTls}. Certificates are made by
 * Bouncy Castle; TLS is Java's own.
 */
package tekmerion.launch.tls;

/** The server: one package per feature; rules live in core. Way in: {@link TekmerionServer}. */
package tekmerion.server;

/** How the server may be reached: beyond this machine by TLS only, and by which authority. */
package tekmerion.server.tls;

/** People, signing in, and what a session may do. */
package tekmerion.server.account;

/** Parts with identities of their own, and where they sat when. */
package tekmerion.server.part;

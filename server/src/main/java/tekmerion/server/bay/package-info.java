/** Places on the bench. */
package tekmerion.server.bay;

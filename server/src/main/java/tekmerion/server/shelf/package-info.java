/** Parts and their lives by model, and what the shop has on its shelf. */
package tekmerion.server.shelf;

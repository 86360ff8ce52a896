/** Parts and their lives by model, and what the shop has in stock. */
package tekmerion.server.stock;

/** What the shop charges, and what parts cost. Way in: {@link tekmerion.server.price.Tariffs}. */
package tekmerion.server.price;

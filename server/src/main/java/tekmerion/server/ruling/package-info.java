/** Data stance, gates on every path, rulings kept with the weighing as it stood. */
package tekmerion.server.ruling;

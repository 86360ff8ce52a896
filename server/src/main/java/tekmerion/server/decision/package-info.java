/** Data status, gates on every path, decisions kept with the weighing as it stood. */
package tekmerion.server.decision;

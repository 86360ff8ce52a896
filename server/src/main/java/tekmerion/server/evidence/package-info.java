/** Raw pages stored once by content, readings, and asking for them. Evidence is only added to. */
package tekmerion.server.evidence;

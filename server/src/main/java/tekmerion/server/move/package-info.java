/** Moves that technicians make by hand: what is offered, what was seen, what could not be done. */
package tekmerion.server.move;

/**
 * The know-how to read, and what the shop's own proven jobs say of it. A lead may take a proposal
 * over; it holds from the next start of the server, so that a day is weighed by one table.
 */
package tekmerion.server.knowhow;

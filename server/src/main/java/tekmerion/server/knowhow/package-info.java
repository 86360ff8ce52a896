/**
 * What is weighed by: the know-how that ships, with what the shop changed of it. A change is in
 * force at once, here and on every other server; what is decided keeps the weighing it was decided
 * by.
 */
package tekmerion.server.knowhow;

/**
 * What is weighed by: the know-how that ships, with what the shop changed of it. A change is in
 * force at once, here and on every other server; what is ruled keeps the weighing it was ruled by.
 */
package tekmerion.server.knowhow;

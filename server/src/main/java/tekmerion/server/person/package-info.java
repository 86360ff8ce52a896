/**
 * Who acts: a person of the shop with a role. Way in: {@link tekmerion.server.person.Person}. Knows
 * nothing of passwords or sessions.
 */
package tekmerion.server.person;

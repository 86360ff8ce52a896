/**
 * Machines that ask to be let in without a code: what they say of themselves is a claim, shown to
 * everybody; a person at the machine types the digits on its screen.
 */
package tekmerion.server.knock;

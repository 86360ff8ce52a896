/**
 * Editing the know-how: what an entry says and said, what a change would have made of the last
 * jobs, and the change itself, with its reason. A change is in force at once, on every server.
 */
package tekmerion.server.editing;

/**
 * Hints to browsers that something changed, carried through the database so that several servers
 * can run.
 */
package tekmerion.server.live;

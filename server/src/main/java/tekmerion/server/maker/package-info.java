/**
 * What the shop itself writes of makers, model lines and models, and which of it holds for one
 * machine. Way in: {@link tekmerion.server.maker.MakerNotes}. Knows nothing of jobs.
 */
package tekmerion.server.maker;

/**
 * Bench link, version 1: the messages that a probe and the server exchange. Ways in: {@link
 * tekmerion.link.ToServer}, {@link tekmerion.link.ToProbe}, {@link tekmerion.link.LinkCodec}. The
 * same in words, with JSON Schemas: docs/bench-link.md.
 */
package tekmerion.link;

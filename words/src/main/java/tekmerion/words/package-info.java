/**
 * Sentences by key: {@link tekmerion.words.Words#say} makes one in the reader's language, {@link
 * tekmerion.words.Words#kept} keeps it as its message, to be read in any.
 */
package tekmerion.words;
